/** Which way something points: by eye with a picture, or by a second point that a tape reaches. */
import type { Vector } from '@zephyrcombe/core';
import { useState } from 'react';
import { useWriter } from '../../../app/SessionContext.ts';
import { TextButton } from '../../../design/Button.tsx';
import { Fine, Line } from '../../../design/layout.ts';
import { Pick } from '../../../design/Pick.tsx';
import { colour } from '../../../design/tokens.ts';
import { CoordinateField } from './CoordinateField.tsx';
import { BY_EYE, eyeOf, secondPoint_m, towards } from './direction.ts';

interface DirectionFieldProps {
  readonly name: string;
  readonly point_m: Vector;
  readonly direction: Vector;
  readonly onDirection: (direction: Vector) => void;
}

const AXES = ['x', 'y', 'z'] as const;
const MEASURED = 'measured';

export function DirectionField({ name, point_m, direction, onDirection }: DirectionFieldProps) {
  const write = useWriter();
  const [second, setSecond] = useState<Vector | null>(null);
  const eye = eyeOf(direction);
  const take = (to_m: Vector) => {
    setSecond(to_m);
    const way = towards(point_m, to_m);
    if (way) onDirection(way);
  };
  return (
    <div>
      <Line $gap={8} style={{ flexWrap: 'nowrap' }}>
        <Views direction={direction} />
        <Pick<string>
          label={`${name}, points`}
          hideLabel
          value={eye?.name ?? MEASURED}
          options={[
            ...(eye ? [] : [{ value: MEASURED, text: 'as measured' }]),
            ...BY_EYE.map((way) => ({ value: way.name, text: way.name })),
          ]}
          onChange={(chosen) => {
            const way = BY_EYE.find((one) => one.name === chosen);
            if (!way) return;
            setSecond(null);
            onDirection(way.direction);
          }}
        />
      </Line>
      {second === null ? (
        <TextButton onPress={() => setSecond(secondPoint_m(point_m, direction))}>
          by a second point
        </TextButton>
      ) : (
        <>
          <Fine>A second point farther along it, {write.units.length}:</Fine>
          <Line $gap={6} style={{ flexWrap: 'nowrap' }}>
            {AXES.map((axis, index) => (
              <CoordinateField
                key={axis}
                label={`${name}, second point ${axis}`}
                kind="length"
                value={second[index] ?? 0}
                onValue={(value) =>
                  take(second.map((known, at) => (at === index ? value : known)) as unknown as Vector)
                }
              />
            ))}
          </Line>
          {towards(point_m, second) === null ? (
            <Fine role="alert">The two points are one: measure to a point farther along.</Fine>
          ) : null}
        </>
      )}
    </div>
  );
}

const SIZE = 44;

/** Seen from the side and from above; forward to the right in both. */
function Views({ direction: [x, y, z] }: { readonly direction: Vector }) {
  return (
    <svg width={SIZE * 2 + 6} height={SIZE + 12} aria-hidden="true" style={{ flex: 'none' }}>
      <View at={0} along={x} across={z} name="side" />
      <View at={SIZE + 6} along={x} across={y} name="above" />
    </svg>
  );
}

interface ViewProps {
  readonly at: number;
  readonly along: number;
  readonly across: number;
  readonly name: string;
}

function View({ at, along, across, name }: ViewProps) {
  const whole = Math.hypot(along, across);
  const middle = SIZE / 2;
  const reach = 16;
  const [dx, dy] = whole < 1e-6 ? [0, 0] : [(along / whole) * reach, (-across / whole) * reach];
  return (
    <g transform={`translate(${at} 0)`}>
      <rect x="0.5" y="0.5" width={SIZE - 1} height={SIZE - 1} fill="none" stroke={colour('hairline')} />
      {whole < 1e-6 ? (
        // Straight towards, or away from, who looks.
        <circle cx={middle} cy={middle} r="4" fill="none" stroke={colour('ink')} strokeWidth="1.6" />
      ) : (
        <>
          <line
            x1={middle - dx}
            y1={middle - dy}
            x2={middle + dx}
            y2={middle + dy}
            stroke={colour('ink')}
            strokeWidth="1.6"
          />
          <circle cx={middle + dx} cy={middle + dy} r="3.4" fill={colour('brass')} />
        </>
      )}
      <text x={middle} y={SIZE + 10} textAnchor="middle" fontSize="11" fill={colour('inkSoft')}>
        {name}
      </text>
    </g>
  );
}
