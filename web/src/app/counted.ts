/** A stroke, a cap or a step is counted: felt and heard by who has the eyes on the wheel. Switched per device. */
const KEY = 'zephyrcombe.click';
const CLICK_s = 0.012;

let sound: AudioContext | null = null;

export const canClick = (): boolean => 'AudioContext' in window;
export const clicks = (): boolean => canClick() && localStorage.getItem(KEY) === 'on';

export function setClicks(on: boolean): void {
  if (on) localStorage.setItem(KEY, 'on');
  else localStorage.removeItem(KEY);
}

function click(): void {
  sound ??= new AudioContext();
  const [tone, loudness] = [sound.createOscillator(), sound.createGain()];
  tone.frequency.value = 1800;
  loudness.gain.setValueAtTime(0.2, sound.currentTime);
  loudness.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + CLICK_s);
  tone.connect(loudness).connect(sound.destination);
  tone.start();
  tone.stop(sound.currentTime + CLICK_s);
}

/** Nothing waits for it, and nothing is missing where a device has neither. */
export function tellCounted(): void {
  navigator.vibrate?.(25);
  if (clicks()) click();
}
