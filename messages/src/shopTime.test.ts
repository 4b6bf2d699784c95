import { METRIC } from '@zephyrcombe/core';
import { createWriter } from './writer.ts';
import { dayIn, timeIn } from '@zephyrcombe/contract';

/** Offsets from the IANA time zone database: Auckland UTC+13 in January, Honolulu UTC−10, London UTC+1 in July. */
const CASES = [
  { zone: 'Pacific/Auckland', at: '2026-01-14T12:30:00.000Z', day: '2026-01-15', time: '01:30' },
  { zone: 'Pacific/Honolulu', at: '2026-01-01T09:15:00.000Z', day: '2025-12-31', time: '23:15' },
  { zone: 'Europe/London', at: '2026-07-31T23:05:00.000Z', day: '2026-08-01', time: '00:05' },
  { zone: 'UTC', at: '2026-07-31T23:05:00.000Z', day: '2026-07-31', time: '23:05' },
];

describe('the shop’s calendar day', () => {
  it.each(CASES)('of $at in $zone is $day, $time', ({ zone, at, day, time }) => {
    expect(dayIn(zone, new Date(at))).toBe(day);
    expect(timeIn(zone, new Date(at))).toBe(time);
  });

  it('is what a writer writes for an instant; a calendar date stays as it is in any zone', () => {
    const write = createWriter(METRIC, 'Pacific/Auckland');
    expect(write.date('2026-01-14T12:30:00.000Z')).toBe('15 January 2026');
    expect(write.moment('2026-01-14T12:30:00.000Z')).toBe('15 Jan 2026, 01:30');
    for (const zone of ['Pacific/Auckland', 'Pacific/Honolulu'])
      expect(createWriter(METRIC, zone).date('2026-01-14')).toBe('14 January 2026');
  });
});
