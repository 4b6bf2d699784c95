import { oneLine } from '@zephyrcombe/contract';
import fc from 'fast-check';
import { CORNER_PATTERNS, mirrored, PATTERN_CORNERS } from '@zephyrcombe/core';
import type { RouteState } from './benchState.ts';
import { readRoute, routeReducer, startState, withHose, writeRoute } from './benchState.ts';

const fork = startState(PATTERN_CORNERS.fork, 'fork');
const longer = (state: RouteState, by_m: number, field = 'length') =>
  routeReducer(state, {
    type: 'change',
    corner: withHose(state, (hose) => ({ ...hose, length_m: hose.length_m + by_m })),
    field,
  });
const lengthOf = (state: RouteState) => state.corner.hoses[0]?.length_m;

test('one drag is one step of undo, and can be redone', () => {
  let state = longer(longer(longer(fork, 0.001), 0.001), 0.001);
  expect(state.past).toHaveLength(1);
  state = longer(routeReducer(state, { type: 'rest' }), 0.001);
  expect(state.past).toHaveLength(2);
  state = routeReducer(state, { type: 'undo' });
  expect(lengthOf(state)).toBeCloseTo(0.713, 9);
  state = routeReducer(routeReducer(state, { type: 'undo' }), { type: 'undo' });
  expect(state.corner).toBe(PATTERN_CORNERS.fork);
  state = routeReducer(routeReducer(routeReducer(state, { type: 'redo' }), { type: 'redo' }), {
    type: 'redo',
  });
  expect(lengthOf(state)).toBeCloseTo(0.714, 9);
});

test('a pose stays within the movement, also when the movement shrinks or another corner comes', () => {
  const far = routeReducer(fork, { type: 'pose', pose: { across: 9, down: -9 } });
  expect(far.pose.across).toBeCloseTo((32 * Math.PI) / 180, 9);
  expect(far.pose.down).toBe(0);
  const bumped = routeReducer(fork, { type: 'pose', pose: { across: 0.1, down: 0.12 } });
  const { rig } = bumped.corner;
  if (rig.kind !== 'fork') throw new Error('not a fork');
  const stiff = routeReducer(bumped, {
    type: 'change',
    corner: { ...bumped.corner, rig: { ...rig, travel_m: 0.05 } },
    field: 'travel',
  });
  expect(stiff.pose).toEqual({ across: 0.1, down: 0.05 });
  const other = routeReducer(bumped, { type: 'load', corner: PATTERN_CORNERS.swingArm, pattern: 'swingArm' });
  expect(other).toMatchObject({ hoseId: 'rear', pose: { across: 0, down: 0 } });
  expect(routeReducer(other, { type: 'undo' }).hoseId).toBe('front');
});

test('an address holds everything: pattern by name, a changed corner whole', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...CORNER_PATTERNS),
      fc.boolean(),
      fc.double({ min: 0.001, max: 0.05, noNaN: true }),
      fc.string({ minLength: 1, maxLength: 20, unit: 'grapheme' }),
      (pattern, other, by_m, name) => {
        const corner = other ? mirrored(PATTERN_CORNERS[pattern]) : PATTERN_CORNERS[pattern];
        const changed = longer(startState({ ...corner, name: oneLine(`a ${name} b`) }, pattern), by_m);
        const { state, wrong } = readRoute(writeRoute(changed, new URLSearchParams()));
        expect(wrong).toBeNull();
        expect(state.corner).toEqual(JSON.parse(JSON.stringify(changed.corner)));
        expect(state.hoseId).toBe(changed.hoseId);
      },
    ),
  );
  for (const pattern of CORNER_PATTERNS) {
    const query = writeRoute(startState(PATTERN_CORNERS[pattern], pattern), new URLSearchParams());
    expect(query.has('route')).toBe(false);
    expect(readRoute(query).state).toEqual(startState(PATTERN_CORNERS[pattern], pattern));
  }
});

test('what makes no sense in an address starts with the fork and says what is wrong', () => {
  expect(readRoute(new URLSearchParams('of=hovercraft'))).toEqual({ state: fork, wrong: null });
  const torn = readRoute(new URLSearchParams('route=abc&across=x'));
  expect(torn.state.corner).toBe(PATTERN_CORNERS.fork);
  expect(torn.wrong).not.toBeNull();
  const [hose] = PATTERN_CORNERS.fork.hoses;
  const bad = { ...PATTERN_CORNERS.fork, hoses: [{ ...hose, length_m: -1 }] };
  const text = btoa(JSON.stringify(bad));
  expect(readRoute(new URLSearchParams({ route: text })).wrong).toMatch(/hoses\.0\.length_m/);
});

test('a route is given to a hose of the vehicle and taken from it; two routes are never of one hose', () => {
  const given = routeReducer(fork, { type: 'assign', from: 'front', to: { id: 'h1', name: 'Front hose' } });
  expect(given.hoseId).toBe('h1');
  expect(given.corner.hoses[0]).toMatchObject({ id: 'h1', name: 'Front hose', length_m: 0.71 });
  const taken = routeReducer(given, { type: 'assign', from: 'h1', to: null });
  expect(taken).toMatchObject({ hoseId: 'route 1', corner: { hoses: [{ name: 'Front hose' }] } });
  expect(routeReducer(routeReducer(taken, { type: 'undo' }), { type: 'undo' }).corner).toEqual(fork.corner);
  const [first] = fork.corner.hoses;
  if (!first) throw new Error('no hose');
  const two = startState({ ...fork.corner, hoses: [first, { ...first, id: 'other' }] }, null);
  expect(routeReducer(two, { type: 'assign', from: 'other', to: { id: 'front', name: 'x' } })).toBe(two);
});

// Found by the journey that types into three fields in a row: the second took the first one's figure back.
test('edits of a table that lags behind are made on the corner as it is by then', () => {
  const raised = routeReducer(fork, {
    type: 'edit',
    edit: (corner) => ({ ...corner, name: `${corner.name}, raised` }),
    field: 'name',
  });
  const both = routeReducer(longer(raised, 0.01), {
    type: 'edit',
    edit: (corner) => ({ ...corner, name: `${corner.name} again` }),
    field: 'name',
  });
  expect(both.corner.name).toBe('Fork, lever to caliper, raised again');
  expect(lengthOf(both)).toBeCloseTo(0.72, 9);
});

test('choosing another hose takes the hand off the drawing: nothing of the one before is shown with it', () => {
  const start = startState(PATTERN_CORNERS.fork, 'fork');
  const dragged = routeReducer(start, {
    type: 'change',
    corner: { ...start.corner, name: 'dragged' },
    field: 'front length',
  });
  expect(dragged.inHand).toBe(true);
  expect(routeReducer(dragged, { type: 'hose', hoseId: start.hoseId }).inHand).toBe(false);
});
