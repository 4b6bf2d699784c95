/** The hose end to end: on its own drawing, and what it is made of. Everything is there to begin with, and says why. */
import type { HoseOfJob } from '@zephyrcombe/contract';
import {
  ALONG_NAMES,
  ALONG_REASON_NAMES,
  BEND_PLANE_NAMES,
  BRAID_NAMES,
  BUILD_REASON_NAMES,
  COVER_NAMES,
  FIXING_NAMES,
  LINER_NAMES,
  MATERIAL_NAMES,
  TAKE_OFF_SOURCE_NAMES,
} from '@zephyrcombe/messages';
import type { AlongKind, AlongPart, EndFitting, HoseBuild } from '@zephyrcombe/core';
import {
  ALONG_KINDS,
  BEND_PLANES,
  BRAIDS,
  COVERS,
  END_FIXINGS,
  JOINT_MATERIALS,
  kept,
  LINERS,
  isVouched,
  TAKE_OFF_SOURCES,
} from '@zephyrcombe/core';
import { useState } from 'react';
import { CLOSED } from '../job/JobContext.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { DayField } from '../../design/DayField.tsx';
import { TextField, Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Beside, Fine, Label, Line, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { BuildDrawing } from './BuildDrawing.tsx';
import type { BuildAtHand } from './useBuild.ts';

const choices = <Value extends string>(all: readonly Value[], names: Readonly<Record<Value, string>>) =>
  all.map((value) => ({ value, text: names[value] }));

/** Lengths and thicknesses that a part starts with. */
const NEW: Readonly<Record<AlongKind, { readonly length_m: number; readonly over_m: number | null }>> = {
  clip: { length_m: 0, over_m: null },
  stiffener: { length_m: 0.1, over_m: 0.002 },
  sleeve: { length_m: 0.15, over_m: 0.003 },
  sheath: { length_m: 0.06, over_m: 0.003 },
  label: { length_m: 0.03, over_m: null },
};

interface BuildSheetProps {
  readonly own: HoseOfJob;
  readonly at: BuildAtHand;
  readonly finished: boolean;
}

export function BuildSheet({ own, at, finished }: BuildSheetProps) {
  const write = useWriter();
  const { build, length_m, free, faults, change, back } = at;
  const [chosen, setChosen] = useState<string | null>(null);
  const part = build.along.find(({ id }) => id === chosen);
  const nameOf = (end: HoseOfJob['a']) => end?.joint.name.toLowerCase() ?? 'far end';
  const put = (next: AlongPart) =>
    change({ along: build.along.map((known) => (known.id === next.id ? next : known)) });
  const remove = (id: string) => {
    if (finished) return;
    change({ along: build.along.filter((known) => known.id !== id) });
    setChosen(null);
  };
  const add = (kind: AlongKind) => {
    const { length_m: long_m, over_m } = NEW[kind];
    const id = crypto.randomUUID();
    const from_m = kept((free.from_m + free.to_m - long_m) / 2, long_m, free);
    change({
      along: [
        ...build.along,
        {
          id,
          kind,
          from_m: Math.round(from_m * 1000) / 1000,
          length_m: long_m,
          outside_m: over_m === null ? null : build.outside_m + over_m,
          clip_m: null,
          note: kind === 'label' ? own.fitted.name : '',
          because: 'chosen',
        },
      ],
    });
    setChosen(id);
  };
  return (
    <Sheet aria-label="The hose, end to end">
      <Spread>
        <SheetTitle>The hose, end to end</SheetTitle>
        {back && !finished ? <TextButton onPress={back}>one step back</TextButton> : null}
      </Spread>
      <BuildDrawing
        build={build}
        length_m={length_m}
        endA={own.hose.endA}
        endB={own.hose.endB}
        free={free}
        nameA={nameOf(own.a)}
        nameB={nameOf(own.b)}
        lengthText={
          own.hose.order_m === null
            ? `${write.length(length_m)} as fitted`
            : `${write.length(length_m)} ± ${write.length(build.tolerance_m)}`
        }
        selected={chosen}
        wrong={faults.map(({ id }) => id)}
        onSelect={setChosen}
        onMove={
          finished
            ? null
            : (id, from_m) => {
                const moved = build.along.find((known) => known.id === id);
                if (moved && moved.from_m !== from_m) put({ ...moved, from_m });
              }
        }
        onRemove={remove}
      />
      <Stack $gap={10}>
        {faults.map((fault) => {
          const named = build.along.find(({ id }) => id === fault.id);
          const other =
            fault.reason === 'meets' ? build.along.find(({ id }) => id === fault.other) : undefined;
          return (
            <Notice
              key={fault.id}
              severity="warn"
              title={
                other && named
                  ? `The ${ALONG_NAMES[named.kind]} lies on the ${ALONG_NAMES[other.kind]}`
                  : `The ${named ? ALONG_NAMES[named.kind] : 'part'} does not lie between the ferrules`
              }
            >
              <p>Move it along the hose, make it shorter, or take it off.</p>
            </Notice>
          );
        })}
        {finished ? null : (
          <Line $gap={8}>
            <Label>Put on:</Label>
            {ALONG_KINDS.map((kind) => (
              <PlainButton key={kind} onPress={() => add(kind)}>
                {ALONG_NAMES[kind]}
              </PlainButton>
            ))}
          </Line>
        )}
      </Stack>
      {part ? (
        <PartForm
          key={part.id}
          part={part}
          hose_m={build.outside_m}
          finished={finished}
          onPart={put}
          onRemove={() => remove(part.id)}
        />
      ) : (
        <Fine style={{ marginTop: 8 }}>
          Touch a part to see where it sits and why; drag it, or move it with the arrow keys.
        </Fine>
      )}
    </Sheet>
  );
}

interface PartFormProps {
  readonly part: AlongPart;
  readonly hose_m: number;
  readonly finished: boolean;
  readonly onPart: (part: AlongPart) => void;
  readonly onRemove: () => void;
}

function PartForm({ part, finished, onPart, onRemove }: PartFormProps) {
  const isClip = part.kind === 'clip';
  return (
    <Stack $gap={8} style={{ marginTop: 10 }} role="group" aria-label={`Chosen: ${ALONG_NAMES[part.kind]}`}>
      <Spread>
        <strong>
          {ALONG_NAMES[part.kind].replace(/^./, (first) => first.toUpperCase())}
          {part.note ? `, ${part.note}` : ''}
        </strong>
        <Fine>{ALONG_REASON_NAMES[part.because]}</Fine>
      </Spread>
      <Beside>
        <QuantityEntry
          label={isClip ? 'Middle, from end A' : 'Begins, from end A'}
          value_SI={part.from_m}
          onValue={(from_m) => onPart({ ...part, from_m })}
        />
        {isClip ? (
          <>
            <QuantityEntry
              label="Hole of the clip"
              value_SI={part.clip_m}
              onValue={(clip_m) => onPart({ ...part, clip_m })}
              mayBeEmpty
            />
            <QuantityEntry
              label="Grommet in it, over all (empty: none)"
              value_SI={part.outside_m}
              onValue={(outside_m) => onPart({ ...part, outside_m })}
              mayBeEmpty
            />
          </>
        ) : (
          <>
            <QuantityEntry
              label="Its length"
              value_SI={part.length_m}
              onValue={(length_m) => onPart({ ...part, length_m })}
            />
            {part.kind === 'label' ? null : (
              <QuantityEntry
                label="Over all"
                value_SI={part.outside_m}
                onValue={(outside_m) => onPart({ ...part, outside_m })}
                mayBeEmpty
              />
            )}
          </>
        )}
        <TextField
          label={part.kind === 'label' ? 'What it says' : 'Note'}
          value={part.note}
          isDisabled={finished}
          onChange={(note) => onPart({ ...part, note })}
        />
      </Beside>
      {finished ? null : <TextButton onPress={onRemove}>take it off</TextButton>}
    </Stack>
  );
}

/** Hose, ends, and what has to be looked at once. */
export function MaterialSheet({ own, at, finished }: BuildSheetProps) {
  const { build, suggested, change } = at;
  const { reasons } = suggested;
  const [isOpen, setOpen] = useState(false);
  return (
    <Sheet aria-label="Hose and ends">
      <Spread>
        <SheetTitle>Hose and ends</SheetTitle>
        <TextButton onPress={() => setOpen(!isOpen)} aria-expanded={isOpen}>
          {isOpen ? 'close' : 'change'}
        </TextButton>
      </Spread>
      <MaterialWords build={build} />
      {isOpen ? (
        <Stack $gap={14} style={{ marginTop: 12 }}>
          <Beside>
            <QuantityEntry label="Bore" value_SI={build.bore_m} onValue={(bore_m) => change({ bore_m })} />
            <QuantityEntry
              label="Hose over all"
              value_SI={build.outside_m}
              onValue={(outside_m) => change({ outside_m })}
              error={build.outside_m > build.bore_m ? null : 'Must be more than the bore.'}
            />
            <Pick
              label="Hose over all is from"
              value={build.outsideFrom ?? 'example'}
              isDisabled={finished}
              options={choices(TAKE_OFF_SOURCES, TAKE_OFF_SOURCE_NAMES)}
              onChange={(outsideFrom) => change({ outsideFrom })}
            />
            <QuantityEntry
              label="Tolerance, either way"
              value_SI={build.tolerance_m}
              onValue={(tolerance_m) => change({ tolerance_m })}
            />
            <Pick
              label="Liner"
              value={build.liner}
              isDisabled={finished}
              options={choices(LINERS, LINER_NAMES)}
              onChange={(liner) => change({ liner })}
            />
            <Pick
              label="Braid"
              value={build.braid}
              isDisabled={finished}
              options={choices(BRAIDS, BRAID_NAMES)}
              onChange={(braid) => change({ braid })}
            />
            <Pick
              label="Cover"
              value={build.cover}
              isDisabled={finished}
              options={choices(COVERS, COVER_NAMES)}
              onChange={(cover) => change({ cover })}
            />
            <Pick
              label="Ends are"
              value={build.fixing}
              isDisabled={finished}
              options={choices(END_FIXINGS, FIXING_NAMES)}
              onChange={(fixing) => change({ fixing })}
            />
          </Beside>
          <Fine>
            Bore: {BUILD_REASON_NAMES[reasons.bore]}. Over all: {BUILD_REASON_NAMES[reasons.outside]}. Eyes:{' '}
            {BUILD_REASON_NAMES[reasons.eyes]}. The rest: {BUILD_REASON_NAMES[reasons.rest]}.
          </Fine>
          <Tick
            isSelected={build.madeHere}
            isDisabled={finished}
            onChange={(madeHere) => change({ madeHere, ...(madeHere ? { fixing: 'screwed' } : {}) })}
          >
            Made up here, from bulk hose and screwed ends
          </Tick>
          {(['endA', 'endB'] as const).map((end) => (
            <EndForm
              key={end}
              letter={end === 'endA' ? 'A' : 'B'}
              isEye={own.hose[end].family === 'banjo'}
              isBent={own.hose[end].neckAngle_rad !== 0}
              end={build[end]}
              finished={finished}
              onEnd={(next) => change({ [end]: next })}
            />
          ))}
          <SplitForm build={build} finished={finished} onBuild={change} />
        </Stack>
      ) : null}
    </Sheet>
  );
}

function MaterialWords({ build }: { readonly build: HoseBuild }) {
  const write = useWriter();
  return (
    <Fine>
      Bore {write.fineLength(build.bore_m)}, {LINER_NAMES[build.liner]} liner, {BRAID_NAMES[build.braid]}{' '}
      braid, {COVER_NAMES[build.cover]} cover, {write.fineLength(build.outside_m)} over all
      {isVouched(build.outsideFrom) ? '' : ' (assumed)'}; ends of {MATERIAL_NAMES[build.endA.material]}
      {build.endB.material === build.endA.material ? '' : ` and ${MATERIAL_NAMES[build.endB.material]}`},{' '}
      {FIXING_NAMES[build.fixing]}
      {build.madeHere ? ', made up here' : ''}.
    </Fine>
  );
}

interface EndFormProps {
  readonly letter: 'A' | 'B';
  readonly isEye: boolean;
  readonly isBent: boolean;
  readonly end: EndFitting;
  readonly finished: boolean;
  readonly onEnd: (end: EndFitting) => void;
}

const GROOVE: readonly { readonly value: 'ask' | 'yes' | 'no'; readonly text: string }[] = [
  { value: 'ask', text: 'not said' },
  { value: 'yes', text: 'it has one' },
  { value: 'no', text: 'it has none' },
];
const TURNABLE = [
  { value: 'ask', text: 'not asked' },
  { value: 'yes', text: 'yes, its maker says so' },
  { value: 'no', text: 'no' },
] as const;

function EndForm({ letter, isEye, isBent, end, finished, onEnd }: EndFormProps) {
  const set = (next: Partial<EndFitting>) => onEnd({ ...end, ...next });
  return (
    <Stack $gap={6} role="group" aria-label={`End ${letter}`}>
      <strong>End {letter}</strong>
      <Beside>
        <Pick
          label="Metal"
          value={end.material}
          isDisabled={finished}
          options={choices(JOINT_MATERIALS, MATERIAL_NAMES)}
          onChange={(material) => set({ material })}
        />
        {isEye ? (
          <QuantityEntry
            label="Hole of the eye"
            value_SI={end.eyeBore_m}
            onValue={(eyeBore_m) => set({ eyeBore_m })}
            mayBeEmpty
          />
        ) : null}
        {isEye && isBent ? (
          <Pick
            label="Its neck bends"
            value={end.bendPlane}
            isDisabled={finished}
            options={choices(BEND_PLANES, BEND_PLANE_NAMES)}
            onChange={(bendPlane) => set({ bendPlane })}
          />
        ) : null}
        {isEye ? (
          <QuantityEntry
            label="Neck round its bolt"
            kind="angle"
            allowZero
            value_SI={end.direction_rad}
            onValue={(direction_rad) => set({ direction_rad })}
            mayBeEmpty
          />
        ) : null}
        <Pick
          label="Turns on the hose"
          value={end.turnable === null ? 'ask' : end.turnable ? 'yes' : 'no'}
          isDisabled={finished}
          options={TURNABLE}
          onChange={(text) => set({ turnable: text === 'ask' ? null : text === 'yes' })}
        />
      </Beside>
      <Tick isSelected={end.tab} isDisabled={finished} onChange={(tab) => set({ tab })}>
        Locating tab or flat: it sits one way only
      </Tick>
      <Tick isSelected={end.bracket} isDisabled={finished} onChange={(bracket) => set({ bracket })}>
        Goes through a bracket
      </Tick>
      {end.bracket ? (
        <Beside>
          <Tick isSelected={end.knurled} isDisabled={finished} onChange={(knurled) => set({ knurled })}>
            It has a knurl that holds
          </Tick>
          <Tick
            isSelected={end.supportWasher}
            isDisabled={finished}
            onChange={(supportWasher) => set({ supportWasher })}
          >
            Support washer with it
          </Tick>
          <Pick
            label="Groove for the bracket’s clip"
            value={end.groove === undefined ? 'ask' : end.groove ? 'yes' : 'no'}
            isDisabled={finished}
            options={GROOVE}
            onChange={(text) => set({ groove: text === 'ask' ? undefined : text === 'yes' })}
          />
        </Beside>
      ) : null}
    </Stack>
  );
}

interface SplitFormProps {
  readonly build: HoseBuild;
  readonly finished: boolean;
  readonly onBuild: (next: Partial<HoseBuild>) => void;
}

const NEW_SPLIT = { builtOn: '', from: '', to: '', looked: false };
const isDay = (text: string) => /^\d{4}-\d{2}-\d{2}$/.test(text);

/** Days are kept once all three are there: half a date is nothing to compare. */
function SplitForm({ build, finished, onBuild }: SplitFormProps) {
  const [typed, setTyped] = useState(build.split ?? NEW_SPLIT);
  const [isOpen, setOpen] = useState(build.split !== null);
  const set = (next: Partial<typeof typed>) => {
    const split = { ...typed, ...next };
    setTyped(split);
    const isWhole = isDay(split.builtOn) && isDay(split.from) && isDay(split.to) && split.from <= split.to;
    onBuild({ split: isWhole ? split : null });
  };
  if (!isOpen)
    return (
      <TextButton because={finished ? CLOSED : null} onPress={() => setOpen(true)}>
        production changed over at some time
      </TextButton>
    );
  const isTurned = isDay(typed.from) && isDay(typed.to) && typed.from > typed.to;
  return (
    <Stack $gap={6} role="group" aria-label="Change of production">
      <strong>Change of production</strong>
      <Beside>
        {(
          [
            ['builtOn', 'This vehicle was built on'],
            ['from', 'Changed over from'],
            ['to', 'Changed over by'],
          ] as const
        ).map(([field, label]) => (
          <DayField
            key={field}
            label={label}
            value={typed[field]}
            isDisabled={finished}
            error={field === 'to' && isTurned ? 'Must not be before the first day.' : null}
            onChange={(day) => set({ [field]: day })}
          />
        ))}
      </Beside>
      <Tick isSelected={typed.looked} isDisabled={finished} onChange={(looked) => set({ looked })}>
        Looked at the vehicle: this is what it has
      </Tick>
    </Stack>
  );
}
