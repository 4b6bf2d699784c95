/** Steps read out by the browser's own voice, for who has both hands full. Switched by each person, off at first. */
import { useEffect } from 'react';
import { useOwnSwitch } from '../../app/ownSwitch.ts';

export const canReadAloud = (): boolean => 'speechSynthesis' in window;

/** Reads the words out when they come, while it is switched on. */
export function useReadAloud(text: string): readonly [boolean, (isOn: boolean) => void] {
  const [isOn, setOn] = useOwnSwitch('readAloud');
  const isAloud = isOn && canReadAloud();
  useEffect(() => {
    if (!isAloud) return;
    window.speechSynthesis.cancel();
    const words = new SpeechSynthesisUtterance(text);
    words.lang = 'en';
    window.speechSynthesis.speak(words);
    return () => window.speechSynthesis.cancel();
  }, [isAloud, text]);
  return [isAloud, setOn];
}
