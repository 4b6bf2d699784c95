/** The angle between any two legs of the line, with what is not known of it. */
import { angleBetweenLegs } from '@zephyrcombe/core';
import type { Tracing } from '@zephyrcombe/core';
import { useState } from 'react';
import { useWriter } from '../../app/SessionContext.ts';
import { Pick } from '../../design/Pick.tsx';
import { Beside, Figure, Fine, Label, Spread } from '../../design/layout.ts';
import { Working } from '../../quantities/Working.tsx';

interface LegAngleRowProps {
  readonly tracing: Tracing;
  readonly legs: number;
}

export function LegAngleRow({ tracing, legs }: LegAngleRowProps) {
  const write = useWriter();
  const [chosen, setChosen] = useState<readonly [number, number] | null>(null);
  // From end to end until something else is asked; a leg that was taken out is asked for no more.
  const [first, second] =
    chosen && Math.max(...chosen) < legs ? chosen : ([0, legs - 1] as readonly [number, number]);
  const result = angleBetweenLegs(tracing, first, second);
  const options = Array.from({ length: legs }, (_none, leg) => ({
    value: String(leg),
    text: `${leg + 1} to ${leg + 2}`,
  }));
  return (
    <div style={{ marginTop: 10 }}>
      <Beside>
        <Pick
          label="Angle from the leg"
          value={String(first)}
          options={options}
          onChange={(leg) => setChosen([Number(leg), second])}
        />
        <Pick
          label="to the leg"
          value={String(second)}
          options={options}
          onChange={(leg) => setChosen([first, Number(leg)])}
        />
      </Beside>
      {result.ok ? (
        <>
          <Spread style={{ marginTop: 6 }}>
            <Label>turned by</Label>
            <Figure data-leg-angle>
              {write.angle(result.value.angle_rad)} ± {write.angle(result.value.uncertainty_rad)}
            </Figure>
          </Spread>
          <Fine>
            <Working of="the angle between the legs" result={result} />
          </Fine>
        </>
      ) : null}
    </div>
  );
}
