import { PATTERN_CORNERS } from '@zephyrcombe/core';
import { keptRoutes, NO_ROUTE, routeMark } from './route.ts';

const corner = PATTERN_CORNERS.strut;
const [hose] = corner.hoses;
if (!hose) throw new Error('no hose');
const CLIP = { id: 'tie', body: 'frame', point_m: [0, 0, 0.5], along: [1, 0, 0], at_m: 0.1 } as const;
const markOf = (...corners: (typeof corner)[]) =>
  routeMark({ routes: [...keptRoutes(corners, [hose.id])] }, hose.id);

test('the mark of a route changes with what its hose is judged by, and with nothing else', () => {
  const mark = markOf(corner);
  expect(mark).toMatch(/^[0-9a-f]{64}$/);
  const named = { ...corner, name: 'Another name', hoses: [{ ...hose, name: 'Hose', length_m: 0.9 }] };
  expect(markOf(named)).toBe(mark);
  expect(markOf(JSON.parse(JSON.stringify(corner)) as typeof corner)).toBe(mark);
  // Of several corners with the same hose the first counts.
  expect(markOf(corner, { ...corner, keepOuts: [] })).toBe(mark);
  for (const other of [
    { ...corner, keepOuts: corner.keepOuts.slice(1) },
    { ...corner, hoses: [{ ...hose, leastRadius_m: hose.leastRadius_m + 0.001 }] },
    { ...corner, hoses: [{ ...hose, clips: [CLIP] }] },
    { ...corner, hoses: [{ ...hose, end: { ...hose.end, port_m: hose.start.port_m } }] },
  ])
    expect(markOf(other)).not.toBe(mark);
});

test('a hose whose route the vehicle does not keep says so', () => {
  expect(keptRoutes([corner], ['another hose'])).toEqual([]);
  expect(routeMark({ routes: [] }, hose.id)).toBe(NO_ROUTE);
});
