import type { Bolt, Washer } from '@zephyrcombe/contract';
import { MATERIAL_NAMES, SEAL_NAMES } from '@zephyrcombe/messages';
import { assumedOfJoint } from '@zephyrcombe/core';
import { useWriter } from '../../app/SessionContext.ts';
import { Fine } from '../../design/layout.ts';
import { JointSection } from '../../drawing/JointSection.tsx';
import type { JointView } from '../job/jobView.ts';
import { isCalculated, stackOf } from '../job/jobView.ts';

interface JointDrawingProps {
  readonly view: JointView;
  readonly bolt?: Bolt | null;
  readonly washer?: Washer | null;
  /** Clamp, and what is left of it with the brake on: estimates. */
  readonly forces?: { readonly clamp: string; readonly left: string } | null;
}

/** A joint in section, from the parts chosen for it. */
export function JointDrawing({
  view,
  bolt = view.chosen.bolt,
  washer = view.chosen.washer,
  forces = null,
}: JointDrawingProps) {
  const write = useWriter();
  const { joint, port, eyes, hoses } = view;
  const stack = stackOf(view, bolt, washer);
  if (joint.seal !== 'banjo')
    return <Fine>No stack to draw: it seals as a {SEAL_NAMES[joint.seal]} on its own seat.</Fine>;
  if (!bolt || !washer || joint.eyeThickness_m === null || !isCalculated(stack)) {
    return <Fine>The section is drawn once bolt, washers and the thickness of the eye are known.</Fine>;
  }
  const { engaged_m, leastEngaged_m, washers } = stack.value;
  const assumed = assumedOfJoint(joint, port);
  const isPortAssumed = assumed.some((fact) => fact !== 'eyeThickness_m');
  const isEyeAssumed = assumed.includes('eyeThickness_m');
  const engagedText = `${write.length(Math.max(0, engaged_m))} engaged`;
  return (
    <JointSection
      parts={{
        eyes,
        eyeThickness_mm: joint.eyeThickness_m * 1000,
        washerThickness_mm: washer.thickness_m * 1000,
        boltLength_mm: bolt.length_m * 1000,
        boltDiameter_mm: bolt.diameter_m * 1000,
        portDepth_mm: port.depth_m === null ? null : port.depth_m * 1000,
      }}
      washerText={`${MATERIAL_NAMES[washer.material]} washer`}
      eyeTexts={hoses.map((hose) => hose.name)}
      threadText={`${bolt.thread}, ${engagedText}`}
      forces={forces}
      isPortAssumed={isPortAssumed}
      isEyeAssumed={isEyeAssumed}
      wantsText={`wants ${write.length(leastEngaged_m)} or more`}
      label={`Section of the joint at ${joint.name}: ${eyes} ${eyes === 1 ? 'eye' : 'eyes'}, ${washers} washers, ${engagedText}${port.depth_m === null ? ', clearance to the bottom not checked' : ''}${isPortAssumed ? ', port only assumed' : ''}${isEyeAssumed ? ', eye only assumed' : ''}`}
    />
  );
}
