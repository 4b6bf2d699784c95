/** An order for hoses as a document that leaves the shop: `docs/formats/order.md`. As JSON. */
import {
  assumedOfJoint,
  END_FACTS,
  END_KINDS,
  endOn,
  freeHose,
  isVouched,
  needsClocking,
  SEATS,
} from '@zephyrcombe/core';
import { z } from 'zod';
import { CalendarDate, Id, Length_m, Name } from '../entities/common.ts';
import { AlongPartSchema, EndFittingSchema, HoseBuildSchema } from '../entities/hoseBuild.ts';
import { LengthDatumSchema } from '../entities/job.ts';
import type { JobDetail } from '../entities/job.ts';
import { EndGeometrySchema, VehicleSchema } from '../entities/vehicle.ts';
import type { HoseOfJob, JointOfJob } from '../specify/hoseOfJob.ts';
import { buildOf, hoseOfJob, orderDatumOf, orderedLength_m } from '../specify/hoseOfJob.ts';

export const ORDER_FORMAT = 'zephyrcombe.order';
export const ORDER_SCHEMA_VERSION = 1;

const { bore_m, outside_m, liner, braid, cover, tolerance_m, fixing } = HoseBuildSchema.shape;

const OrderEndSchema = EndFittingSchema.extend({
  ...EndGeometrySchema.pick({ family: true, neckAngle_rad: true }).shape,
  /** Which kind of end, where the port that it goes on says it. */
  kind: z.enum(END_KINDS).nullable(),
  /** Of the bolt through an eye, or of a threaded end. */
  thread: z.string().max(30).nullable(),
  /** What it goes on, in the shop's words. */
  at: z.string().max(120),
  /** Of a threaded end; null for an eye. */
  gender: z.enum(['male', 'female']).nullable(),
  /** What it seals against. */
  seat: z.enum(SEATS).nullable(),
  /** Across the flats of a threaded end; null where nobody has measured. */
  hexagon_m: z.number().positive().max(0.1).nullable(),
  /** From its sealing point to the face of its ferrule, along the hose. */
  takeOff_m: z.number().min(0).max(0.4),
  /** Of which from the bend to the sealing point. */
  beyondBend_m: z.number().min(0).max(0.4),
  /** What of it nobody has seen on the vehicle or read from a maker's sheet; left out where all of it is known. */
  assumed: z.array(z.enum(['thread', 'seat', 'depth_m', 'eyeThickness_m', 'takeOff'])).optional(),
});

const OrderHoseSchema = z.strictObject({
  id: Id,
  name: Name,
  /** Counted between the points that `datum` names. */
  length_m: Length_m,
  datum: LengthDatumSchema,
  /** Between the sealing points: eye centres and ends of threads. */
  sealingLength_m: Length_m,
  /** Between the ferrules' faces: the hose that can be seen. */
  freeLength_m: Length_m,
  tolerance_m,
  bore_m,
  outside_m,
  /** Left out where the outside is measured or from the hose maker's sheet. */
  outsideAssumed: z.literal(true).optional(),
  liner,
  braid,
  cover,
  fixing,
  endA: OrderEndSchema,
  endB: OrderEndSchema,
  /** Axis of A to axis of B, clockwise, looked at along the hose from end A; null where an end turns, and where nobody has said. */
  clocking_rad: z.number().nullable(),
  clocking: z.enum(['given', 'turns', 'notGiven']),
  /** Places from the sealing point of end A, along the hose. */
  along: z.array(AlongPartSchema.omit({ id: true, because: true })),
});

export const OrderDocumentSchema = z.strictObject({
  format: z.literal(ORDER_FORMAT),
  schemaVersion: z.literal(ORDER_SCHEMA_VERSION),
  reference: Id,
  number: z.string().min(1).max(20),
  writtenOn: CalendarDate,
  needBy: CalendarDate.nullable(),
  /** Of cover and fittings; empty where nobody has said. */
  finish: z.string().max(120),
  shop: Name,
  shopAddress: z.string().max(2000),
  shopPhone: z.string().max(60),
  vehicle: VehicleSchema.pick({ name: true, plate: true, kind: true, use: true }),
  hoses: z.array(OrderHoseSchema),
  /** What else goes into the box. */
  parts: z.array(z.strictObject({ key: z.string(), text: z.string(), count: z.int().min(0) })),
});
export type OrderDocument = z.infer<typeof OrderDocumentSchema>;
export type OrderHose = OrderDocument['hoses'][number];

