/** What is on the drawing board: the circuit, the ones before and after it, what is selected, and where a line is led from. */
import type { Hydraulics } from '@zephyrcombe/core';
import { addComponent, connect } from '@zephyrcombe/core';
import type { Body, ComponentKind, NewId } from '@zephyrcombe/core';
import type { HistoryAction } from '../../app/history.ts';
import { historyReducer } from '../../app/history.ts';

export interface Selection {
  readonly kind: 'part' | 'joint' | 'line';
  readonly id: string;
}

export interface EditorState {
  readonly circuit: Hydraulics;
  readonly past: readonly Hydraulics[];
  readonly future: readonly Hydraulics[];
  readonly selection: Selection | null;
  readonly leadingFrom: string | null;
  /** Changes of one field follow each other into one step of undo. */
  readonly field: string | null;
}

export type EditorAction =
  | {
      readonly type: 'change';
      readonly circuit: Hydraulics;
      readonly select?: Selection | null;
      readonly field?: string;
    }
  | { readonly type: 'undo' }
  | { readonly type: 'redo' }
  | { readonly type: 'select'; readonly selection: Selection | null }
  | { readonly type: 'lead'; readonly from: string | null }
  | { readonly type: 'load'; readonly circuit: Hydraulics };

export const startEditor = (circuit: Hydraulics): EditorState => ({
  circuit,
  past: [],
  future: [],
  selection: null,
  leadingFrom: null,
  field: null,
});

export function editorReducer(state: EditorState, action: EditorAction): EditorState {
  switch (action.type) {
    case 'change': {
      if (action.circuit === state.circuit) return { ...state, leadingFrom: null };
      const selection = action.select === undefined ? state.selection : action.select;
      const { field } = action;
      return stepped(
        { ...state, selection },
        { type: 'change', to: () => action.circuit, ...(field === undefined ? {} : { field }) },
      );
    }
    case 'undo':
    case 'redo':
      return stepped(state, action);
    case 'select':
      return { ...state, selection: action.selection, leadingFrom: null, field: null };
    case 'lead':
      return { ...state, leadingFrom: action.from };
    case 'load':
      return startEditor(action.circuit);
  }
}

/** A step forward or back, with what is still there of what was selected. */
function stepped(state: EditorState, action: HistoryAction<Hydraulics>): EditorState {
  const { circuit: now, past, future, field } = state;
  const before = { now, past, future, field };
  const after = historyReducer(before, action);
  if (after === before) return state;
  return {
    circuit: after.now,
    past: after.past,
    future: after.future,
    field: after.field,
    selection: still(after.now, state.selection),
    leadingFrom: null,
  };
}

/** A selection of something that is gone is no selection. */
function still(circuit: Hydraulics, selection: Selection | null): Selection | null {
  if (selection === null) return null;
  const among = { part: circuit.components, joint: circuit.joints, line: circuit.hoses }[selection.kind];
  return among.some((item) => item.id === selection.id) ? selection : null;
}

const USUAL_BODY: Partial<Record<ComponentKind, Body>> = {
  caliper: 'forkLower',
  wheelCylinder: 'axle',
  master: 'handlebar',
};
const WORDS: Partial<Record<ComponentKind, string>> = {
  master: 'Master',
  absUnit: 'ABS unit',
  junction: 'Junction',
  bracket: 'Bracket',
  caliper: 'Caliper',
  wheelCylinder: 'Wheel cylinder',
};

/** A new part, joined by a hose to the part that was selected, if that one takes lines. */
export function addPart(
  circuit: Hydraulics,
  newId: NewId,
  kind: ComponentKind,
  selection: Selection | null,
): { readonly circuit: Hydraulics; readonly select: Selection } {
  const word = WORDS[kind] ?? 'Part';
  const others = circuit.components.filter((part) => part.kind === kind).length;
  const name = others === 0 ? word : `${word} ${others + 1}`;
  const added = addComponent(circuit, newId, kind, name, USUAL_BODY[kind] ?? 'frame');
  const select: Selection = { kind: 'part', id: added.componentId };
  if (selection?.kind !== 'part') return { circuit: added.circuit, select };
  return { circuit: connect(added.circuit, newId, selection.id, added.componentId).circuit, select };
}

/** Whether lines can be led from here. */
export const takesLines = (kind: ComponentKind): boolean =>
  kind !== 'bleedNipple' && kind !== 'reservoir' && kind !== 'pressureSwitch';
