/** What is known of a part: its name, what it moves with, how high it sits, and what a master's sheet says. */
import type { Body, ComponentKind, HydraulicComponent, Hydraulics } from '@zephyrcombe/core';
import {
  attachPart,
  BODIES,
  changeComponent,
  COMPONENT_KINDS,
  knowingOf,
  removeComponent,
  withKnown,
} from '@zephyrcombe/core';
import { namesInLine } from '@zephyrcombe/contract';
import { BODY_NAMES, COMPONENT_NAMES, FACT_NAMES } from '@zephyrcombe/messages';
import { newId } from '../../app/newId.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Fine, Line, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { CountStrokes } from '../known/CountStrokes.tsx';
import { KnownPick } from '../known/KnownPick.tsx';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { takesLines } from './editorState.ts';

export interface PanelProps {
  readonly circuit: Hydraulics;
  /** `field` gathers the letters of one entry into one step of undo. */
  readonly onChange: (circuit: Hydraulics, field?: string) => void;
}

/** Another circuit of the vehicle: a part of this one may be one of its. */
export interface OtherCircuit {
  readonly name: string;
  readonly components: readonly HydraulicComponent[];
}

interface PartPanelProps extends PanelProps {
  readonly part: HydraulicComponent;
  readonly others: readonly OtherCircuit[];
  readonly onLead: () => void;
}

const STANDING = COMPONENT_KINDS.filter(takesLines);

export function PartPanel({ circuit, part, others, onChange, onLead }: PartPanelProps) {
  const set = (change: Partial<HydraulicComponent>, field?: string) =>
    onChange(changeComponent(circuit, part.id, change), field && `${part.id} ${field}`);
  const attached = circuit.components.filter((other) => other.attachedTo === part.id);
  const reservoir = attached.find((other) => other.kind === 'reservoir');
  const nipples = attached.filter((other) => other.kind === 'bleedNipple');
  return (
    <Sheet>
      <SheetTitle>{COMPONENT_NAMES[part.kind]}</SheetTitle>
      <Stack $gap={10}>
        <TextField
          label="Name"
          value={part.name}
          onChange={(name) => set({ name }, 'name')}
          error={part.name.trim() === '' ? 'A part needs a name.' : null}
        />
        <Pick<ComponentKind>
          label="What it is"
          value={part.kind}
          options={STANDING.map((kind) => ({ value: kind, text: COMPONENT_NAMES[kind] }))}
          onChange={(kind) => set({ kind })}
        />
        <Pick<Body>
          label="Moves with"
          value={part.body}
          options={BODIES.map((body) => ({ value: body, text: BODY_NAMES[body] }))}
          onChange={(body) => set({ body })}
        />
        {SHARED.includes(part.kind) ? (
          <SameAs part={part} others={others} onSame={(sameAs) => set({ sameAs })} />
        ) : null}
        {reservoir ? (
          <SameAs
            part={reservoir}
            others={others}
            onSame={(sameAs) => onChange(changeComponent(circuit, reservoir.id, { sameAs }))}
          />
        ) : null}
        <QuantityEntry
          key={`${part.id} height`}
          label="Height above the floor (to find where air gathers)"
          kind="length"
          value_SI={part.height_m}
          onValue={(height_m) => set({ height_m }, 'height')}
          mayBeEmpty
        />
        {part.kind === 'master' ? (
          <>
            <QuantityEntry
              key={`${part.id} bore`}
              label="Bore, as cast on it"
              kind="length"
              value_SI={part.masterBore_m}
              onValue={(masterBore_m) => set({ masterBore_m }, 'bore')}
              mayBeEmpty
            />
            <HowKnown part={part} fact="masterBore_m" onPart={set} />
            <QuantityEntry
              key={`${part.id} stroke`}
              label="Travel at the lever’s or pedal’s end"
              kind="length"
              value_SI={part.leverStroke_m}
              onValue={(leverStroke_m) => set({ leverStroke_m }, 'stroke')}
              mayBeEmpty
            />
            <HowKnown part={part} fact="leverStroke_m" onPart={set} />
            <RatioField value={part.leverRatio} onValue={(leverRatio) => set({ leverRatio }, 'ratio')} />
            <HowKnown part={part} fact="leverRatio" onPart={set} />
          </>
        ) : null}
        {reservoir ? (
          <QuantityEntry
            key={reservoir.id}
            label="Reservoir, full mark to minimum"
            kind="volume"
            value_SI={reservoir.usable_m3}
            onValue={(usable_m3) =>
              onChange(changeComponent(circuit, reservoir.id, { usable_m3 }), `${reservoir.id} usable`)
            }
            mayBeEmpty
          />
        ) : null}
        {reservoir ? (
          <HowKnown
            part={reservoir}
            fact="usable_m3"
            onPart={(change) => onChange(changeComponent(circuit, reservoir.id, change))}
          />
        ) : null}
        {reservoir && part.kind === 'master' ? (
          <CountStrokes
            key={`${part.id} count`}
            master={part}
            reservoir={reservoir}
            onPart={(id, change) => onChange(changeComponent(circuit, id, change))}
          />
        ) : null}
        <Fine>
          {nipples.length === 0
            ? 'No bleed nipple on it.'
            : nipples.length === 1
              ? 'One bleed nipple on it.'
              : `${nipples.length} bleed nipples on it.`}
        </Fine>
        <Line>
          {takesLines(part.kind) ? <PlainButton onPress={onLead}>Add a hose from here</PlainButton> : null}
          <TextButton onPress={() => onChange(attachPart(circuit, newId, part.id, 'bleedNipple'))}>
            Add a nipple
          </TextButton>
          {part.kind === 'master' && !reservoir ? (
            <TextButton onPress={() => onChange(attachPart(circuit, newId, part.id, 'reservoir'))}>
              Add its reservoir
            </TextButton>
          ) : null}
          {part.kind === 'master' && !attached.some((other) => other.kind === 'pressureSwitch') ? (
            <TextButton onPress={() => onChange(attachPart(circuit, newId, part.id, 'pressureSwitch'))}>
              Add a stop-lamp switch
            </TextButton>
          ) : null}
          {nipples.length > 0 ? (
            <TextButton onPress={() => onChange(removeComponent(circuit, nipples.at(-1)?.id ?? ''))}>
              Take a nipple off
            </TextButton>
          ) : null}
        </Line>
        <div>
          <TextButton onPress={() => onChange(removeComponent(circuit, part.id))}>
            Take {part.name || 'it'} and its lines out
          </TextButton>
        </div>
      </Stack>
    </Sheet>
  );
}

