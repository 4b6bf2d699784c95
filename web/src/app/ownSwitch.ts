/** What a person has switched on for themselves on this device, such as reading aloud: another one who signs in has their own. */
import { usePerson } from './SessionContext.ts';
import { useState } from 'react';

/** Whether it is on, and a way to say so. Off at first. */
export function useOwnSwitch(name: string): readonly [boolean, (isOn: boolean) => void] {
  const key = `zephyrcombe.${name}.${usePerson().id}`;
  const [isOn, setOn] = useState(() => localStorage.getItem(key) === 'on');
  return [
    isOn,
    (next) => {
      if (next) localStorage.setItem(key, 'on');
      else localStorage.removeItem(key);
      setOn(next);
    },
  ];
}
