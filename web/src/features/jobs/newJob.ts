/** What a new job is about: which fluids it changes, which hoses it replaces, and what it is called until somebody says otherwise. */
import type { Circuit, Hose } from '@zephyrcombe/contract';
import { namesInLine } from '@zephyrcombe/contract';

/** A hard line is made anew by another way than a hose. */
export const hosesOf = (circuit: Pick<Circuit, 'hoses'>): readonly Hose[] =>
  circuit.hoses.filter(({ kind }) => kind === 'hose');

export const hardLinesOf = (circuit: Pick<Circuit, 'hoses'>): readonly Hose[] =>
  circuit.hoses.filter(({ kind }) => kind === 'hardLine');

export interface JobScope {
  readonly circuitIds: readonly string[];
  readonly hoseIds: readonly string[];
  /** Hard lines that are made anew. */
  readonly lineIds: readonly string[];
  /** Joints that are opened and tightened anew while their lines stay. */
  readonly jointIds: readonly string[];
}

export interface Shape extends JobScope {
  readonly id: string;
  readonly text: string;
}

const lower = (name: string) => name.replace(/^[A-Z](?=[a-z])/, (letter) => letter.toLowerCase());

/** Jobs that are begun with one press; the ticks below them make any other. */
export function shapesOf(circuits: readonly Circuit[]): readonly Shape[] {
  const drawn = circuits.filter(({ components }) => components.length > 0);
  const withHoses = drawn.filter((circuit) => hosesOf(circuit).length > 0);
  const all = withHoses.flatMap((circuit) => hosesOf(circuit).map(({ id }) => id));
  return [
    ...(drawn.length > 0
      ? [
          {
            id: 'fluid',
            text: drawn.length > 1 ? 'Change the fluid of all circuits' : 'Change the fluid',
            circuitIds: drawn.map(({ id }) => id),
            hoseIds: [],
            lineIds: [],
            jointIds: [],
          },
        ]
      : []),
    ...withHoses.map((circuit) => ({
      id: circuit.id,
      text: `All hoses: ${lower(circuit.name)}`,
      circuitIds: [circuit.id],
      hoseIds: hosesOf(circuit).map(({ id }) => id),
      lineIds: [],
      jointIds: [],
    })),
    ...(withHoses.length > 1
      ? [
          {
            id: 'all',
            text: `All ${all.length} hoses`,
            circuitIds: withHoses.map(({ id }) => id),
            hoseIds: all,
            lineIds: [],
            jointIds: [],
          },
        ]
      : []),
  ];
}

/** With the circuits of its hoses, each in the order of the drawing. */
export function wholeScope(
  circuits: readonly Circuit[],
  { circuitIds, hoseIds, lineIds, jointIds }: JobScope,
): JobScope {
  const lines = circuits.flatMap((circuit) => hardLinesOf(circuit)).filter(({ id }) => lineIds.includes(id));
  const hoses = circuits.flatMap((circuit) => hosesOf(circuit)).filter(({ id }) => hoseIds.includes(id));
  const joints = circuits.flatMap((circuit) => circuit.joints).filter(({ id }) => jointIds.includes(id));
  return {
    circuitIds: circuits
      .map(({ id }) => id)
      .filter(
        (id) =>
          circuitIds.includes(id) || [...hoses, ...lines, ...joints].some((part) => part.circuitId === id),
      ),
    hoseIds: hoses.map(({ id }) => id),
    lineIds: lines.map(({ id }) => id),
    jointIds: joints.map(({ id }) => id),
  };
}

export const isSameScope = (one: JobScope, other: JobScope): boolean =>
  JSON.stringify([one.circuitIds, one.hoseIds, one.lineIds, one.jointIds]) ===
  JSON.stringify([other.circuitIds, other.hoseIds, other.lineIds, other.jointIds]);

export const many = (count: number, one: string) => (count === 1 ? `1 ${one}` : `${count} ${one}s`);

/** "Fluid: front brake", "Left hose", "4 hoses: diagonal 1 and diagonal 2". */
export function titleFor(circuits: readonly Circuit[], scope: JobScope): string {
  const { circuitIds, hoseIds, lineIds, jointIds } = wholeScope(circuits, scope);
  const where = namesInLine(
    circuits.filter(({ id }) => circuitIds.includes(id)).map(({ name }) => lower(name)),
  );
  const renewed = circuits
    .flatMap(({ hoses, joints }) => [...hoses, ...joints])
    .filter(({ id }) => [...hoseIds, ...lineIds, ...jointIds].includes(id));
  const [only] = renewed;
  if (where === '') return '';
  if (renewed.length === 0) return `Fluid: ${where}`.slice(0, 120);
  const counted = [
    ...(hoseIds.length > 0 ? [many(hoseIds.length, 'hose')] : []),
    ...(lineIds.length > 0 ? [many(lineIds.length, 'hard line')] : []),
    ...(jointIds.length > 0 ? [many(jointIds.length, 'joint')] : []),
  ].join(' and ');
  const alone = jointIds.length === 1 ? `Joint: ${lower(only?.name ?? '')}` : only?.name;
  return (renewed.length === 1 && alone ? alone : `${counted}: ${where}`).slice(0, 120);
}
