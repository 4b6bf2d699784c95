/** A straight distance from bolt to bolt, taken in a pose or two: the quickest test of all that was measured. */
import type { Dimension, MeasuredChord, RigPose, Scene } from '@zephyrcombe/core';
import { checkChords, portChord_m, sceneProblem, withChange } from '@zephyrcombe/core';
import type { Writer } from '@zephyrcombe/messages';
import { problemText } from '@zephyrcombe/messages';
import { useState } from 'react';
import { useWriter } from '../../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../../design/Button.tsx';
import {
  Figure,
  Fine,
  Label,
  Line,
  Rows,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
  Unseen,
} from '../../../design/layout.ts';
import { Notice } from '../../../design/Notice.tsx';
import { QuantityField, readQuantity } from '../../../quantities/QuantityField.tsx';
import { Working } from '../../../quantities/Working.tsx';
import { poseText } from '../words.ts';

interface ChordCheckSheetProps {
  readonly scene: Scene;
  /** The pose that is looked at: the one the vehicle stands in while the tape is held. */
  readonly pose: RigPose;
  /** Puts one figure of the model right. */
  readonly onMend: (mended: Scene) => void;
}

export function ChordCheckSheet({ scene, pose, onMend }: ChordCheckSheetProps) {
  const write = useWriter();
  const [measured, setMeasured] = useState<readonly MeasuredChord[]>([]);
  const [text, setText] = useState('');
  const typed = readQuantity(text, 'length').quantity;
  const isSound = sceneProblem(scene) === null;
  const result = isSound && measured.length > 0 ? checkChords(scene, measured) : null;
  const add = () => {
    if (typed === null) return;
    const others = measured.filter((one) => one.pose.across !== pose.across || one.pose.down !== pose.down);
    setMeasured([...others, { pose, chord_m: typed.value_SI }]);
    setText('');
  };
  const suspect = result?.ok ? result.value.suspect : null;
  // What is wrong with the model is told where its figures are.
  if (!isSound) return null;
  return (
    <Sheet>
      <SheetTitle>Does the model agree with the vehicle?</SheetTitle>
      <Stack $gap={10}>
        <Fine>
          Hold the tape straight from bolt to bolt. By the model it is{' '}
          {write.length(portChord_m(scene, pose))}, {poseText(scene.rig, pose, write)}. Two poses tell more
          than one.
        </Fine>
        <Line $gap={12} style={{ alignItems: 'start' }}>
          <div style={{ flex: '0 1 340px' }}>
            <QuantityField
              label="Straight from bolt to bolt, in the pose shown"
              kind="length"
              text={text}
              onText={setText}
              onEnter={add}
            />
          </div>
          <div style={{ paddingTop: 22 }}>
            <PlainButton because={typed === null ? 'Type the straight distance first.' : null} onPress={add}>
              Compare it
            </PlainButton>
          </div>
        </Line>
        {result?.ok ? (
          <Rows>
            {measured.map((one, index) => (
              <Spread key={`${one.pose.across} ${one.pose.down}`}>
                <Label>
                  {poseText(scene.rig, one.pose, write)}: measured {write.length(one.chord_m)}
                </Label>
                <span>
                  <Figure>{offText(result.value.off_m[index] ?? 0, write)}</Figure>{' '}
                  <TextButton onPress={() => setMeasured(measured.filter((other) => other !== one))}>
                    remove<Unseen> {write.length(one.chord_m)}</Unseen>
                  </TextButton>
                </span>
              </Spread>
            ))}
          </Rows>
        ) : result ? (
          <Fine>{problemText(result.problem, write)}</Fine>
        ) : null}
        {result?.ok && suspect ? (
          <Notice severity="warn" title={`The model is off by ${write.length(result.value.worst_m)}`} live>
            <p>
              {measured.length < 2
                ? 'One pose cannot tell which figure is wrong. It could be'
                : 'Most likely'}{' '}
              {dimensionText(suspect.dimension)}: changed by{' '}
              {changeText(suspect.dimension, suspect.change, write)} it would agree to{' '}
              {write.length(suspect.left_m)}. Measure that first; another figure may be the one.{' '}
              <Working of="the check" result={result} />
            </p>
            <PlainButton
              onPress={() => onMend(withChange(scene, suspect.dimension, suspect.change))}
              style={{ marginTop: 8 }}
            >
              Change it in the model
            </PlainButton>
          </Notice>
        ) : result?.ok ? (
          <Fine>
            Model and tape agree as well as a tape can tell. <Working of="the check" result={result} />
          </Fine>
        ) : null}
      </Stack>
    </Sheet>
  );
}

const offText = (off_m: number, write: Writer): string =>
  Math.abs(off_m) < 0.0005
    ? 'agrees'
    : `${write.length(Math.abs(off_m))} ${off_m > 0 ? 'longer' : 'shorter'} than the model`;

const FIELD_WORDS: Readonly<Record<string, string>> = {
  port_m: 'port',
  rake_rad: 'the rake of the fork',
  steeringPoint_m: 'the point on the steering axis',
  pivot_m: 'the pivot of the arm',
  top_m: 'the top of the strut',
  lowerJoint_m: 'the lower joint',
  armPivot_m: 'the pivot of the lower arm',
  centre_m: 'the middle of the axle',
};
const AXIS_WORDS = ['forward (x)', 'to the left (y)', 'up (z)'] as const;

function dimensionText({ of, field, axis }: Dimension): string {
  const name =
    of === 'rig' ? (FIELD_WORDS[field] ?? field) : `the port of the ${of === 'start' ? 'first' : 'far'} end`;
  return axis === null ? name : `${name}, ${AXIS_WORDS[axis]}`;
}

function changeText({ field }: Dimension, change: number, write: Writer): string {
  const size = field.endsWith('_rad') ? write.angle(Math.abs(change)) : write.length(Math.abs(change));
  return `${change < 0 ? '−' : '+'}${size}`;
}
