/** Steps read out by the browser's own voice, for who has both hands full. Switched per device, off at first. */
const KEY = 'zephyrcombe.readAloud';

export const canReadAloud = (): boolean => 'speechSynthesis' in window;
export const readsAloud = (): boolean => canReadAloud() && localStorage.getItem(KEY) === 'on';

export function setReadAloud(on: boolean): void {
  if (on) localStorage.setItem(KEY, 'on');
  else {
    localStorage.removeItem(KEY);
    if (canReadAloud()) window.speechSynthesis.cancel();
  }
}

export function readOut(text: string): void {
  if (!readsAloud()) return;
  window.speechSynthesis.cancel();
  const words = new SpeechSynthesisUtterance(text);
  words.lang = 'en';
  window.speechSynthesis.speak(words);
}