interface HowKnownProps {
  readonly part: HydraulicComponent;
  readonly fact: 'masterBore_m' | 'leverStroke_m' | 'leverRatio' | 'usable_m3';
  readonly onPart: (change: Partial<HydraulicComponent>) => void;
}

function HowKnown({ part, fact, onPart }: HowKnownProps) {
  return (
    <KnownPick
      label={`The ${FACT_NAMES[fact]} is`}
      knowing={knowingOf(part, fact)}
      onKnown={(how) => onPart({ known: withKnown(part, [fact], how).known })}
    />
  );
}

/** What two circuits may have between them. */
const SHARED: readonly ComponentKind[] = ['master', 'absUnit'];

interface SameAsProps {
  readonly part: HydraulicComponent;
  readonly others: readonly OtherCircuit[];
  readonly onSame: (sameAs: string | null) => void;
}

/** Whether a part is one with a part of another circuit: drawn twice, and one on the vehicle. */
function SameAs({ part, others, onSame }: SameAsProps) {
  const kind = COMPONENT_NAMES[part.kind].toLowerCase();
  const using = others.filter(({ components }) => components.some(({ sameAs }) => sameAs === part.id));
  if (using.length > 0)
    return (
      <Fine>
        One {kind} with {namesInLine(using.map(({ name }) => name)).toLowerCase()}: what is changed here is
        changed there.
      </Fine>
    );
  const choices = others.flatMap(({ name, components }) =>
    components
      .filter((other) => other.kind === part.kind && (other.sameAs ?? null) === null)
      .map((other) => ({ value: other.id, text: `${name}: ${other.name}` })),
  );
  if (choices.length === 0) return null;
  return (
    <Pick
      label={`This ${kind} is`}
      value={part.sameAs ?? ''}
      options={[{ value: '', text: 'this circuit’s own' }, ...choices]}
      onChange={(chosen) => onSame(chosen === '' ? null : chosen)}
    />
  );
}

function RatioField({
  value,
  onValue,
}: {
  readonly value: number | null;
  readonly onValue: (value: number | null) => void;
}) {
  const text = value === null ? '' : String(value);
  return (
    <TextField
      label="Lever or pedal ratio (travel at the end for travel at the piston)"
      value={text}
      onChange={(typed) => {
        const number = Number(typed.replace(',', '.'));
        if (typed.trim() === '') onValue(null);
        else if (number > 0 && number <= 20) onValue(number);
      }}
    />
  );
}
