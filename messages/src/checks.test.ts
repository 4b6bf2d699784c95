import { METRIC, MISTAKES, SEAL_KINDS } from '@zephyrcombe/core';
import { cautionText } from './cautions.ts';
import { createWriter } from './writer.ts';
import { firstOutingText, handoverNames, vehicleWords, WITNESS_MARK_NAMES } from './checks.ts';

const master = (body: 'frame' | 'handlebar') => ({ components: [{ kind: 'master' as const, body }] });
describe('words that fit the vehicle', () => {
  test('van and car say pedal and drive', () => {
    for (const kind of ['van', 'car'] as const) {
      const words = vehicleWords({ kind, abs: true }, master('frame'));
      const said = [...Object.values(handoverNames(words)), firstOutingText(words)].join(' ');
      expect(said).not.toMatch(/lever|ride\b/i);
      expect(said).toMatch(/pedal/);
    }
  });

  test('a motorcycle says lever at the bars, and pedal where the foot works the master', () => {
    const front = vehicleWords({ kind: 'motorcycle', abs: false }, master('handlebar'));
    expect(firstOutingText(front)).toMatch(/^Pump the lever/);
    expect(firstOutingText(front)).toMatch(/first ride\.$/);
    expect(vehicleWords({ kind: 'motorcycle', abs: false }, master('frame')).control).toBe('pedal');
    expect(vehicleWords({ kind: 'motorcycle', abs: false }, { components: [] }).control).toBe('lever');
  });

  test('ABS is asked only where there is one, in the tick and in its caution', () => {
    for (const abs of [true, false]) {
      const names = handoverNames(vehicleWords({ kind: 'motorcycle', abs }, master('handlebar')));
      expect(/ABS/.test(names.warningLampOff)).toBe(abs);
      const { advice } = cautionText({ id: 'M94', evidence: { abs } }, createWriter(METRIC, 'UTC'));
      expect(/ABS/.test(advice)).toBe(abs);
    }
    expect(MISTAKES.M94.severity).toBe('stop');
  });

  test('only an eye is marked across bolt and eye', () => {
    for (const seal of SEAL_KINDS)
      expect(/bolt and eye/.test(WITNESS_MARK_NAMES[seal])).toBe(seal === 'banjo');
  });
});
