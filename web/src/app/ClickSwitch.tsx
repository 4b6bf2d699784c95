/** A click for each stroke, cap and step that is counted: on or off on this device. */
import { useState } from 'react';
import { TextButton } from '../design/Button.tsx';
import { canClick, clicks, setClicks, tellCounted } from './counted.ts';

export function ClickSwitch() {
  const [isOn, setOn] = useState(clicks);
  if (!canClick()) return null;
  return (
    <TextButton
      aria-pressed={isOn}
      onPress={() => {
        setClicks(!isOn);
        setOn(!isOn);
        if (!isOn) tellCounted();
      }}
    >
      {isOn ? 'stop clicking' : 'click when counted'}
    </TextButton>
  );
}
