/** Steering and travel as two sliders, and a movement through both. */
import type { RigAxis, RigPose, Rig } from '@zephyrcombe/core';
import { axesOf } from '@zephyrcombe/core';
import { useEffect, useId, useState } from 'react';
import styled from 'styled-components';
import { useWriter } from '../../../app/SessionContext.ts';
import { PlainButton } from '../../../design/Button.tsx';
import { Line } from '../../../design/layout.ts';
import { colour, FONT, SIZE } from '../../../design/tokens.ts';
import { poseWords } from '../words.ts';

const Slide = styled.div`
  flex: 1 1 220px;
  label {
    display: flex;
    justify-content: space-between;
    font-size: ${SIZE.small};
    color: ${colour('inkSoft')};
  }
  output {
    font-family: ${FONT.figures};
    color: ${colour('ink')};
  }
  input {
    width: 100%;
    height: 44px;
    margin: 0;
    accent-color: ${colour('action')};
    cursor: pointer;
  }
`;

const STEPS = 200;
/** One way through the travel and once lock to lock. */
const ROUND_ms = 7000;

interface ScrubProps {
  readonly rig: Rig;
  readonly pose: RigPose;
  readonly onPose: (pose: RigPose) => void;
}

export function Scrub({ rig, pose, onPose }: ScrubProps) {
  const { across, down } = axesOf(rig);
  const [moving, setMoving] = useState(false);
  useEffect(() => {
    if (!moving) return undefined;
    const axes = axesOf(rig);
    let request = 0;
    let begun: number | null = null;
    const step = (now: number) => {
      begun ??= now;
      const turn = ((now - begun) / ROUND_ms) * 2 * Math.PI;
      onPose({
        across: axes.across ? axes.across.most * Math.sin(turn) : 0,
        down: axes.down.least + ((axes.down.most - axes.down.least) * (1 - Math.cos(turn * 1.5))) / 2,
      });
      request = requestAnimationFrame(step);
    };
    request = requestAnimationFrame(step);
    return () => cancelAnimationFrame(request);
    // The movement goes on while the pose changes.
  }, [moving, rig, onPose]);
  return (
    <Line $gap={18} style={{ alignItems: 'end' }}>
      {across ? (
        <AxisSlide
          axis={across}
          value={pose.across}
          onValue={(value) => onPose({ ...pose, across: value })}
        />
      ) : null}
      <AxisSlide axis={down} value={pose.down} onValue={(value) => onPose({ ...pose, down: value })} />
      <PlainButton onPress={() => setMoving(!moving)}>{moving ? 'Stop' : 'Let it move'}</PlainButton>
      <PlainButton
        isQuiet
        because={
          moving
            ? 'Stop the movement first.'
            : pose.across === 0 && pose.down === 0
              ? 'It stands as it was measured.'
              : null
        }
        onPress={() => onPose({ across: 0, down: 0 })}
      >
        As measured
      </PlainButton>
    </Line>
  );
}

const AXIS_NAMES = {
  steering: 'Steering',
  travel: 'Travel pressed in',
  swing: 'Swing from droop',
  roll: 'Roll of the axle',
} as const;

interface AxisSlideProps {
  readonly axis: RigAxis;
  readonly value: number;
  readonly onValue: (value: number) => void;
}

function AxisSlide({ axis, value, onValue }: AxisSlideProps) {
  const write = useWriter();
  const id = useId();
  const { least, most } = axis;
  const text = poseWords(axis, value, write);
  return (
    <Slide>
      <label htmlFor={id}>
        {AXIS_NAMES[axis.name]} <output>{text}</output>
      </label>
      <input
        id={id}
        type="range"
        min={0}
        max={STEPS}
        step={1}
        value={Math.round((STEPS * (value - least)) / (most - least))}
        aria-valuetext={text}
        onChange={(event) => onValue(least + ((most - least) * Number(event.target.value)) / STEPS)}
      />
    </Slide>
  );
}
