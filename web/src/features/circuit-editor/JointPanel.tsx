/** One joint: what is at its port, which end may go there and why the others may not, and the wrench it needs. */
import type {
  EndKind,
  HydraulicJoint,
  HydraulicPort,
  JointMaterial,
  Seat,
  ThreadGender,
} from '@zephyrcombe/core';
import {
  changeEnd,
  changeJoint,
  changePort,
  END_FACTS,
  END_KINDS,
  endsFor,
  JOINT_MATERIALS,
  knowingOf,
  refuseEnd,
  SEATS,
  THREAD_GENDERS,
  threadNamed,
  THREADS,
  withKnown,
  wrenchesFor,
} from '@zephyrcombe/core';
import {
  END_NAMES,
  GENDER_NAMES,
  MATERIAL_NAMES,
  refusalText,
  SEAT_NAMES,
  WRENCH_WORDS,
} from '@zephyrcombe/messages';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { ChoiceRow } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Fine, Label, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { colour } from '../../design/tokens.ts';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { KnownPick } from '../known/KnownPick.tsx';
import { weakest } from '../known/KnownText.tsx';
import type { PanelProps } from './PartPanel.tsx';
import { FurtherTorques, Torque } from './TorqueFigures.tsx';

interface JointPanelProps extends PanelProps {
  readonly joint: HydraulicJoint;
  readonly port: HydraulicPort;
  /** The way to the thread finder, where there is one. */
  readonly finder?: ReactNode;
  readonly title?: string;
}

/** Side by side where there is room: what is at the port, and what follows from it. */
const Sides = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(290px, 1fr));
  gap: 10px 26px;
`;

const Ends = styled.ul`
  list-style: none;
  display: grid;
  gap: 2px;
  li {
    display: grid;
    grid-template-columns: 22px 1fr;
    gap: 8px;
    padding: 6px 0;
    border-bottom: 1px solid ${colour('hairlineSoft')};
  }
  input {
    accent-color: ${colour('action')};
  }
  .no {
    color: ${colour('inkSoft')};
  }
