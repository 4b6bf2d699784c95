import { CORNER_PATTERNS, mirrored, PATTERN_CORNERS } from '@zephyrcombe/core';
import { readCsv, writeCsv } from './sceneCsv.ts';

const lineOf = (csv: string, start: string) => csv.split('\n').find((line) => line.startsWith(start)) ?? '';

test.each(CORNER_PATTERNS)('%s goes out as a table and comes back as it was', (pattern) => {
  const corner = PATTERN_CORNERS[pattern];
  const other = mirrored(corner);
  const { corner: read, left, taken } = readCsv(writeCsv(corner), other);
  expect(left).toEqual([]);
  expect(taken).toBe(writeCsv(corner).split('\n').length - 1);
  // Eye axes and sizes are not points: they stay as the corner had them.
  for (const [index, hose] of read.hoses.entries()) {
    const { start, end, clips } = corner.hoses[index] ?? hose;
    expect(hose.start.port_m).toEqual(start.port_m);
    expect(hose.end.outward).toEqual(end.outward);
    expect(hose.clips).toEqual(clips);
  }
  expect(read.keepOuts.map(({ solid }) => solid)).toEqual(
    corner.keepOuts.map(({ solid }) => (solid.shape === 'ring' ? { ...solid } : solid)),
  );
  expect(read.rig).toEqual(corner.rig);
});

test('a measured point replaces its own; what cannot be read is told with its line', () => {
  const corner = PATTERN_CORNERS.fork;
  const head = lineOf(writeCsv(corner), 'point');
  const {
    corner: read,
    taken,
    left,
  } = readCsv(
    `${head}
"Front hose, far end",sliders,220,-95.5,430,,,
"Front hose, first end",bars,x,1,2,,,
"Front hose, first end",roof,1,1,2,,,
Lamp,bars,1,2,3,,,
"Front hose, first end",bars,1,1,2,0,0,0
`,
    corner,
  );
  expect(taken).toBe(1);
  expect(read.hoses[0]?.end.port_m).toEqual([0.22, -0.0955, 0.43]);
  expect(read.hoses[0]?.end.outward).toEqual(corner.hoses[0]?.end.outward);
  expect(read.hoses[0]?.start).toEqual(corner.hoses[0]?.start);
  expect(left).toEqual([
    expect.stringMatching(/^Line 3, Front hose, first end: x, y and z/),
    expect.stringMatching(/^Line 4, .*“roof”/),
    expect.stringMatching(/^Line 5: .*“Lamp”/),
    expect.stringMatching(/^Line 6, .*point somewhere/),
  ]);
});

test('a table without its headings changes nothing', () => {
  const corner = PATTERN_CORNERS.strut;
  expect(readCsv('a,b\n1,2', corner)).toEqual({
    corner,
    taken: 0,
    left: [expect.stringContaining('point, body, x_mm')],
  });
});
