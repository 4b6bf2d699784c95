import type { PlanStep } from '@zephyrcombe/core/plan';
import { RULES } from '@zephyrcombe/core/plan';
import { RULE_REASONS, RULE_REMEDIES, stepDone, stepHow, stepTitle } from './fitting.ts';

const NAMES: Readonly<Record<string, string>> = { j: 'Front caliper', h: 'Front hose', a: 'ABS unit, in' };
const title = (step: PlanStep) => stepTitle(step, (id) => NAMES[id] ?? id);

test('a step says what it is about, in words that fit a sentence', () => {
  expect(title({ kind: 'crack', joint: 'j' })).toBe('Crack the front caliper, a quarter turn');
  expect(title({ kind: 'open', joint: 'j', by: 'turningHose' })).toBe(
    'Turn the hose out of the front caliper',
  );
  expect(title({ kind: 'cap', opening: 'port:a' })).toBe('Cap the port of the ABS unit, in');
  expect(title({ kind: 'uncap', opening: 'end:h:B' })).toBe('Take the cap off the end B of front hose');
  expect(title({ kind: 'join', joint: 'j', by: 'bolt', washers: 0 })).toBe('Join the front caliper by hand');
  expect(title({ kind: 'join', joint: 'j', by: 'bolt', washers: 2 })).toContain('2 new washers');
  expect(title({ kind: 'movement', lines: ['h'], poses: ['leftLock', 'fullDroop'], final: false })).toMatch(
    /^Look in every pose: /,
  );
  expect(stepDone({ kind: 'crack' })).toBe('Cracked');
});

test('where the work can hurt it says so', () => {
  const heat = stepHow({ kind: 'heat', joint: 'j', wearing: ['faceShield'] });
  expect(heat).toContain('Face shield');
  expect(heat).toContain('both lines open');
});

test.each(Object.keys(RULES) as (keyof typeof RULES)[])(
  'rule %s has a reason and a way out, as sentences',
  (rule) => {
    for (const words of [RULE_REASONS[rule], RULE_REMEDIES[rule]]) expect(words).toMatch(/^[A-Z].{8,}\.$/);
  },
);