function assumedOfEnd(
  end: HoseOfJob['hose']['endA'],
  at: JointOfJob | null,
): Pick<OrderHose['endA'], 'assumed'> {
  const assumed = [
    ...(at ? assumedOfJoint(at.joint, at.port) : []),
    ...(isVouched(end.takeOffsFrom) ? [] : ['takeOff' as const]),
  ];
  return assumed.length > 0 ? { assumed } : {};
}

function orderEnd(own: HoseOfJob, end: 'endA' | 'endB', at: JointOfJob | null): OrderHose['endA'] {
  const { family } = own.hose[end];
  const kind = at ? endOn(at.port, at.joint.seal, family) : null;
  const thread =
    kind === null ? (at?.port.gender === 'internal' ? 'external' : 'internal') : END_FACTS[kind].thread;
  return {
    ...buildOf(own)[end],
    family,
    kind,
    neckAngle_rad: own.hose[end].neckAngle_rad,
    thread: at?.chosen.bolt?.thread ?? at?.port.thread ?? null,
    at: at?.joint.name ?? '',
    gender: family === 'banjo' || !at || thread === null ? null : thread === 'external' ? 'male' : 'female',
    seat: at?.port.seat ?? null,
    hexagon_m: family === 'banjo' ? null : (at?.joint.hexagon_m ?? null),
    takeOff_m: Number((own.hose[end].ferruleToApex_m + own.hose[end].apexToPoint_m).toFixed(6)),
    beyondBend_m: Number(own.hose[end].apexToPoint_m.toFixed(6)),
    ...assumedOfEnd(own.hose[end], at),
  };
}

/** "2026-0007": the year in which the job was opened and its number. */
export const orderNumber = ({ openedOn, number }: Pick<JobDetail['job'], 'openedOn' | 'number'>): string =>
  `${openedOn.slice(0, 4)}-${String(number).padStart(4, '0')}`;

/** Null while it is not measured: half an order is none. */
export function orderHose(own: HoseOfJob): OrderHose | null {
  const { hose, fitted, a, b } = own;
  const length_m = orderedLength_m(hose);
  if (length_m === null || hose.order_m === null) return null;
  const build = buildOf(own);
  const free = freeHose(hose.order_m, hose.endA, hose.endB);
  const rounded = (value_m: number) => Number(value_m.toFixed(6));
  return {
    id: hose.hoseId,
    name: fitted.name,
    length_m: rounded(length_m),
    datum: orderDatumOf(hose),
    sealingLength_m: rounded(hose.order_m),
    freeLength_m: rounded(free.to_m - free.from_m),
    tolerance_m: build.tolerance_m,
    bore_m: build.bore_m,
    outside_m: build.outside_m,
    ...(isVouched(build.outsideFrom) ? {} : { outsideAssumed: true }),
    liner: build.liner,
    braid: build.braid,
    cover: build.cover,
    fixing: build.fixing,
    endA: orderEnd(own, 'endA', a),
    endB: orderEnd(own, 'endB', b),
    clocking_rad: hose.clocking_rad,
    clocking: !needsClocking(hose.endA, hose.endB)
      ? 'turns'
      : hose.clocking_rad === null
        ? 'notGiven'
        : 'given',
    along: build.along.map(({ id: _id, because: _because, ...part }) => part),
  };
}

/** Only hoses that were specified are on an order, and none that is made up here. */
export const ordered = (detail: JobDetail): readonly HoseOfJob[] =>
  detail.hoses.flatMap(({ hoseId, specified }) => {
    const own = specified ? hoseOfJob(detail, hoseId) : null;
    return own && !buildOf(own).madeHere ? [own] : [];
  });
