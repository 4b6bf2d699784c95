import { readDirection } from './direction.ts';

test.each([
  [
    ['100 mm', '', ''],
    [0.1, 0, 0],
  ],
  [
    ['-4 in', '0 mm', '50 mm'],
    [-0.1016, 0, 0.05],
  ],
  [['', '', ''], null],
  [['100', '', ''], null],
  [['far', '1 mm', ''], null],
] as const)('%j is %j', (texts, direction) => {
  const read = readDirection(texts);
  if (direction === null) expect(read).toBeNull();
  else expect(read).toEqual(direction.map((value) => expect.closeTo(value, 9) as unknown));
});
