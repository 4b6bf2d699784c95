import { removeLine, startPattern } from '@zephyrcombe/core';
import fc from 'fast-check';
import type { EditorAction, EditorState } from './editorState.ts';
import { addPart, editorReducer, startEditor } from './editorState.ts';

let next = 0;
const newId = () => `n${(next += 1)}`;
const start = (): EditorState => {
  const [circuit] = startPattern('twinTee', { newId, drive: 'left', abs: false, rearEnd: 'banjo' });
  if (!circuit) throw new Error('no pattern');
  return startEditor(circuit);
};
const rename = (state: EditorState, name: string, field?: string): EditorAction => ({
  type: 'change',
  circuit: { ...state.circuit, name },
  ...(field === undefined ? {} : { field }),
});

describe('the drawing board', () => {
  test('whatever was done, undoing all of it gives the first circuit, and redoing all of it the last', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.boolean(), fc.string()), { maxLength: 30 }), (steps) => {
        const first = start();
        let state = first;
        for (const [remove, text] of steps) {
          const line = state.circuit.hoses[0];
          state = editorReducer(
            state,
            remove && line
              ? { type: 'change', circuit: removeLine(state.circuit, line.id) }
              : {
                  type: 'change',
                  circuit: addPart(state.circuit, newId, 'caliper', null).circuit,
                  field: text,
                },
          );
        }
        const last = state.circuit;
        for (let guard = 0; guard <= steps.length; guard += 1) state = editorReducer(state, { type: 'undo' });
        expect(state.circuit).toBe(first.circuit);
        for (let guard = 0; guard <= steps.length; guard += 1) state = editorReducer(state, { type: 'redo' });
        expect(state.circuit).toBe(last);
      }),
      { numRuns: 50 },
    );
  });

  test('letters typed into one field are one step of undo, another field is another', () => {
    const first = start();
    let state = editorReducer(first, rename(first, 'F', 'name'));
    state = editorReducer(state, rename(state, 'Fr', 'name'));
    state = editorReducer(state, rename(state, 'Fro', 'note'));
    expect(state.past).toHaveLength(2);
    state = editorReducer(state, { type: 'undo' });
    expect(state.circuit.name).toBe('Fr');
    expect(editorReducer(state, { type: 'undo' }).circuit).toBe(first.circuit);
  });

  test('a change after undo forgets what could have been redone', () => {
    const first = start();
    let state = editorReducer(first, rename(first, 'A'));
    state = editorReducer(state, { type: 'undo' });
    state = editorReducer(state, rename(state, 'B'));
    expect(state.future).toEqual([]);
    expect(editorReducer(state, { type: 'redo' })).toBe(state);
  });

  test('a selection that is gone is no selection, and comes not back as something else', () => {
    const first = start();
    const line = first.circuit.hoses[0];
    let state = editorReducer(first, { type: 'select', selection: { kind: 'line', id: line?.id ?? '' } });
    state = editorReducer(state, { type: 'change', circuit: removeLine(state.circuit, line?.id ?? '') });
    expect(state.selection).toBeNull();
  });

  test('what is added while a part is selected is joined to it; a nipple takes no line', () => {
    const { circuit } = start();
    const master = circuit.components.find((part) => part.kind === 'master');
    const joined = addPart(circuit, newId, 'caliper', { kind: 'part', id: master?.id ?? '' });
    expect(joined.circuit.hoses).toHaveLength(circuit.hoses.length + 1);
    const nipple = circuit.components.find((part) => part.kind === 'bleedNipple');
    const alone = addPart(circuit, newId, 'caliper', { kind: 'part', id: nipple?.id ?? '' });
    expect(alone.circuit.hoses).toHaveLength(circuit.hoses.length);
    expect(alone.circuit.components.find((part) => part.id === alone.select.id)?.name).toBe('Caliper 3');
  });
});
