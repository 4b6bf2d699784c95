/** A banjo joint cut open: stack, thread engaged, way of the fluid, and what a torque does to the bolt; all in the address. */
import {
  BOLT_STATE_NAMES,
  BOLT_VERDICTS,
  MATERIAL_NAMES,
  problemText,
  THREAD_STATE_NAMES,
} from '@zephyrcombe/messages';
import type { Caution, Passage } from '@zephyrcombe/core';
import {
  BOLT_STATES,
  BOLT_STRENGTHS,
  boltEngagement,
  boltUnderTorque,
  boltReuse,
  JOINT_MATERIALS,
  jointPassage,
  judgeEye,
  judgeSwitch,
  judgeWasherMaterial,
  THREAD_STATES,
} from '@zephyrcombe/core';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useAddress } from '../../app/useAddress.ts';
import { FigureTable } from '../../design/FigureTable.ts';
import { Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import {
  Beside,
  Columns,
  Figure,
  Fine,
  Head,
  Label,
  Page,
  Rows,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
} from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { JointSection } from '../../drawing/JointSection.tsx';
import { editableText, QuantityField } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import type { LengthField, ReadStack, TypedStack } from './stackState.ts';
import { BANJO_THREADS, BOLT_MATERIALS, figuresOf, MOST_EYES, readStack, usualOf } from './stackState.ts';

type Set = (changes: Readonly<Record<string, string>>) => void;

const FIELD_WORDS: Readonly<Record<LengthField, string>> = {
  eye: 'Eye, thickness',
  hole: 'Eye, bore',
  washer: 'Washer, thickness',
  over: 'Washer, outside',
  inside: 'Washer, inside',
  long: 'Bolt under the head',
  bore: 'Hole along the bolt',
  cross: 'Cross-hole',
  neck: 'Neck across its outside',
  deep: 'Port, depth of thread',
  hose: 'Hose, bore',
};
const PASSAGE_WORDS: Readonly<Record<Passage, string>> = {
  bore: 'along the bolt',
  crossHoles: 'through the cross-holes',
  roundNeck: 'round the neck',
};

export function JointStackPage() {
  useCrumb('Joint stack');
  const [text, set] = useAddress();
  const typed = readStack(text);
  const read = figuresOf(typed);
  return (
    <Page>
      <Stack $gap={16}>
        <div>
          <Head>Does this joint hold, seal and let the fluid through?</Head>
          <Fine>
            Eyes, fresh washers and bolt as they lie on the bench. Read them with a calliper; what stays empty
            is an example of ours.
          </Fine>
        </div>
        <Columns $left="1fr" $right="1fr">
          <Stack $gap={16}>
            <StackSheet typed={typed} set={set} />
            <BoltSheet typed={typed} set={set} />
          </Stack>
          {read ? (
            <Judged typed={typed} read={read} />
          ) : (
            <Sheet>
              <Fine>A figure is not understood: mend it, and the joint is drawn.</Fine>
            </Sheet>
          )}
        </Columns>
      </Stack>
    </Page>
  );
}

interface EntryProps {
  readonly typed: TypedStack;
  readonly set: Set;
}

function Lengths({ typed, set, fields }: EntryProps & { readonly fields: readonly LengthField[] }) {
  const { units } = useWriter();
  return (
    <Beside>
      {fields.map((field) => (
        <QuantityField
          key={field}
          label={FIELD_WORDS[field]}
          kind="length"
          placeholder={editableText(usualOf(field), units.length)}
          text={typed.lengths[field]}
          onText={(next) => set({ [field]: next })}
        />
      ))}
    </Beside>
  );
}

const choices = (count: number) =>
  Array.from({ length: count }, (_none, index) => ({ value: String(index + 1), text: String(index + 1) }));

function StackSheet({ typed, set }: EntryProps) {
  return (
    <Sheet>
      <SheetTitle>Eyes, washers, port</SheetTitle>
      <Stack $gap={6}>
        <Beside>
          <Pick
            label="Eyes on the bolt"
            value={String(typed.eyes)}
            options={choices(MOST_EYES)}
            onChange={(eyes) => set({ eyes })}
          />
          <Pick
            label="Washers"
            value={typed.washers}
            options={JOINT_MATERIALS.map((value) => ({ value, text: MATERIAL_NAMES[value] }))}
            onChange={(washers) => set({ washers })}
          />
        </Beside>
        <Lengths typed={typed} set={set} fields={['eye', 'hole', 'hose']} />
        <Lengths typed={typed} set={set} fields={['washer', 'over', 'inside']} />
        <Lengths typed={typed} set={set} fields={['deep']} />
      </Stack>
    </Sheet>
  );
}

function BoltSheet({ typed, set }: EntryProps) {
  const { units } = useWriter();
  return (
    <Sheet>
      <SheetTitle>Bolt</SheetTitle>
      <Stack $gap={6}>
        <Beside>
          <Pick
            label="Thread"
            value={typed.thread.designation}
            options={BANJO_THREADS.map(({ designation }) => ({ value: designation, text: designation }))}
            onChange={(thread) => set({ thread })}
          />
          <Pick
            label="Made of"
            value={typed.bolt}
            options={BOLT_MATERIALS.map((value) => ({
              value,
              text: `${MATERIAL_NAMES[value]} ${BOLT_STRENGTHS[value]?.grade ?? ''}`,
            }))}
            onChange={(bolt) => set({ bolt })}
          />
          <Pick
            label="It is"
            value={typed.state}
            options={BOLT_STATES.map((value) => ({ value, text: BOLT_STATE_NAMES[value] }))}
            onChange={(state) => set({ state })}
          />
        </Beside>
        <Lengths typed={typed} set={set} fields={['long', 'neck', 'bore']} />
        <Beside>
          <Lengths typed={typed} set={set} fields={['cross']} />
          <Pick
            label="Cross-holes at one height"
            value={String(typed.crossHoles)}
            options={choices(2)}
            onChange={(holes) => set({ holes })}
          />
        </Beside>
        <Beside>
          <QuantityField
            label="Torque"
            kind="torque"
            placeholder={editableText(20, units.torque)}
            text={typed.torque}
            onText={(torque) => set({ torque })}
          />
          <QuantityField
            label="Pressure with the brake on"
            kind="pressure"
            placeholder={editableText(10e6, units.pressure)}
            text={typed.pressure}
            onText={(at) => set({ at })}
          />
        </Beside>
        <Beside>
          <Pick
            label="On its thread and under its head"
            value={typed.threads}
            options={THREAD_STATES.map((value) => ({ value, text: THREAD_STATE_NAMES[value] }))}
            onChange={(on) => set({ on })}
          />
          <QuantityField
            label="Share of the pressure’s force that the bolt takes"
            kind="fraction"
            allowZero
            placeholder={editableText(0, units.fraction)}
            text={typed.share}
            onText={(share) => set({ share })}
          />
        </Beside>
        <Tick isSelected={typed.oldSwitch} onChange={(was) => set({ was: was ? 'switch' : '' })}>
          the bolt that came off carries the stop-lamp switch
        </Tick>
        <Tick isSelected={typed.newSwitch} onChange={(is) => set({ is: is ? 'switch' : '' })}>
          this one carries a switch
        </Tick>
      </Stack>
    </Sheet>
  );
}

interface JudgedProps {
  readonly typed: TypedStack;
  readonly read: ReadStack;
}

const Judged = (props: JudgedProps) => (
  <Stack $gap={16}>
    <InSection {...props} />
    <UnderTorque {...props} />
    <WayOfFluid {...props} />
  </Stack>
);

function InSection({ typed, read: { lengths_m: m } }: JudgedProps) {
  const write = useWriter();
  const { thread, eyes } = typed;
  const stack = boltEngagement({
    eyes,
    eyeThickness_m: m.eye,
    washerThickness_m: m.washer,
    boltLength_m: m.long,
    boltDiameter_m: thread.major_m,
    portDepth_m: m.deep,
  });
  const cautions: readonly Caution[] = [
    ...(stack.ok ? stack.cautions : []),
    ...judgeEye(m.hole, thread.major_m),
    ...judgeWasherMaterial(typed.bolt, typed.washers),
    ...judgeSwitch(typed.oldSwitch, typed.newSwitch),
  ];
  const verdict = BOLT_VERDICTS[boltReuse(typed.bolt, typed.state)];
  return (
    <Sheet aria-live="polite">
      <SheetTitle>In section, to scale</SheetTitle>
      {stack.ok ? (
        <Stack $gap={10}>
          <JointSection
            parts={{
              eyes,
              eyeThickness_mm: m.eye * 1000,
              washerThickness_mm: m.washer * 1000,
              boltLength_mm: m.long * 1000,
              boltDiameter_mm: thread.major_m * 1000,
              portDepth_mm: m.deep * 1000,
              boltBore_mm: m.bore * 1000,
              washerOutside_mm: m.over * 1000,
            }}
            washerText={`${MATERIAL_NAMES[typed.washers]} washer`}
            eyeTexts={Array.from({ length: eyes }, (_none, index) => `eye ${index + 1}`)}
            threadText={`${thread.designation}, ${write.length(Math.max(0, stack.value.engaged_m))} engaged`}
            wantsText={`wants ${write.length(stack.value.leastEngaged_m)} or more`}
            label={`Section of the joint: ${eyes === 1 ? 'one eye' : `${eyes} eyes`}, ${stack.value.washers} washers`}
          />
          <Rows>
            <Spread>
              <Label>fresh washers</Label>
              <Figure data-testid="washers">{stack.value.washers}</Figure>
            </Spread>
            <Spread>
              <Label>thread engaged</Label>
              <span>
                <Figure>{write.length(stack.value.engaged_m)}</Figure>{' '}
                <Working of="joint stack" result={stack} />
              </span>
            </Spread>
            <Spread>
              <Label>clear of the bottom by</Label>
              <Figure>
                {stack.value.bottomGap_m === null ? 'not checked' : write.length(stack.value.bottomGap_m)}
              </Figure>
            </Spread>
          </Rows>
          <Cautions cautions={cautions} />
          {verdict ? (
            <Notice severity={verdict.severity} title={verdict.title}>
              <p>{verdict.text}</p>
            </Notice>
          ) : null}
        </Stack>
      ) : (
        <Fine>{problemText(stack.problem, write)}</Fine>
      )}
    </Sheet>
  );
}

function UnderTorque({ typed, read: { lengths_m: m, torque_Nm, pressure_Pa, loadFactor } }: JudgedProps) {
  const write = useWriter();
  const { thread } = typed;
  const strength = BOLT_STRENGTHS[typed.bolt];
  const under = boltUnderTorque({
    bolt: {
      diameter_m: thread.major_m,
      pitch_m: thread.pitch_m,
      bore_m: m.bore,
      crossHole_m: m.cross,
      crossHoles: typed.crossHoles,
      neck_m: m.neck,
      yield_Pa: strength?.yield_Pa ?? 0,
    },
    washer: { outside_m: m.over, inside_m: m.inside },
    torque_Nm,
    threads: typed.threads,
    pressure_Pa,
    loadFactor,
  });
  return (
    <Sheet aria-live="polite">
      <SheetTitle>What {write.torque(torque_Nm)} does to it</SheetTitle>
      {!under.ok ? (
        <Fine>{problemText(under.problem, write)}</Fine>
      ) : (
        <Stack $gap={10}>
          <FigureTable>
            <thead>
              <tr>
                <th scope="col">friction</th>
                <th scope="col">clamp</th>
                <th scope="col">with the brake on</th>
                <th scope="col">on the seat then</th>
                <th scope="col">worst section</th>
                <th scope="col">of its yield</th>
              </tr>
            </thead>
            <tbody>
              {under.value.loads.map(({ friction, load }) => (
                <tr key={friction}>
                  <th scope="row">
                    {friction} <Working of={`clamp at friction ${friction}`} result={load} />
                  </th>
                  <td>{write.quantity({ kind: 'force', value_SI: load.value.clamp_N })}</td>
                  <td>{write.quantity({ kind: 'force', value_SI: load.value.left_N })}</td>
                  <td>{write.quantity({ kind: 'stress', value_SI: load.value.leftSeat_Pa })}</td>
                  <td>{load.value.critical}</td>
                  <td>{write.fraction(load.value.used)}</td>
                </tr>
              ))}
            </tbody>
          </FigureTable>
          {under.value.mostUsed > 1 ? (
            <Notice
              severity="warn"
              title={
                under.value.leastUsed > 1
                  ? 'At any friction this torque goes beyond the yield of the bolt'
                  : 'With little friction this torque goes beyond the yield of the bolt'
              }
            >
              <p>
                The cross-drilled neck gives first. Threads clean, dry or oiled as the maker of the figure
                asks: oil on a thread and a dry figure break bolts.
              </p>
            </Notice>
          ) : null}
          {typed.threads === 'unsaid' ? (
            <Fine>Nobody has said what is on the thread: it may have any of these.</Fine>
          ) : null}
          <Fine>
            An estimate, to compare with; the torque itself comes from the maker of the vehicle or the hose,
            and the weakest part governs.
          </Fine>
        </Stack>
      )}
    </Sheet>
  );
}

function WayOfFluid({ typed, read: { lengths_m: m } }: JudgedProps) {
  const write = useWriter();
  const passage = jointPassage({
    bore_m: m.bore,
    crossHole_m: m.cross,
    crossHoles: typed.crossHoles,
    neck_m: m.neck,
    eyeBore_m: m.hole,
    eyeThickness_m: m.eye,
    hoseBore_m: m.hose,
  });
  return (
    <Sheet aria-live="polite">
      <SheetTitle>The way of the fluid</SheetTitle>
      {passage.ok ? (
        <Fine>
          Narrowest {PASSAGE_WORDS[passage.value.narrowest]}:{' '}
          {write.quantity({ kind: 'area', value_SI: passage.value.areas_m2[passage.value.narrowest] })},{' '}
          {write.fraction(passage.value.share)} of the hose’s bore.{' '}
          {passage.value.share >= 1
            ? 'The joint holds nothing back.'
            : 'The joint is narrower than its hose: slow to bleed and to release.'}{' '}
          <Working of="way of the fluid" result={passage} />
        </Fine>
      ) : (
        <Fine>{problemText(passage.problem, write)}</Fine>
      )}
    </Sheet>
  );
}
