/** Colours by role, both themes from one set. Text is at least 4.5:1 on its paper, glyphs 3:1 (tested). */
const ROLES = [
  'paper',
  'sheet',
  'ink',
  'inkSoft',
  'hairline',
  'hairlineSoft',
  'brass',
  'brassLight',
  'action',
  'onAction',
  'caution',
  'danger',
  'agreed',
] as const;
export type ColourRole = (typeof ROLES)[number];
export type Palette = Readonly<Record<ColourRole, string>>;

export const VELLUM: Palette = {
  paper: '#f5f2e9',
  sheet: '#fbf9f3',
  ink: '#1d2a2f',
  inkSoft: '#55625f',
  hairline: '#bdb7a6',
  hairlineSoft: '#ddd8ca',
  brass: '#94610f',
  brassLight: '#c98e2b',
  action: '#11586a',
  onAction: '#fbf9f3',
  caution: '#8a5200',
  danger: '#a3201a',
  agreed: '#2c5e3a',
};

export const NIGHT_BAY: Palette = {
  paper: '#11181a',
  sheet: '#182124',
  ink: '#e9e4d6',
  inkSoft: '#a3aca8',
  hairline: '#4a5557',
  hairlineSoft: '#2b3538',
  brass: '#e3b554',
  brassLight: '#b98a3a',
  action: '#63b3c4',
  onAction: '#0c1416',
  caution: '#e6a94e',
  danger: '#f08a80',
  agreed: '#8cc69c',
};

/** The fluid's own scale, for fluid and nothing else; the same in both themes. */
export const FLUID = { straw: '#f0dfa0', honey: '#d79b3a', tea: '#8a5a2a', blackTea: '#3d2716' } as const;

const properties = (palette: Palette) => ROLES.map((role) => `--${role}: ${palette[role]};`).join('');

/** Custom properties for both themes; `data-theme` on the root element overrides the device's choice, and paper overrides both. */
export const themeRules = `
  :root { color-scheme: light; ${properties(VELLUM)} }
  @media (prefers-color-scheme: dark) { :root:not([data-theme='vellum']) { color-scheme: dark; ${properties(NIGHT_BAY)} } }
  :root[data-theme='nightBay'] { color-scheme: dark; ${properties(NIGHT_BAY)} }
  @media print { :root:root:root { color-scheme: light; ${properties(VELLUM)} --paper: #fff; --sheet: #fff; } }
`;

export const colour = (role: ColourRole): string => `var(--${role})`;

/** Type sizes in pixels; lengths follow an 8 px rhythm. */
export const SIZE = {
  fine: '12.5px',
  small: '13.5px',
  text: '15px',
  large: '17px',
  title: '20px',
  head: '27px',
  figure: '40px',
  hero: '58px',
} as const;
export const FONT = {
  words: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif",
  figures: "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace",
} as const;
/** Below this the layout is for a phone at the wheel. */
export const PHONE = '@media (max-width: 759px)';
