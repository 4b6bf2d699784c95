import type { Obstacle } from '@zephyrcombe/workshop';
import { createWriter } from './writer.ts';
import { IMPERIAL, METRIC } from '@zephyrcombe/core';
import { changeText, obstacleText } from './obstacleText.ts';

/** One of every code; a new one fails to compile until it has one. */
const EXAMPLES: { readonly [Code in Obstacle['code']]: Extract<Obstacle, { code: Code }> } = {
  fitWaits: {
    code: 'fitWaits',
    step: { step: { kind: 'crack', joint: 'j' }, names: { j: 'Front caliper' } },
    before: { step: { kind: 'clean', joint: 'j' }, names: { j: 'Front caliper' } },
    rule: 'PR4',
  },
  fitNotPlanned: {
    code: 'fitNotPlanned',
    step: { step: { kind: 'open', joint: 'j', by: 'nut' }, names: { j: 'Front caliper' } },
    instead: { step: { kind: 'open', joint: 'j', by: 'turningHose' }, names: { j: 'Front caliper' } },
    rule: 'OF7',
  },
  fitRecordedElsewhere: {
    code: 'fitRecordedElsewhere',
    step: { step: { kind: 'byFeel', joint: 'j' }, names: { j: 'Front caliper' } },
  },
  fitNotLast: {
    code: 'fitNotLast',
    step: { step: { kind: 'coverPaint' }, names: {} },
  },
  fitStepsLeft: {
    code: 'fitStepsLeft',
    steps: [{ step: { kind: 'closeCover', cover: 'c' }, names: { c: 'Tank' } }],
  },
  fitImpossible: {
    code: 'fitImpossible',
    rules: ['FL1', 'OF8'],
    demands: [],
    subjects: ['Front caliper'],
    rule: 'OF8',
  },
  endsNotConfirmed: { code: 'endsNotConfirmed' },
  notLookedOver: { code: 'notLookedOver' },
  notMeasured: { code: 'notMeasured', hose: 'Front hose' },
  notSpecified: { code: 'notSpecified', hose: 'Front hose' },
  changedSinceSpecified: {
    code: 'changedSinceSpecified',
    hose: 'Front hose',
    changes: [{ path: ['jointA', 'bolt', 'thread'], before: 'M10×1.0', after: 'M10×1.25' }],
  },
  changedSinceMeasured: {
    code: 'changedSinceMeasured',
    hose: 'Front hose',
    changes: [{ path: ['checks', 'leftLock'], before: true, after: false }],
  },
  changedSinceTorqued: {
    code: 'changedSinceTorqued',
    joint: 'Front caliper',
    changes: [{ path: ['bolt', 'material'], before: 'steel', after: 'aluminium' }],
  },
  changedSinceQuoted: { code: 'changedSinceQuoted' },
  boxReturned: { code: 'boxReturned', hose: 'Front hose' },
  boxUndecided: { code: 'boxUndecided', hose: 'Front hose' },
  boxNotAsOrdered: { code: 'boxNotAsOrdered', hose: 'Front hose' },
  changedSinceBox: {
    code: 'changedSinceBox',
    hose: 'Front hose',
    changes: [{ path: ['ordered', 'length_m'], before: 0.742, after: 0.76 }],
  },
  changedSinceProved: {
    code: 'changedSinceProved',
    hose: 'Front hose',
    changes: [{ path: ['clocking_rad'], before: 0, after: 0.6 }],
  },
  boxNotCome: { code: 'boxNotCome' },
  boxNotOpened: { code: 'boxNotOpened', hose: 'Front hose' },
  boltUsedUp: { code: 'boltUsedUp', joint: 'Front caliper' },
  movesOtherwise: { code: 'movesOtherwise', hose: 'Front hose' },
  portNotSeen: { code: 'portNotSeen', joint: 'Front caliper', facts: ['thread', 'depth_m'] },
  leverSinks: { code: 'leverSinks', circuit: 'Front brake', creep_m: 0.004, fades: false },
  lineOpen: { code: 'lineOpen', joints: ['Front caliper'] },
  reservoirEmptied: { code: 'reservoirEmptied' },
  airSaid: { code: 'airSaid' },
  drewBackByLever: { code: 'drewBackByLever' },
  drewBackBySuction: { code: 'drewBackBySuction' },
  ranDry: { code: 'ranDry', by: 'seen' },
  openedAgain: { code: 'openedAgain', joints: ['Front caliper'] },
  jointsLeftOpen: {
    code: 'jointsLeftOpen',
    job: 'New front hose',
    at: '2026-11-20T10:00:00.000Z',
    joints: ['Front caliper'],
  },
  jointsOpenElsewhere: { code: 'jointsOpenElsewhere', job: 'New front hose', joints: ['Front caliper'] },
  itemsLeftOff: {
    code: 'itemsLeftOff',
    job: 'New front hose',
    at: '2026-11-20T10:00:00.000Z',
    items: ['Clip at the fork'],
  },
  itemsNotOn: { code: 'itemsNotOn', items: ['Bracket at the fork leg'] },
  lineNotMeasured: { code: 'lineNotMeasured', line: 'Hard line, front left' },
  lineNotMade: { code: 'lineNotMade', line: 'Hard line, front left' },
  lineNotSeen: { code: 'lineNotSeen', line: 'Hard line, front left', unseen: ['nuts', 'looksB'] },
  changedSinceMade: {
    code: 'changedSinceMade',
    line: 'Hard line, front left',
    changes: [{ path: ['build', 'formA'], before: 'doubleFlare', after: 'bubbleFlare' }],
  },
  notProved: { code: 'notProved', hose: 'Front hose' },
  madeUpAlready: { code: 'madeUpAlready', hose: 'Front hose' },
  notMadeHere: { code: 'notMadeHere', hose: 'Front hose' },
  nothingToOrder: { code: 'nothingToOrder' },
  notQuoted: { code: 'notQuoted' },
  nothingOrdered: { code: 'nothingOrdered' },
  notHandTight: { code: 'notHandTight', joint: 'Front caliper' },
  tightenedTooFar: { code: 'tightenedTooFar', joint: 'Front caliper', seal: 'banjo' },
  reservoirEmpty: { code: 'reservoirEmpty', strokesOver: 3 },
  sharedReservoirEmpty: { code: 'sharedReservoirEmpty', strokesOver: 1, others: ['Diagonal 2'] },
  jointsNotTorqued: { code: 'jointsNotTorqued', joints: ['Master', 'Left caliper'] },
  jointsNotDry: { code: 'jointsNotDry', joints: ['Master'] },
  nipplesNotClear: { code: 'nipplesNotClear', nipples: ['Left caliper nipple'] },
};

