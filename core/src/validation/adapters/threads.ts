import { threadNamed } from '../../threads/catalogue.ts';
import { findThread } from '../../threads/find.ts';
import {
  minorDiameter_m,
  pitchDiameter_m,
  rootDiameter_m,
  stressArea_m2,
  triangleHeight_m,
} from '../../threads/profile.ts';
import type { ThreadReading } from '../../threads/reading.ts';
import type { Adapter, Answers } from '../adapter.ts';
import { figure, mm, Refused, text, valueOf } from '../adapter.ts';
import type { Fields } from '../case.ts';

const SOURCE =
  'ISO 68-1, ISO 724, ISO 898-1 (closed form); ISO 965-1 and ASME B1.1 from memory, confirmed by their formulae';

/** The catalogue's spelling as reference files have it: M10×1.0 is M10x1. */
const plain = (designation: string) => designation.replace('×', 'x').replace(/\.0$/, '');

const limit = (low_m: number, high_m: number, per = 1000) => [low_m * per, high_m * per];

function basics(inputs: Fields): Answers {
  const d = mm(figure(inputs, 'd'));
  const P = mm(figure(inputs, 'P'));
  const thread = threadNamed(text(inputs, 'name', `M${d * 1000}x${P * 1000}`));
  return {
    H: triangleHeight_m(P) * 1000,
    d2: pitchDiameter_m(d, P) * 1000,
    d3: rootDiameter_m(d, P) * 1000,
    D1: minorDiameter_m(d, P) * 1000,
    As: stressArea_m2(d, P) * 1e6,
    ...(thread
      ? {
          ext_6g_major: limit(thread.external.major.low_m, thread.external.major.high_m),
          int_6H_minor: limit(thread.internal.minor.low_m, thread.internal.minor.high_m),
        }
      : {}),
  };
}

function inch(inputs: Fields): Answers {
  const name = text(inputs, 'name', `${figure(inputs, 'major_in', 0)}-${figure(inputs, 'tpi', 0)}`);
  const thread = threadNamed(name);
  if (!thread) throw new Refused(`no thread ${name}`);
  const [external, internal] = [thread.external.major, thread.internal.minor];
  const inches = 1 / 0.0254;
  return {
    major_mm: thread.major_m * 1000,
    P_mm: thread.pitch_m * 1000,
    D1_mm: minorDiameter_m(thread.major_m, thread.pitch_m) * 1000,
    D1_in: minorDiameter_m(thread.major_m, thread.pitch_m) * inches,
    d2_in: pitchDiameter_m(thread.major_m, thread.pitch_m) * inches,
    ext_2A_major_in: limit(external.low_m, external.high_m, inches),
    ext_2A_major: limit(external.low_m, external.high_m),
    int_2B_minor_in: limit(internal.low_m, internal.high_m, inches),
    int_2B_minor: limit(internal.low_m, internal.high_m),
  };
}

function identified(inputs: Fields): Answers {
  const readings: ThreadReading[] = [
    {
      kind: 'diameter',
      diameter_m: mm(figure(inputs, 'diameter_mm')),
      uncertainty_m: mm(figure(inputs, 'u_diam', 0.05)),
      jawFlat_m: 0,
    },
  ];
  if (typeof inputs.span_mm === 'number')
    readings.push({
      kind: 'span',
      span_m: mm(inputs.span_mm),
      pitches: figure(inputs, 'n_pitches'),
      uncertainty_m: mm(figure(inputs, 'u_span', 0.05)),
    });
  const gender = text(inputs, 'kind') === 'internal' ? 'internal' : 'external';
  const { candidates } = valueOf(findThread({ gender, condition: 'clean', readings }));
  const possible = candidates
    .filter((candidate) => candidate.possible)
    .map(({ thread }) => plain(thread.designation));
  return { top: possible[0] ?? null, consistent: possible, ambiguous_with: possible.slice(1) };
}

const FROM_TABLES = { absolute: 0.0006 };

export const threadAdapters: readonly Adapter[] = [
  {
    kind: 'identification',
    group: 'threads',
    needs: ['diameter_mm', 'kind'],
    answer: identified,
    source: SOURCE,
  },
  {
    kind: 'metric',
    group: 'threads',
    needs: ['d', 'P'],
    answer: basics,
    tolerances: { ext_6g_major: FROM_TABLES, int_6H_minor: FROM_TABLES },
    source: SOURCE,
  },
  {
    kind: 'unified',
    group: 'threads',
    needs: ['name', 'tpi'],
    answer: inch,
    // Tables in ten-thousandths of an inch.
    tolerances: {
      ext_2A_major_in: { absolute: 1.1e-4 },
      ext_2A_major: { absolute: 3e-3 },
      int_2B_minor_in: { absolute: 6e-4 },
      int_2B_minor: { absolute: 0.015 },
    },
    source: SOURCE,
  },
];
