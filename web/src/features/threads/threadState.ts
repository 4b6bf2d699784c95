/** What is being read off a thread, as it stands in the address: a link shows a colleague the same readings. */
import type {
  HandOutcome,
  ThreadCondition,
  ThreadGender,
  ThreadQuestion,
  ThreadReading,
  ThreadTool,
} from '@zephyrcombe/core';
import {
  HAND_OUTCOMES,
  THREAD_CONDITIONS,
  THREAD_GENDERS,
  THREAD_TOOLS,
  threadNamed,
  TOOL_FACTS,
} from '@zephyrcombe/core';
import { readQuantity } from '../../quantities/QuantityField.tsx';

export interface HandTry {
  readonly bolt: string;
  readonly outcome: HandOutcome;
}

export interface ThreadState {
  readonly gender: ThreadGender;
  readonly condition: ThreadCondition;
  /** As typed, with its unit. */
  readonly diameter: string;
  readonly diameterTool: ThreadTool;
  readonly span: string;
  readonly pitches: number;
  readonly spanTool: ThreadTool;
  /** Threads counted along a rule or comb, and over which length. */
  readonly count: string;
  readonly within: string;
  readonly tries: readonly HandTry[];
}

export const EMPTY_STATE: ThreadState = {
  gender: 'external',
  condition: 'clean',
  diameter: '',
  diameterTool: 'calliper',
  span: '',
  pitches: 5,
  spanTool: 'calliper',
  count: '',
  within: '1 in',
  tries: [],
};

const oneOf = <Value extends string>(
  values: readonly Value[],
  text: string | null,
  otherwise: Value,
): Value => values.find((value) => value === text) ?? otherwise;

/** Tools that read this on this kind of thread. */
export const toolsFor = (kind: 'diameter' | 'span', gender: ThreadGender): readonly ThreadTool[] =>
  THREAD_TOOLS.filter(
    (tool) => TOOL_FACTS[tool].reads.includes(kind) && TOOL_FACTS[tool].on.includes(gender),
  );

/** From the address; what does not make sense there is left at its start. */
export function readState(query: URLSearchParams): ThreadState {
  const gender = oneOf(THREAD_GENDERS, query.get('of'), EMPTY_STATE.gender);
  const pitches = Number(query.get('n'));
  return {
    gender,
    condition: oneOf(THREAD_CONDITIONS, query.get('state'), EMPTY_STATE.condition),
    diameter: query.get('d') ?? '',
    diameterTool: oneOf(toolsFor('diameter', gender), query.get('dWith'), 'calliper'),
    span: query.get('s') ?? '',
    pitches: Number.isInteger(pitches) && pitches >= 1 && pitches <= 40 ? pitches : EMPTY_STATE.pitches,
    spanTool: oneOf(toolsFor('span', gender), query.get('sWith'), 'calliper'),
    count: query.get('count') ?? '',
    within: query.get('in') ?? EMPTY_STATE.within,
    tries: query.getAll('try').flatMap((text): HandTry[] => {
      const [bolt = '', outcome] = text.split('~');
      const known = HAND_OUTCOMES.find((candidate) => candidate === outcome);
      const designation = threadNamed(bolt)?.designation;
      return known && designation ? [{ bolt: designation, outcome: known }] : [];
    }),
  };
}

/** Into the address, over what else stands there; what is at its start is left out. */
export function writeState(state: ThreadState, onto: URLSearchParams): URLSearchParams {
  const query = new URLSearchParams(onto);
  const put = (name: string, value: string, start: string) =>
    value === start ? query.delete(name) : query.set(name, value);
  put('of', state.gender, EMPTY_STATE.gender);
  put('state', state.condition, EMPTY_STATE.condition);
  put('d', state.diameter, '');
  put('dWith', state.diameterTool, EMPTY_STATE.diameterTool);
  put('s', state.span, '');
  put('n', String(state.pitches), String(EMPTY_STATE.pitches));
  put('sWith', state.spanTool, EMPTY_STATE.spanTool);
  put('count', state.count, '');
  put('in', state.within, EMPTY_STATE.within);
  query.delete('try');
  for (const { bolt, outcome } of state.tries) query.append('try', `${bolt}~${outcome}`);
  return query;
}

/** The readings that can be read already; what is still being typed waits. Hand starts count for a port only. */
export function questionOf(state: ThreadState): ThreadQuestion {
  const readings: ThreadReading[] = [];
  const diameter = readQuantity(state.diameter, 'length').quantity;
  if (diameter) {
    const { uncertainty_m, jawFlat_m } = TOOL_FACTS[state.diameterTool];
    readings.push({ kind: 'diameter', diameter_m: diameter.value_SI, uncertainty_m, jawFlat_m });
  }
  const span = readQuantity(state.span, 'length').quantity;
  if (span) {
    const { uncertainty_m } = TOOL_FACTS[state.spanTool];
    readings.push({ kind: 'span', span_m: span.value_SI, pitches: state.pitches, uncertainty_m });
  }
  const within = readQuantity(state.within, 'length').quantity;
  const threads = wholeThreads(state.count);
  if (within && threads !== null) readings.push({ kind: 'count', threads, within_m: within.value_SI });
  if (state.gender === 'internal') {
    readings.push(...state.tries.map((tried) => ({ kind: 'handStart' as const, ...tried })));
  }
  return { gender: state.gender, condition: state.condition, readings };
}

/** A count of threads is a whole number; anything else is still being typed. */
export const wholeThreads = (text: string): number | null =>
  /^\d{1,3}$/.test(text.trim()) && Number(text) > 0 ? Number(text) : null;
