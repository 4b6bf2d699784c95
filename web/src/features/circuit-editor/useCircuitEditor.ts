/** The drawing board of one circuit: what is on it, kept on this device until it is saved, and its way to the server. */
import type { Circuit, HydraulicsEntry, VehicleDetail } from '@zephyrcombe/contract';
import { hydraulicsOf } from '@zephyrcombe/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useReducer, useState } from 'react';
import type { ApiError, RequestOf } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { vehicleQuery } from '../../api/queries.ts';
import { useDraft } from '../../app/useDraft.ts';
import type { EditorAction, EditorState } from './editorState.ts';
import { editorReducer, startEditor } from './editorState.ts';

interface Draft {
  readonly version: number;
  readonly circuit: HydraulicsEntry;
}

/** Starts from a draft of before, the saved circuit one step of undo away. */
function begin(saved: HydraulicsEntry, draft: Draft | null): EditorState {
  const start = startEditor(saved);
  return draft === null ? start : { ...start, circuit: draft.circuit, past: [saved] };
}

export function useCircuitEditor(circuit: Circuit) {
  const client = useQueryClient();
  const [saved, setSaved] = useState(() => ({ version: circuit.version, circuit: hydraulicsOf(circuit) }));
  const [draft, setDraft, clearDraft] = useDraft<Draft | null>(`circuit.${circuit.id}`, null);
  const [isRestored, setRestored] = useState(draft !== null);
  const [state, reduce] = useReducer(editorReducer, null, () => begin(saved.circuit, draft));
  /** A draft that began on an older version is saved on that one: the server then shows both. */
  const version = draft?.version ?? saved.version;

  const dispatch = (action: EditorAction) => {
    const next = editorReducer(state, action);
    reduce(action);
    if (next.circuit === state.circuit) return;
    if (JSON.stringify(next.circuit) === JSON.stringify(saved.circuit)) clearDraft();
    else setDraft({ version, circuit: next.circuit as HydraulicsEntry });
  };

  const save = useMutation<VehicleDetail, ApiError, RequestOf<'saveCircuit'>>({
    mutationFn: (input) => call('saveCircuit', input),
    onSuccess: (detail, input) => {
      client.setQueryData(vehicleQuery(circuit.vehicleId).queryKey, detail);
      void client.invalidateQueries({ queryKey: ['job'] });
      void client.invalidateQueries({ queryKey: ['due'] });
      const now = detail.circuits.find((candidate) => candidate.id === circuit.id);
      if (now && input.body) setSaved({ version: now.version, circuit: input.body.hydraulics });
      clearDraft();
      setRestored(false);
    },
  });

  return {
    state,
    dispatch,
    save,
    isRestored,
    isChanged: draft !== null,
    send: (onVersion = version) =>
      save.mutate({
        params: { vehicleId: circuit.vehicleId, circuitId: circuit.id },
        body: { version: onVersion, hydraulics: state.circuit as HydraulicsEntry },
      }),
    /** The drawing as somebody else saved it; this one stays one step of undo away. */
    takeTheirs: (theirs: Circuit) => {
      const circuitOfTheirs = hydraulicsOf(theirs);
      setSaved({ version: theirs.version, circuit: circuitOfTheirs });
      reduce({ type: 'change', circuit: circuitOfTheirs });
      clearDraft();
      setRestored(false);
      save.reset();
    },
    discard: () => {
      reduce({ type: 'change', circuit: saved.circuit });
      clearDraft();
      setRestored(false);
    },
  };
}
