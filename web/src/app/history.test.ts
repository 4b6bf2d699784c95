import fc from 'fast-check';
import type { History, HistoryAction } from './history.ts';
import { historyReducer, startHistory } from './history.ts';

const run = (actions: readonly HistoryAction<number>[], from = startHistory(0)): History<number> =>
  actions.reduce(historyReducer, from);
const set = (value: number, field?: string): HistoryAction<number> => ({
  type: 'change',
  to: () => value,
  ...(field === undefined ? {} : { field }),
});

test('a drag is one step, and the next drag another', () => {
  const state = run([set(1, 'point 1'), set(2, 'point 1'), { type: 'rest' }, set(3, 'point 1')]);
  expect(state.past).toEqual([0, 2]);
  expect(run([{ type: 'undo' }, { type: 'undo' }], state).now).toBe(0);
});

test('a change that changes nothing is no step', () => {
  expect(run([set(0)]).past).toEqual([]);
});

test('whatever was done, undoing it all and doing it again ends where it was', () => {
  fc.assert(
    fc.property(fc.array(fc.integer()), (values) => {
      const done = run(values.map((value) => set(value)));
      const back = run(
        done.past.map(() => ({ type: 'undo' as const })),
        done,
      );
      expect(back.now).toBe(0);
      expect(
        run(
          back.future.map(() => ({ type: 'redo' as const })),
          back,
        ).now,
      ).toBe(done.now);
    }),
  );
});
