/** Which rows of the catalogue are played; `npm run mistakes` plays them. */
import { MISTAKES } from '@zephyrcombe/core';
import { ON_THE_BENCH, ROWS } from './rows.ts';

test('every row of the catalogue is played once, but for what the bench says alone', () => {
  const played = ROWS.map(({ id }) => id);
  const ways = ROWS.map(({ id, way = '' }) => `${id} ${way}`);
  expect(new Set(ways).size).toBe(ways.length);
  expect(played.length).toBeGreaterThanOrEqual(60);
  const claimed = Object.keys(MISTAKES).filter((id) => !(id in ON_THE_BENCH));
  expect(claimed.filter((id) => !(played as string[]).includes(id))).toEqual([]);
});
