import type { Caution } from '@zephyrcombe/core';
import { IMPERIAL, METRIC, parseQuantity } from '@zephyrcombe/core';
import { PROBLEM_TEXTS } from './apiProblems.ts';
import { addressOf, API_PROBLEM_CODES, PROBLEM_STATUS, ROUTES } from '@zephyrcombe/contract';
import { cautionText } from './cautions.ts';
import { datumName } from './names.ts';
import { parseFailureText, problemText } from './problems.ts';
import { createWriter, writeDate } from './writer.ts';

const metric = createWriter(METRIC);
const imperial = createWriter(IMPERIAL);

describe('sentences', () => {
  const over: Caution = { id: 'M71', evidence: { reading_Nm: 21.7, maximum_Nm: 21 } };

  test('speak the reader’s units', () => {
    expect(cautionText(over, metric).title).toBe('21.7\u2009N·m is over the 21.0\u2009N·m limit');
    expect(cautionText(over, imperial).title).toContain('lbf·ft');
  });

  test('say what a bare number could be', () => {
    const parsed = parseQuantity('8.5', 'length');
    expect(!parsed.ok && parseFailureText(parsed, 'length')).toBe('8.5 of what? Choose mm, cm, m, in or ft.');
  });

  test('name the field and the way out', () => {
    const text = problemText(
      { code: 'torqueImplausible', field: 'reading_Nm', reading_Nm: 300, maximum_Nm: 21 },
      metric,
    );
    expect(text).toContain('300.0\u2009N·m');
    expect(text).toContain('unit');
    expect(problemText({ code: 'notPositive', field: 'length_m', value: -1 }, metric)).toContain(
      'The length must be more than nothing',
    );
  });

  test('read a datum out loud', () => {
    expect(datumName({ endA: 'eyeCentre', endB: 'threadEnd' })).toBe('eye centre to thread end');
    expect(datumName({ endA: 'behindNeck', endB: 'behindNeck' })).toBe('behind the necks');
  });

  test('keep a thin washer thin', () => {
    expect(metric.length(0.0015)).toBe('1.5\u2009mm');
    expect(metric.length(0.742)).toBe('742\u2009mm');
    expect(imperial.length(0.001)).toBe('0.039\u2009in');
    expect(writeDate('2026-11-03')).toBe('3 November 2026');
  });
});

describe('catalogue and routes', () => {
  test('every problem has an HTTP error status and sentences', () => {
    for (const code of API_PROBLEM_CODES) {
      const status = PROBLEM_STATUS[code];
      const { title, detail } = PROBLEM_TEXTS[code];
      expect(status).toBeGreaterThanOrEqual(400);
      expect(status).toBeLessThan(600);
      expect(title.length + detail.length).toBeGreaterThan(20);
    }
  });

  test('no two routes answer the same request', () => {
    const requests = Object.values(ROUTES).map((route) => `${route.method} ${route.path}`);
    expect(new Set(requests).size).toBe(requests.length);
  });

  test('an address needs its parameters', () => {
    expect(addressOf('getJob', { jobId: 'a b' })).toBe('/api/jobs/a%20b');
    expect(() => addressOf('getJob')).toThrow('jobId');
  });
});
