/** A circuit put together and corrected on its own drawing. */
import type { Circuit, Vehicle } from '@zephyrcombe/contract';
import { CircuitSchema } from '@zephyrcombe/contract';
import { COMPONENT_NAMES } from '@zephyrcombe/messages';
import type { ComponentKind, FluidGrade } from '@zephyrcombe/core';
import { BROKEN, canBeLaidOut, circuitFaults, FLUID_GRADES } from '@zephyrcombe/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { vehicleQuery } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useUndoKeys } from '../../app/useUndoKeys.ts';
import { useCrumb } from '../../app/crumb.ts';
import { newId } from '../../app/newId.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import {
  Columns,
  Fine,
  Head,
  Label,
  Line,
  Page,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
} from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { PHONE, SIZE, colour } from '../../design/tokens.ts';
import { CircuitCanvas } from './CircuitCanvas.tsx';
import type { Selection } from './editorState.ts';
import { addPart } from './editorState.ts';
import { FaultList } from './FaultList.tsx';
import { JointPanel } from './JointPanel.tsx';
import { LinePanel } from './LinePanel.tsx';
import { PartPanel } from './PartPanel.tsx';
import { useCircuitEditor } from './useCircuitEditor.ts';

const ADDABLE = [
  'caliper',
  'wheelCylinder',
  'junction',
  'bracket',
  'absUnit',
  'master',
] as const satisfies readonly ComponentKind[];

const Tools = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  padding: 6px 0;
  button {
    min-height: 44px;
    font-size: ${SIZE.text};
  }
  .gap {
    flex: 1;
  }
  .what {
    color: ${colour('inkSoft')};
    font-size: ${SIZE.small};
  }
  ${PHONE} {
    gap: 2px 12px;
  }
