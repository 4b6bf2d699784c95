import type { ColourRole, Palette } from './tokens.ts';
import { FLUID, NIGHT_BAY, VELLUM } from './tokens.ts';

/** Source: WCAG 2.2, relative luminance and contrast ratio (definitions, from memory). */
function luminance(hex: string): number {
  const channel = (offset: number) => {
    const value = parseInt(hex.slice(offset, offset + 2), 16) / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5);
}
function contrast(left: string, right: string): number {
  const [dark = 0, light = 0] = [luminance(left), luminance(right)].sort((a, b) => a - b);
  return (light + 0.05) / (dark + 0.05);
}

const TEXT: readonly ColourRole[] = ['ink', 'inkSoft', 'action', 'caution', 'danger', 'agreed'];
const GLYPHS: readonly ColourRole[] = ['brass', 'ink', 'action', 'caution', 'danger', 'agreed'];

test('black on white is 21', () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 9);
});

describe.each<[string, Palette]>([
  ['vellum', VELLUM],
  ['night bay', NIGHT_BAY],
])('%s', (_name, palette) => {
  test.each(TEXT)('%s as text is 4.5:1 or better on paper and sheet', (role) => {
    expect(contrast(palette[role], palette.paper)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(palette[role], palette.sheet)).toBeGreaterThanOrEqual(4.5);
  });

  test.each(GLYPHS)('%s as a glyph is 3:1 or better on the sheet', (role) => {
    expect(contrast(palette[role], palette.sheet)).toBeGreaterThanOrEqual(3);
  });

  test('the words on a button can be read', () => {
    expect(contrast(palette.onAction, palette.action)).toBeGreaterThanOrEqual(4.5);
  });
});

test('the fluid’s scale goes from light to dark, so that it reads without colour', () => {
  const scale = [FLUID.straw, FLUID.honey, FLUID.tea, FLUID.blackTea].map(luminance);
  expect([...scale].sort((a, b) => b - a)).toEqual(scale);
});
