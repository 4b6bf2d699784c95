/** Whether single keys act on this device. They can be turned off, for speech input and for a child on the keyboard. */
const KEY = 'zephyrcombe.singleKeys';

export function singleKeysAct(): boolean {
  return localStorage.getItem(KEY) !== 'off';
}

export function setSingleKeys(act: boolean): void {
  if (act) localStorage.removeItem(KEY);
  else localStorage.setItem(KEY, 'off');
}