`;

export function CircuitEditorPage() {
  const { vehicleId = '', circuitId = '' } = useParams();
  const query = useQuery(vehicleQuery(vehicleId));
  const circuit = query.data?.circuits.find((candidate) => candidate.id === circuitId);
  useCrumb(query.data && circuit ? `${query.data.vehicle.name}: ${circuit.name}` : null);
  if (query.isPending) return <Page aria-busy="true" />;
  if (query.isError) {
    return (
      <Page>
        <LoadProblem error={query.error} onRetry={() => void query.refetch()} />
      </Page>
    );
  }
  if (!circuit) {
    return (
      <Page>
        <Stack>
          <Head>This circuit is not there</Head>
          <Fine>
            It was removed, or the address is wrong.{' '}
            <Link to={`/vehicles/${vehicleId}`}>Back to the vehicle</Link>
          </Fine>
        </Stack>
      </Page>
    );
  }
  const others = query.data.circuits.filter(({ id }) => id !== circuit.id);
  return <Editor key={circuit.id} vehicle={query.data.vehicle} circuit={circuit} others={others} />;
}

interface EditorProps {
  readonly vehicle: Vehicle;
  readonly circuit: Circuit;
  readonly others: readonly Circuit[];
}

function Editor({ vehicle, circuit: stored, others }: EditorProps) {
  const editor = useCircuitEditor(stored);
  const { state, dispatch, save, isChanged } = editor;
  const { circuit, selection } = state;
  const faults = useMemo(() => circuitFaults(circuit), [circuit]);
  const cannotBeSaved =
    faults.some((fault) => BROKEN.has(fault.code)) ||
    namelessPart(circuit) ||
    circuit.joints.some((joint) => joint.torque.minimum_Nm > joint.torque.maximum_Nm);

  useUndoKeys(
    () => dispatch({ type: 'undo' }),
    () => dispatch({ type: 'redo' }),
  );

  const add = (kind: ComponentKind) => {
    const made = addPart(circuit, newId, kind, selection);
    dispatch({ type: 'change', circuit: made.circuit, select: made.select });
  };
  const show = (id: string) => {
    const kind: Selection['kind'] = circuit.hoses.some((hose) => hose.id === id)
      ? 'line'
      : circuit.joints.some((joint) => joint.id === id)
        ? 'joint'
        : 'part';
    dispatch({ type: 'select', selection: { kind, id } });
  };
  const theirs =
    save.error?.code === 'stale-write' ? CircuitSchema.safeParse(save.error.details?.current) : null;

  return (
    <Page>
      <Spread>
        <div>
          <Head>{circuit.name}</Head>
          <Fine>
            <Link to={`/vehicles/${vehicle.id}`}>{vehicle.name}</Link>. Pull from a part to another to lead a
            hose; touch anything to change it.
          </Fine>
        </div>
        <Line>
          {canBeLaidOut(circuit) && !isChanged ? (
            <Link to={`/vehicles/${vehicle.id}/circuits/${stored.id}/layouts`}>Compare layouts</Link>
          ) : null}
          <PrimaryButton
            isPending={save.isPending}
            because={
              !isChanged
                ? 'Nothing has been changed.'
                : cannotBeSaved
                  ? 'The circuit has to hang together first: see what is wrong beside it.'
                  : null
            }
            onPress={() => editor.send()}
          >
            {isChanged ? 'Save the circuit' : 'Saved'}
          </PrimaryButton>
        </Line>
      </Spread>
      <Tools role="toolbar" aria-label="Drawing">
        <span className="what">{selection?.kind === 'part' ? 'Add and join' : 'Add'}</span>
        {ADDABLE.map((kind) => (
          <TextButton key={kind} onPress={() => add(kind)}>
            {COMPONENT_NAMES[kind]}
          </TextButton>
        ))}
        <span className="gap" />
        <PlainButton
          isQuiet
          because={state.past.length === 0 ? 'Nothing to undo.' : null}
          onPress={() => dispatch({ type: 'undo' })}
        >
          Undo
        </PlainButton>
        <PlainButton
          isQuiet
          because={state.future.length === 0 ? 'Nothing to redo.' : null}
          onPress={() => dispatch({ type: 'redo' })}
        >
          Redo
        </PlainButton>
      </Tools>
      <Columns>
        <Stack>
          {editor.isRestored ? (
            <Notice severity="note" title="Your unsaved drawing is back">
              <Line>
                <TextButton onPress={editor.discard}>Go back to what is saved</TextButton>
              </Line>
            </Notice>
          ) : null}
          {theirs?.success ? (
            <Notice severity="warn" title="Somebody else saved this drawing while you worked" live>
              <p>{differenceText(circuit, theirs.data)}</p>
              <Line style={{ marginTop: 8 }}>
                <PlainButton onPress={() => editor.send(theirs.data.version)}>Keep mine</PlainButton>
                <PlainButton onPress={() => editor.takeTheirs(theirs.data)}>Take theirs</PlainButton>
              </Line>
            </Notice>
          ) : (
            <SaveProblem save={save} />
          )}
          <CircuitCanvas state={state} dispatch={dispatch} faults={faults} />
          {state.leadingFrom === null ? null : (
            <Fine role="status">
              Where does the hose lead? Touch the part, or walk to it with the arrows and press Enter. Escape
              lets go.
            </Fine>
          )}
          <FaultList faults={faults} onShow={show} />
        </Stack>
        <Stack $gap={16}>
          <Inspector editor={editor} others={others} />
          <Sheet>
            <SheetTitle>The circuit</SheetTitle>
            <Stack $gap={10}>
              <TextField
                label="Name"
                value={circuit.name}
                onChange={(name) =>
                  dispatch({ type: 'change', circuit: { ...circuit, name }, field: 'circuit name' })
                }
                error={circuit.name.trim() === '' ? 'A circuit needs a name.' : null}
              />
              <Pick<FluidGrade>
                label="Fluid, as the cap says"
                value={circuit.fluidGrade}
                options={FLUID_GRADES.map((grade) => ({ value: grade, text: grade }))}
                onChange={(fluidGrade) => dispatch({ type: 'change', circuit: { ...circuit, fluidGrade } })}
              />
            </Stack>
          </Sheet>
        </Stack>
      </Columns>
    </Page>
  );
}

interface InspectorProps {
  readonly editor: ReturnType<typeof useCircuitEditor>;
  readonly others: readonly Circuit[];
}

function Inspector({ editor, others }: InspectorProps) {
  const { state, dispatch } = editor;
  const { circuit, selection } = state;
  const onChange = (next: typeof circuit, field?: string) =>
    dispatch({ type: 'change', circuit: next, ...(field === undefined ? {} : { field }) });
  const part =
    selection?.kind === 'part' ? circuit.components.find(({ id }) => id === selection.id) : undefined;
  const line = selection?.kind === 'line' ? circuit.hoses.find(({ id }) => id === selection.id) : undefined;
  const joint =
    selection?.kind === 'joint' ? circuit.joints.find(({ id }) => id === selection.id) : undefined;
  const port = circuit.ports.find(({ id }) => id === joint?.portId);
  if (part)
    return (
      <PartPanel
        key={part.id}
        circuit={circuit}
        part={part}
        others={others}
        onChange={onChange}
        onLead={() => dispatch({ type: 'lead', from: part.id })}
      />
    );
  if (line) return <LinePanel key={line.id} circuit={circuit} line={line} onChange={onChange} />;
  if (joint && port)
    return (
      <JointPanel
        key={joint.id}
        circuit={circuit}
        joint={joint}
        port={port}
        onChange={onChange}
        finder={
          <Label>
            Not sure? <Link to={`/bench/threads?of=${port.gender}`}>Find it with a calliper</Link>
          </Label>
        }
      />
    );
  return (
    <Sheet>
      <SheetTitle>Nothing selected</SheetTitle>
      <Fine>
        Touch a part, a joint or a line. With a part selected, what you add is joined to it. Keys on the
        drawing: arrows walk, Enter selects, C leads a hose, J cuts a junction in, H makes a hard line of a
        hose, N puts a nipple on, Delete removes, Ctrl+Z undoes.
      </Fine>
    </Sheet>
  );
}

const namelessPart = (circuit: {
  readonly name: string;
  readonly components: readonly { readonly name: string }[];
  readonly hoses: readonly { readonly name: string }[];
}) =>
  circuit.name.trim() === '' ||
  [...circuit.components, ...circuit.hoses].some((part) => part.name.trim() === '');

/** In a sentence, what the other drawing has that this one has not, and the other way round. */
function differenceText(
  mine: {
    readonly components: readonly { readonly id: string; readonly name: string }[];
    readonly hoses: readonly { readonly id: string; readonly name: string }[];
  },
  theirs: Circuit,
): string {
  const parts = (of: typeof mine) => [...of.components, ...of.hoses];
  const missing = (from: typeof mine, inOther: typeof mine) =>
    parts(from)
      .filter((part) => !parts(inOther).some((other) => other.id === part.id))
      .map((part) => part.name);
  const onlyTheirs = missing(theirs, mine);
  const onlyMine = missing(mine, theirs);
  return [
    onlyTheirs.length > 0 ? `Only in theirs: ${onlyTheirs.join(', ')}.` : '',
    onlyMine.length > 0 ? `Only in yours: ${onlyMine.join(', ')}.` : '',
    onlyTheirs.length + onlyMine.length === 0 ? 'Both have the same parts; their figures differ.' : '',
  ]
    .filter((sentence) => sentence !== '')
    .join(' ');
}
