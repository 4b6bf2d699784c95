/** A banjo joint as it stands in the address: what was typed, our examples where nothing was. */
import type { BoltState, JointMaterial, Thread, ThreadState, UnitId } from '@zephyrcombe/core';
import { BOLT_STATES, JOINT_MATERIALS, THREAD_STATES, THREADS, usualBoltAndWasher } from '@zephyrcombe/core';
import { editableText, readQuantity } from '../../quantities/QuantityField.tsx';

/** Examples of ours, not those of any part: an M10 joint of the usual size. */
const M10 = usualBoltAndWasher({ diameter_m: 0.01, pitch_m: 0.001, yield_Pa: 640e6 });
const USUAL = {
  eye: 0.0075,
  hole: 0.0102,
  washer: 0.001,
  over: M10.washer.outside_m,
  inside: M10.washer.inside_m,
  long: 0.02,
  bore: M10.bolt.bore_m,
  cross: M10.bolt.crossHole_m,
  neck: M10.bolt.neck_m,
  deep: 0.014,
  hose: 0.0032,
} as const;
export const LENGTH_FIELDS = Object.keys(USUAL) as readonly LengthField[];
export type LengthField = keyof typeof USUAL;

export interface TypedStack {
  readonly lengths: Readonly<Record<LengthField, string>>;
  readonly torque: string;
  readonly pressure: string;
  readonly eyes: number;
  readonly thread: Thread;
  readonly bolt: Exclude<JointMaterial, 'copper'>;
  readonly washers: JointMaterial;
  readonly state: BoltState;
  readonly crossHoles: number;
  readonly threads: ThreadState;
  /** What of the pressure’s force the bolt takes, as typed. */
  readonly share: string;
  readonly oldSwitch: boolean;
  readonly newSwitch: boolean;
}

export const MOST_EYES = 4;
export const BANJO_THREADS: readonly Thread[] = THREADS.filter(({ uses }) => uses.includes('banjoBolt'));
export const BOLT_MATERIALS = ['steel', 'stainless', 'aluminium'] as const;
const USUAL_TORQUE_Nm = 20;
const USUAL_PRESSURE_Pa = 10e6;

const known = <Value extends string>(all: readonly Value[], text: string, usual: Value): Value =>
  all.find((value) => value === text) ?? usual;
const counted = (text: string, most: number) => Math.min(Math.max(1, Math.trunc(Number(text)) || 1), most);

export function readStack(text: (name: string) => string): TypedStack {
  const [first] = BANJO_THREADS;
  const thread = BANJO_THREADS.find(({ designation }) => designation === text('thread')) ?? first;
  if (!thread) throw new Error('no thread of a banjo bolt is known');
  return {
    lengths: Object.fromEntries(LENGTH_FIELDS.map((field) => [field, text(field)])) as Record<
      LengthField,
      string
    >,
    torque: text('torque'),
    pressure: text('at'),
    eyes: counted(text('eyes'), MOST_EYES),
    thread,
    bolt: known(BOLT_MATERIALS, text('bolt'), 'steel'),
    washers: known(JOINT_MATERIALS, text('washers'), 'copper'),
    state: known(BOLT_STATES, text('state'), 'new'),
    crossHoles: counted(text('holes'), 2),
    threads: known(THREAD_STATES, text('on'), 'unsaid'),
    share: text('share'),
    oldSwitch: text('was') === 'switch',
    newSwitch: text('is') === 'switch',
  };
}

export const usualOf = (field: LengthField): number => USUAL[field];

export interface ReadStack {
  readonly lengths_m: Readonly<Record<LengthField, number>>;
  readonly torque_Nm: number;
  readonly pressure_Pa: number;
  /** Nothing typed: the worst, that the seat loses all of it. */
  readonly loadFactor: number;
}

/** Null while something typed is not understood. */
export function figuresOf({ lengths, torque, pressure, share }: TypedStack): ReadStack | null {
  const read = (text: string, kind: 'length' | 'torque' | 'pressure' | 'fraction', usual: number) =>
    text.trim() === '' ? usual : (readQuantity(text, kind, kind === 'fraction').quantity?.value_SI ?? null);
  const lengths_m = LENGTH_FIELDS.map(
    (field) => [field, read(lengths[field], 'length', USUAL[field])] as const,
  );
  const torque_Nm = read(torque, 'torque', USUAL_TORQUE_Nm);
  const pressure_Pa = read(pressure, 'pressure', USUAL_PRESSURE_Pa);
  const loadFactor = read(share, 'fraction', 0);
  if (
    torque_Nm === null ||
    pressure_Pa === null ||
    loadFactor === null ||
    lengths_m.some(([, value_m]) => value_m === null)
  )
    return null;
  return {
    lengths_m: Object.fromEntries(lengths_m) as Record<LengthField, number>,
    torque_Nm,
    pressure_Pa,
    loadFactor,
  };
}

/** Where a joint that is known is worked out further. */
export function stackAddress(
  joint: {
    readonly eyes: number;
    readonly thread: string;
    readonly bolt: JointMaterial;
    readonly washers: JointMaterial;
    readonly lengths_m: Partial<Record<LengthField, number>>;
  },
  unit: UnitId,
): string {
  const query = new URLSearchParams({
    eyes: String(joint.eyes),
    thread: joint.thread,
    bolt: joint.bolt,
    washers: joint.washers,
    ...Object.fromEntries(
      Object.entries(joint.lengths_m).map(([field, value_m]) => [field, editableText(value_m, unit)]),
    ),
  });
  return `/bench/joint?${query.toString()}`;
}
