/** Bolt and washers of one joint, judged as they are chosen, with the joint drawn in section. */
import type { Bolt, Washer } from '@zephyrcombe/contract';
import { isClosed, torqueOf } from '@zephyrcombe/contract';
import {
  BOLT_CARRIES_NAMES,
  BOLT_STATE_NAMES,
  BOLT_VERDICTS,
  MATERIAL_NAMES,
  torqueSourceName,
} from '@zephyrcombe/messages';
import type { BoltCarries, BoltState, JointMaterial } from '@zephyrcombe/core';
import { BOLT_CARRIES, BOLT_STATES, boltReuse, JOINT_MATERIALS, threadNamed } from '@zephyrcombe/core';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { TextField, Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Fine, Label, Rows, Sheet, SheetTitle, Spread, Stack, Unseen } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { QuantityField, editableText, readQuantity } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';
import type { JointView } from '../job/jobView.ts';
import { isCalculated, jointCautions, stackOf } from '../job/jobView.ts';
import { stackAddress } from '../joint-stack/stackState.ts';
import { JointDrawing } from './JointDrawing.tsx';

const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
  gap: 12px;
`;

interface PartsDraft {
  readonly thread: string;
  readonly length: string;
  readonly material: JointMaterial;
  readonly washer: JointMaterial;
  readonly carries: readonly BoltCarries[];
  readonly state: BoltState;
  readonly oldIsSwitch: boolean;
}

interface JointSheetProps {
  readonly view: JointView;
  /** Which joint it is, before its name. */
  readonly title: string;
}

export function JointSheet({ view, title }: JointSheetProps) {
  const detail = useJob();
  const write = useWriter();
  const { joint, port, chosen, eyes } = view;
  const saved: PartsDraft | null =
    chosen.bolt && chosen.washer
      ? {
          thread: chosen.bolt.thread,
          length: editableText(chosen.bolt.length_m, write.units.length),
          material: chosen.bolt.material,
          washer: chosen.washer.material,
          carries: chosen.bolt.carries ?? [],
          state: chosen.boltState,
          oldIsSwitch: chosen.oldIsSwitch,
        }
      : null;
  const [draft, setDraft, clear] = useDraft<PartsDraft | null>(`joint.${detail.job.id}.${joint.id}`, null);
  const edit = useJobAction('editJobJoint', detail.job.id, clear);
  const parts = draft ?? saved;
  if (parts === null || !chosen.bolt || !chosen.washer) {
    return (
      <Sheet>
        <SheetTitle>{joint.name}</SheetTitle>
        <Fine>
          This joint has no bolt: it seals by its {joint.seal === 'flare' ? 'flare' : 'own thread'}.
        </Fine>
      </Sheet>
    );
  }
  const typedLength = readQuantity(parts.length, 'length').quantity;
  const bolt: Bolt = {
    ...chosen.bolt,
    thread: parts.thread.trim(),
    material: parts.material,
    length_m: typedLength?.value_SI ?? chosen.bolt.length_m,
    carries: [...parts.carries],
  };
  const shown: JointView = {
    ...view,
    chosen: { ...chosen, boltState: parts.state, oldIsSwitch: parts.oldIsSwitch },
  };
  const reuse = BOLT_VERDICTS[boltReuse(parts.material, parts.state)];
  const washer: Washer = { ...chosen.washer, material: parts.washer };
  const stack = stackOf(view, bolt, washer);
  const change = (next: Partial<PartsDraft>) => setDraft({ ...parts, ...next });
  const finished = isClosed(detail.job);
  return (
    <Sheet>
      <SheetTitle>
        {title}: {joint.name}, {eyes === 1 ? 'one eye' : `${eyes} eyes`}
      </SheetTitle>
      <JointDrawing view={view} bolt={bolt} washer={washer} />
      {joint.eyeThickness_m === null || port.depth_m === null ? null : (
        <Link
          to={stackAddress(
            {
              eyes,
              thread: bolt.thread,
              bolt: bolt.material,
              washers: washer.material,
              lengths_m: {
                eye: joint.eyeThickness_m,
                washer: washer.thickness_m,
                long: bolt.length_m,
                deep: port.depth_m,
              },
            },
            write.units.length,
          )}
        >
          Clamp and flow on the bench<Unseen>, {joint.name}</Unseen>
        </Link>
      )}
      <StackRows view={view} washer={washer} stack={stack} />
      <Stack style={{ marginTop: 12 }}>
        <BoltFields portThread={port.thread} parts={parts} finished={finished} onChange={change} />
        {reuse === null ? null : (
          <Notice severity={reuse.severity} title={reuse.title}>
            <p>{reuse.text}</p>
          </Notice>
        )}
        <BoltExtras
          name={joint.name}
          carries={parts.carries}
          oldIsSwitch={parts.oldIsSwitch}
          finished={finished}
          onChange={change}
        />
        {draft === null ? null : (
          <>
            <Cautions
              cautions={jointCautions(shown, bolt, washer)}
              answering={edit.error?.code === 'stop-not-answered'}
            />
            <SaveProblem save={edit} onTakeTheirs={clear} />
            <Spread>
              <PlainButton
                because={
                  finished
                    ? CLOSED
                    : bolt.thread === ''
                      ? 'Type the thread of the bolt.'
                      : typedLength === null
                        ? 'Type the length of the bolt.'
                        : null
                }
                onPress={() =>
                  edit.mutate({
                    params: { jobId: detail.job.id, jointId: joint.id },
                    body: {
                      version: chosen.version,
                      bolt,
                      washer,
                      boltState: parts.state,
                      oldIsSwitch: parts.oldIsSwitch,
                    },
                  })
                }
              >
                Keep these parts
              </PlainButton>
              <PlainButton onPress={clear}>Undo</PlainButton>
            </Spread>
          </>
        )}
      </Stack>
    </Sheet>
  );
}

interface StackRowsProps {
  readonly view: JointView;
  readonly washer: Washer;
  readonly stack: ReturnType<typeof stackOf>;
}

/** What follows from the parts: washers, engaged thread, room at the bottom, torque. */
function StackRows({ view: { joint, port }, washer, stack }: StackRowsProps) {
  const write = useWriter();
  if (!isCalculated(stack)) return null;
  return (
    <Rows>
      <Spread>
        <Label>fresh washers, {MATERIAL_NAMES[washer.material]}</Label>
        <strong>{stack.value.washers}</strong>
      </Spread>
      <Spread>
        <Label>engaged thread, wants {write.length(stack.value.leastEngaged_m)}</Label>
        <span>
          <strong>{write.length(stack.value.engaged_m)}</strong>{' '}
          <Working of={`stack of ${joint.name}`} result={stack} />
        </span>
      </Spread>
      <Spread>
        <Label>clear of the bottom by</Label>
        <strong>
          {stack.value.bottomGap_m === null ? 'not checked' : write.length(stack.value.bottomGap_m)}
        </strong>
      </Spread>
      {port.depth_m === null ? (
        <Fine>
          Nobody has measured how deep this port is: try the bolt with its washers by hand, or enter the depth
          in Look over.
        </Fine>
      ) : null}
      <Spread>
        <Label>torque, {torqueSourceName(torqueOf(joint).governing.source)}</Label>
        <strong>
          {write.torqueRange(torqueOf(joint).governing.minimum_Nm, torqueOf(joint).governing.maximum_Nm)}
        </strong>
      </Spread>
    </Rows>
  );
}

interface BoltFieldsProps {
  readonly portThread: string;
  readonly parts: PartsDraft;
  readonly finished: boolean;
  readonly onChange: (next: Partial<PartsDraft>) => void;
}

function BoltFields({ portThread, parts, finished, onChange }: BoltFieldsProps) {
  return (
    <Fields>
      <TextField
        label={`Bolt thread (port ${portThread})`}
        value={parts.thread}
        isDisabled={finished}
        error={
          parts.thread.trim() === '' || threadNamed(parts.thread) !== null
            ? null
            : `“${parts.thread}” is no thread known here: for example M10×1.0 or 3/8-24. Is that what stands on the bolt?`
        }
        onChange={(thread) => onChange({ thread })}
      />
      <QuantityField
        label="Bolt under the head"
        kind="length"
        text={parts.length}
        onText={(next) => onChange({ length: next })}
      />
      <Pick<JointMaterial>
        label="Bolt"
        value={parts.material}
        isDisabled={finished}
        options={MATERIALS}
        onChange={(material) => onChange({ material })}
      />
      <Pick<JointMaterial>
        label="Washers"
        value={parts.washer}
        isDisabled={finished}
        options={MATERIALS}
        onChange={(material) => onChange({ washer: material })}
      />
      <Pick<BoltState>
        label="The bolt is"
        value={parts.state}
        isDisabled={finished}
        options={BOLT_STATES.map((value) => ({ value, text: BOLT_STATE_NAMES[value] }))}
        onChange={(state) => onChange({ state })}
      />
    </Fields>
  );
}

interface BoltExtrasProps {
  readonly name: string;
  readonly carries: readonly BoltCarries[];
  readonly oldIsSwitch: boolean;
  readonly finished: boolean;
  readonly onChange: (next: Partial<Pick<PartsDraft, 'carries' | 'oldIsSwitch'>>) => void;
}

/** What most bolts do not do stays folded until somebody asks. */
function BoltExtras({ name, carries, oldIsSwitch, finished, onChange }: BoltExtrasProps) {
  const [isOpen, setOpen] = useState(carries.length > 0 || oldIsSwitch);
  if (!isOpen)
    return (
      <TextButton onPress={() => setOpen(true)}>
        nipple, switch or lock wire in the bolt<Unseen>, {name}</Unseen>
      </TextButton>
    );
  return (
    <Stack $gap={0} role="group" aria-label={`What the bolt of ${name} carries`}>
      {BOLT_CARRIES.map((what) => (
        <Tick
          key={what}
          isSelected={carries.includes(what)}
          isDisabled={finished}
          onChange={(isOn) =>
            onChange({ carries: isOn ? [...carries, what] : carries.filter((known) => known !== what) })
          }
        >
          Carries {BOLT_CARRIES_NAMES[what]}
        </Tick>
      ))}
      <Tick
        isSelected={oldIsSwitch}
        isDisabled={finished}
        onChange={(isOn) => onChange({ oldIsSwitch: isOn })}
      >
        The old bolt was the stop-lamp switch
      </Tick>
    </Stack>
  );
}

const MATERIALS = JOINT_MATERIALS.map((material) => ({ value: material, text: MATERIAL_NAMES[material] }));