`;

export function JointPanel({ circuit, joint, port, onChange, finder, title }: JointPanelProps) {
  const fitting = endsFor(port);
  const present = fitting.find((end) => END_FACTS[end].seal === joint.seal) ?? null;
  const known = threadNamed(port.thread);
  return (
    <Sheet>
      <SheetTitle>{title ?? `Joint ${joint.name}`}</SheetTitle>
      <Sides>
        <Stack $gap={10}>
          <Pick
            label="Thread of the port"
            value={port.thread}
            options={[
              ...(known ? [] : [{ value: port.thread, text: `${port.thread} (not in the catalogue)` }]),
              ...THREADS.map((thread) => ({ value: thread.designation, text: thread.designation })),
            ]}
            onChange={(thread) => onChange(changePort(circuit, port.id, { thread }))}
          />
          {finder}
          <ChoiceRow<ThreadGender>
            label="Where its thread is"
            value={port.gender}
            options={THREAD_GENDERS.map((gender) => ({
              value: gender,
              text: gender === 'internal' ? 'inside the port' : 'outside',
            }))}
            onChange={(gender) => onChange(changePort(circuit, port.id, { gender }))}
          />
          <Pick<Seat>
            label="Seat at the bottom or face"
            value={port.seat}
            options={SEATS.map((seat) => ({ value: seat, text: SEAT_NAMES[seat] }))}
            onChange={(seat) => onChange(changePort(circuit, port.id, { seat }))}
          />
          <KnownPick
            label="Thread and seat are"
            knowing={weakest([knowingOf(port, 'thread'), knowingOf(port, 'seat')])}
            onKnown={(how) =>
              onChange(
                changePort(circuit, port.id, { known: withKnown(port, ['thread', 'seat'], how).known }),
              )
            }
          />
          <Torque
            joint={joint}
            onTorque={(torque, field) =>
              onChange(changeJoint(circuit, joint.id, { torque }), `${joint.id} ${field}`)
            }
          />
          <FurtherTorques
            joint={joint}
            onFigures={(furtherTorques) => onChange(changeJoint(circuit, joint.id, { furtherTorques }))}
          />
          {joint.seal === 'banjo' ? (
            <Pick<JointMaterial | ''>
              label="Metal that the washer lies on"
              value={port.seatMaterial ?? ''}
              options={[
                { value: '', text: 'not known' },
                ...JOINT_MATERIALS.map((metal) => ({ value: metal, text: MATERIAL_NAMES[metal] })),
              ]}
              onChange={(metal) =>
                onChange(changePort(circuit, port.id, { seatMaterial: metal === '' ? null : metal }))
              }
            />
          ) : null}
          {port.gender === 'internal' ? (
            <QuantityEntry
              key={`${port.id} depth`}
              label="Depth of the port"
              kind="length"
              value_SI={port.depth_m}
              onValue={(depth_m) => onChange(changePort(circuit, port.id, { depth_m }), `${port.id} depth`)}
              mayBeEmpty
            />
          ) : null}
          {port.gender === 'internal' ? (
            <KnownPick
              label="The depth is"
              knowing={knowingOf(port, 'depth_m')}
              onKnown={(how) =>
                onChange(changePort(circuit, port.id, { known: withKnown(port, ['depth_m'], how).known }))
              }
            />
          ) : null}
          {joint.seal === 'banjo' ? (
            <QuantityEntry
              key={`${joint.id} eye`}
              label="Thickness of an eye"
              kind="length"
              value_SI={joint.eyeThickness_m}
              onValue={(eyeThickness_m) =>
                onChange(changeJoint(circuit, joint.id, { eyeThickness_m }), `${joint.id} eye`)
              }
              mayBeEmpty
            />
          ) : null}
          {joint.seal === 'banjo' ? (
            <KnownPick
              label="The eye is"
              knowing={knowingOf(joint, 'eyeThickness_m')}
              onKnown={(how) =>
                onChange(
                  changeJoint(circuit, joint.id, { known: withKnown(joint, ['eyeThickness_m'], how).known }),
                )
              }
            />
          ) : null}
          <QuantityEntry
            key={`${joint.id} hexagon`}
            label="Across the flats of its hexagon"
            kind="length"
            value_SI={joint.hexagon_m}
            onValue={(hexagon_m) =>
              onChange(changeJoint(circuit, joint.id, { hexagon_m }), `${joint.id} hexagon`)
            }
            mayBeEmpty
          />
        </Stack>
        <Stack $gap={10}>
          <div>
            <Label>What may go here</Label>
            <Ends>
              {END_KINDS.map((end) => {
                const refusal = refuseEnd(port, end);
                return refusal === null ? (
                  <li key={end}>
                    <input
                      type="radio"
                      id={`${joint.id} ${end}`}
                      name={joint.id}
                      checked={end === present}
                      onChange={() => onChange(changeEnd(circuit, joint.id, end))}
                      style={{ width: 22, height: 22 }}
                    />
                    <label htmlFor={`${joint.id} ${end}`}>{END_NAMES[end]}</label>
                  </li>
                ) : (
                  <li key={end} className="no">
                    <span aria-hidden="true">–</span>
                    <span>
                      {END_NAMES[end]}: not here, {refusalText(refusal)}
                    </span>
                  </li>
                );
              })}
            </Ends>
            {fitting.length === 0 ? (
              <Fine>
                No end is made for {GENDER_NAMES[port.gender].toLowerCase()} with a {SEAT_NAMES[port.seat]}:
                look at the part again.
              </Fine>
            ) : null}
          </div>
          {joint.hexagon_m === null ? null : <Wrenches hexagon_m={joint.hexagon_m} end={present} />}
        </Stack>
      </Sides>
    </Sheet>
  );
}

/** Which wrench goes on, and which neighbours must not. */
export function Wrenches({ hexagon_m, end }: { readonly hexagon_m: number; readonly end: EndKind | null }) {
  const { fit, tempting } = wrenchesFor(hexagon_m);
  const flareNut = end !== null && END_FACTS[end].sealsBy === 'flare';
  return (
    <div>
      <Label>Wrench</Label>
      <Rows>
        <Spread>
          <span>
            {fit.length === 0
              ? 'No common size fits: measure again across the flats'
              : fit.map((size) => size.name).join(' or ')}
          </span>
          <Label>{fit.length === 0 ? '' : 'fits'}</Label>
        </Spread>
        {tempting.map((size) => (
          <Spread key={size.name}>
            <span>{size.name}</span>
            <Label>{WRENCH_WORDS[size.verdict]}</Label>
          </Spread>
        ))}
      </Rows>
      {flareNut ? (
        <Fine>
          A flare-nut wrench: it grips five of the six flats. A second wrench holds the hose’s hexagon, so
          that the line is not twisted.
        </Fine>
      ) : null}
    </div>
  );
}
