import fc from 'fast-check';
import type { LineBuild, LineChecks } from './build.ts';
import { BENDS_ONCE, judgeLine, LINE_MATERIALS, lineSteps, UNSEEN } from './build.ts';
import { FLARE_FORMS } from './forms.ts';
import type { Developed, HardLine } from './line.ts';

const made = (...straights_m: readonly number[]): Developed => ({
  straights_m,
  arcs_m: straights_m.slice(1).map(() => 0.02),
  centreline_m: 0.4,
  cut_m: 0.4127,
});
const GOOD: LineBuild = { material: 'copperNickel', formA: 'doubleFlare', formB: 'bubbleFlare' };
const idsOf = (change: Partial<LineBuild>, checks: Partial<LineChecks> = {}) =>
  judgeLine({ ...GOOD, ...change }, made(0.1, 0.1), { ...UNSEEN, ...checks }).map(({ id }) => id);

describe('what may go on a brake', () => {
  test('copper-nickel or steel with double or bubble flares, cut long enough, raises nothing', () => {
    expect(idsOf({})).toEqual([]);
    for (const material of LINE_MATERIALS)
      expect(idsOf({ material })).toEqual(material === 'copper' ? ['M47'] : []);
    expect(idsOf({}, { cutAs_m: 0.4127, nuts: 2, looksA: 'asPattern', looksB: 'asPattern' })).toEqual([]);
    expect(idsOf({}, { cutAs_m: 0.43 })).toEqual([]);
  });
  test('M46 names the end, M44 what is missing', () => {
    for (const form of FLARE_FORMS) {
      const refused = form === 'singleFlare' || form === 'compression';
      expect(idsOf({ formA: form })).toEqual(refused ? ['M46'] : []);
    }
    expect(judgeLine({ ...GOOD, formB: 'compression' }, made(0.1, 0.1))).toEqual([
      { id: 'M46', evidence: { end: 'B', form: 'compression' } },
    ]);
    expect(judgeLine(GOOD, made(0.1, 0.1), { ...UNSEEN, cutAs_m: 0.4 })).toEqual([
      { id: 'M44', evidence: { cut_m: 0.4, needed_m: 0.4127 } },
    ]);
  });
  test('M45 a nut is missing, M49 a flare is not like the pattern, M48 steel was bent back', () => {
    expect(idsOf({}, { nuts: 1 })).toEqual(['M45']);
    expect(idsOf({}, { looksA: 'cracked' })).toEqual(['M49']);
    expect(idsOf({}, { looksB: 'offCentre' })).toEqual(['M49']);
    expect(idsOf({ material: 'coatedSteel' }, { bentBack: [1] })).toEqual(['M48']);
    expect(idsOf({}, { bentBack: [1] })).toEqual([]);
  });
  test('what cannot be bent back is known', () => {
    expect(LINE_MATERIALS.filter((material) => BENDS_ONCE[material])).toEqual(['coatedSteel', 'stainless']);
  });
});

test('whatever the line, its order of work is one that can be done', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.01, max: 0.2, noNaN: true }), { minLength: 1, maxLength: 6 }),
      (straights_m) => {
        const bends = straights_m.slice(1).map(() => ({ angle_rad: 1, roll_rad: 0 }));
        const line = { bends } as unknown as HardLine;
        const steps = lineSteps(line, made(...straights_m), 0.05);
        const at = (kind: string, end?: 'A' | 'B') =>
          steps.findIndex(
            (step) => step.kind === kind && (end === undefined || ('end' in step && step.end === end)),
          );
        const firstBend = at('bend');
        for (const [end, straight_m] of [
          ['A', straights_m[0]],
          ['B', straights_m.at(-1)],
        ] as const) {
          // Both nuts before any end is closed: a nut does not go over a flare.
          expect(at('nut', 'A')).toBeLessThan(at('flare', end));
          expect(at('nut', 'B')).toBeLessThan(at('flare', end));
          if (bends.length > 0) expect(at('flare', end) < firstBend).toBe((straight_m ?? 0) < 0.05);
        }
        expect(steps.filter(({ kind }) => kind === 'bend')).toHaveLength(bends.length);
        expect(steps.filter(({ kind }) => kind === 'flare')).toHaveLength(2);
        expect(steps.at(-1)?.kind).toBe('cap');
        expect(at('mark') < firstBend || bends.length === 0).toBe(true);
      },
    ),
  );
});
