import fc from 'fast-check';
import { minorDiameter_m, profile } from './profile.ts';

describe('drawn profile', () => {
  const sizes = [
    fc.double({ min: 5e-3, max: 15e-3, noNaN: true }),
    fc.constantFrom(1e-3, 1.25e-3, 1.5e-3),
  ] as const;
  test('flanks stand at 30° to the normal of the axis (ISO 68-1)', () => {
    fc.assert(
      fc.property(...sizes, (major_m, pitch_m) => {
        const [, crest, root] = profile(major_m, pitch_m, 3);
        if (!crest || !root) throw new Error('too short');
        const angle = Math.atan2(root.along_m - crest.along_m, crest.radius_m - root.radius_m);
        expect((angle * 180) / Math.PI).toBeCloseTo(30, 6);
      }),
    );
  });
  test('it runs between minor and major diameter and repeats every pitch', () => {
    fc.assert(
      fc.property(...sizes, fc.integer({ min: 2, max: 8 }), (major_m, pitch_m, pitches) => {
        const points = profile(major_m, pitch_m, pitches);
        const radii = points.map((point) => point.radius_m);
        expect(Math.max(...radii)).toBe(major_m / 2);
        expect(Math.min(...radii)).toBe(minorDiameter_m(major_m, pitch_m) / 2);
        for (const [index, point] of points.slice(1, -5).entries()) {
          const next = points[index + 5];
          expect((next?.along_m ?? 0) - point.along_m).toBeCloseTo(pitch_m, 9);
        }
        expect(points.at(-1)?.along_m).toBeCloseTo(pitches * pitch_m, 12);
      }),
    );
  });
});
