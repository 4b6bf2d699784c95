/** Source: ISO 6789-2, twelve months (from memory). */
import { judgeTorqueAttempt } from '../procedure/torqueGate.ts';
import { judgeCalibration } from './calibration.ts';

test.each([
  ['2025-12-01', '2026-12-01', 'fresh'],
  ['2025-11-30', '2026-12-01', 'stale'],
  ['2024-02-29', '2025-02-28', 'fresh'],
  ['2024-02-29', '2025-03-01', 'stale'],
  ['2026-11-30', '2026-12-01', 'fresh'],
  [null, '2026-12-01', 'unknown'],
  ['2026-12-02', '2026-12-01', 'unknown'],
])('calibrated on %p, used on %p: %s', (calibratedOn, today, expected) => {
  expect(judgeCalibration(calibratedOn, today)).toBe(expected);
});

const attempt = (calibratedOn: string | null, wrenchMaximum_Nm: number) => {
  const judged = judgeTorqueAttempt({
    seal: 'banjo',
    eyes: 1,
    freshWashers: 2,
    reading_Nm: 20,
    range: { minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker' },
    wrenchMaximum_Nm,
    calibration: { calibratedOn, today: '2026-12-01' },
  });
  return judged.ok ? judged.cautions : null;
};

test('M72: a wrench whose year is over is not trusted, though its range holds the torque; one of unknown date is not refused', () => {
  expect(attempt('2026-06-02', 25)).toEqual([]);
  expect(attempt(null, 25)).toEqual([]);
  expect(attempt('2025-06-02', 25)).toMatchObject([
    { id: 'M72', evidence: { calibratedOn: '2025-06-02', isInRange: true } },
  ]);
  expect(attempt('2026-06-02', 110)).toMatchObject([{ id: 'M72', evidence: { isInRange: false } }]);
  expect(attempt('2025-06-02', 110)).toMatchObject([
    { id: 'M72', evidence: { calibratedOn: '2025-06-02', isInRange: false } },
  ]);
});
