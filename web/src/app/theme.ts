/** Which of the two sheets a person works on; the device decides unless they do. */
export const THEMES = ['device', 'vellum', 'nightBay'] as const;
export type Theme = (typeof THEMES)[number];
const KEY = 'zephyrcombe.theme';

export function readTheme(): Theme {
  const stored = localStorage.getItem(KEY);
  return THEMES.find((theme) => theme === stored) ?? 'device';
}

export function applyTheme(theme: Theme): void {
  if (theme === 'device') {
    localStorage.removeItem(KEY);
    delete document.documentElement.dataset.theme;
    return;
  }
  localStorage.setItem(KEY, theme);
  document.documentElement.dataset.theme = theme;
}