test.each(Object.values(EXAMPLES))('$code is said in a sentence, with the way out', (obstacle) => {
  const { what, wayOut } = obstacleText(obstacle, createWriter(METRIC));
  for (const sentence of [what, wayOut]) {
    expect(sentence).toMatch(/^[A-Z].*\.$/);
    // No name of a field or a code reaches a person.
    expect(sentence).not.toMatch(/_m\b|_rad\b|[a-z][A-Z]|undefined|NaN|\[object/);
  }
});

test('a change is told by its place, in the reader’s units', () => {
  const change = { path: ['jointB', 'bolt', 'length_m'], before: 0.0254, after: null };
  expect(changeText(change, createWriter(METRIC)).replace(/\s/g, ' ')).toBe(
    'joint at end B, bolt, length: 25.4 mm → nothing',
  );
  expect(changeText(change, createWriter(IMPERIAL)).replace(/\s/g, ' ')).toBe(
    'joint at end B, bolt, length: 1.000 in → nothing',
  );
  expect(changeText({ path: ['clocking_rad'], before: 0, after: Math.PI / 2 }, createWriter(METRIC))).toMatch(
    /0.* → 90/,
  );
  const datum = { path: ['datum', 'endA'], before: 'eyeCentre', after: 'ferruleFace' };
  expect(changeText(datum, createWriter(METRIC))).toMatch(/^datum, end A: eye centre → ferrule/);
  const routes = [
    ['3f', '9c', 'the route kept with the vehicle: as it was → another one'],
    ['none', '9c', 'the route kept with the vehicle: none → one is kept'],
    ['3f', 'none', 'the route kept with the vehicle: as it was → none'],
  ] as const;
  for (const [before, after, text] of routes)
    expect(changeText({ path: ['route'], before, after }, createWriter(METRIC))).toBe(text);
  const from = { path: ['endA', 'takeOffsFrom'], before: 'example', after: 'makersData' };
  expect(changeText(from, createWriter(METRIC))).toBe(
    'end A, where the take-offs come from: an example of ours → the maker’s sheet',
  );
  const seat = { path: ['jointA', 'port', 'seat'], before: 'flatWasherFace', after: 'invertedFlare' };
  expect(changeText(seat, createWriter(METRIC))).toBe(
    'joint at end A, port, seat: flat washer face → inverted flare',
  );
  expect(
    changeText({ path: ['build', 'madeHere'], before: false, after: true }, createWriter(METRIC)),
  ).toMatch(/: no → yes$/);
});
