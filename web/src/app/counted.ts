/** A stroke, a cap or a step is counted: felt and heard by who has the eyes on the wheel. */
import { useOwnSwitch } from './ownSwitch.ts';

const CLICK_s = 0.012;

let sound: AudioContext | null = null;

export const canClick = (): boolean => 'AudioContext' in window;

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
function tell(isHeard: boolean): void {
  navigator.vibrate?.(25);
  if (isHeard && canClick()) click();
}

/** Whether it is heard, switched by each person; and what tells of something counted. */
export function useCounted() {
  const [isHeard, setHeard] = useOwnSwitch('click');
  return {
    isHeard,
    setHeard: (isOn: boolean) => {
      setHeard(isOn);
      if (isOn) tell(true);
    },
    tellCounted: () => tell(isHeard),
  };
}
export type Counted = ReturnType<typeof useCounted>;
