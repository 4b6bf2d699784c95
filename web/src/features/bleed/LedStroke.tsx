/** Each stroke led by the screen: lever and nipple as they stand, and a button that can only go round the right way. */
import { useState } from 'react';
import styled from 'styled-components';
import { useOwnSwitch } from '../../app/ownSwitch.ts';
import { TextButton } from '../../design/Button.tsx';
import { Label } from '../../design/layout.ts';
import { SIZE, colour } from '../../design/tokens.ts';

/** Never let go before the nipple is shut: it would draw in what it pushed out, or air. */
const PHASES = [
  { lever: 'at rest', nipple: 'shut', next: (control: string) => `Open, and press the ${control}` },
  { lever: 'held down', nipple: 'open', next: () => 'Shut the nipple' },
  { lever: 'held down', nipple: 'shut', next: (control: string) => `Let the ${control} go` },
] as const;

const States = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  > div {
    border: 1px solid ${colour('hairline')};
    padding: 8px 12px;
    display: grid;
  }
  strong {
    font-size: ${SIZE.large};
  }
`;

export interface LedStroke {
  readonly isOn: boolean;
  readonly phase: number;
  readonly press: () => void;
  readonly turn: () => void;
  readonly startOver: () => void;
}

/** `onStroke` when the lever has been let go: then it counts. */
export function useLedStroke(onStroke: () => void): LedStroke {
  const [isOn, setOn] = useOwnSwitch('leadStrokes');
  // Of the nipple that is shown: at another one a stroke begins with its own.
  const [phase, setPhase] = useState(0);
  return {
    isOn,
    phase,
    press: () => {
      const isDone = phase === PHASES.length - 1;
      setPhase(isDone ? 0 : phase + 1);
      if (isDone) onStroke();
    },
    turn: () => {
      setOn(!isOn);
      setPhase(0);
    },
    startOver: () => setPhase(0),
  };
}

export const ledLabel = ({ phase }: LedStroke, control: string): string =>
  (PHASES[phase] ?? PHASES[0]).next(control);

export function LedStates({ led, control }: { readonly led: LedStroke; readonly control: string }) {
  const { lever, nipple } = PHASES[led.phase] ?? PHASES[0];
  return (
    <States role="status">
      <div>
        <Label>{control}</Label>
        <strong>{lever}</strong>
      </div>
      <div>
        <Label>nipple</Label>
        <strong>{nipple}</strong>
      </div>
      {led.phase > 0 ? (
        <TextButton style={{ gridColumn: '1 / -1' }} onPress={led.startOver}>
          it slipped: this stroke does not count
        </TextButton>
      ) : null}
    </States>
  );
}
