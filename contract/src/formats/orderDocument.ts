/** An order for hoses as a document that leaves the shop: `docs/formats/order.md`. As JSON. */
import { freeHose } from '@zephyrcombe/core';
import { z } from 'zod';
import { CalendarDate, Id, Length_m, Name } from '../entities/common.ts';
import { AlongPartSchema, EndFittingSchema, HoseBuildSchema } from '../entities/hoseBuild.ts';
import { LengthDatumSchema } from '../entities/job.ts';
import type { JobDetail } from '../entities/job.ts';
import type { StockItem } from '../entities/shop.ts';
import { EndGeometrySchema, VehicleSchema } from '../entities/vehicle.ts';
import type { Writer } from '../messages/writer.ts';
import { billOfJob, partText } from '../specify/bill.ts';
import type { HoseOfJob, JointOfJob } from '../specify/hoseOfJob.ts';
import { buildOf, hoseOfJob, orderDatumOf, orderedLength_m } from '../specify/hoseOfJob.ts';

export const ORDER_FORMAT = 'zephyrcombe.order';
export const ORDER_SCHEMA_VERSION = 1;

const { bore_m, outside_m, liner, braid, cover, tolerance_m, fixing } = HoseBuildSchema.shape;

const OrderEndSchema = EndFittingSchema.extend({
  ...EndGeometrySchema.pick({ family: true, neckAngle_rad: true }).shape,
  /** Of the bolt through an eye, or of a threaded end. */
  thread: z.string().max(30).nullable(),
  /** What it goes on, in the shop's words. */
  at: z.string().max(120),
  /** From its sealing point to the face of its ferrule, along the hose. */
  takeOff_m: z.number().min(0).max(0.4),
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
  liner,
  braid,
  cover,
  fixing,
  endA: OrderEndSchema,
  endB: OrderEndSchema,
  /** Neck of B from neck of A, clockwise, looked at along the hose from end A; null: free. */
  clocking_rad: z.number().nullable(),
  /** Places from the sealing point of end A, along the hose. */
  along: z.array(AlongPartSchema.omit({ id: true, because: true })),
});

export const OrderDocumentSchema = z.strictObject({
  format: z.literal(ORDER_FORMAT),
  schemaVersion: z.literal(ORDER_SCHEMA_VERSION),
  reference: Id,
  writtenOn: CalendarDate,
  shop: Name,
  vehicle: VehicleSchema.pick({ name: true, kind: true, use: true }),
  hoses: z.array(OrderHoseSchema),
  /** What else goes into the box. */
  parts: z.array(z.strictObject({ key: z.string(), text: z.string(), count: z.int().min(0) })),
});
export type OrderDocument = z.infer<typeof OrderDocumentSchema>;
export type OrderHose = OrderDocument['hoses'][number];

const orderEnd = (own: HoseOfJob, end: 'endA' | 'endB', at: JointOfJob | null): OrderHose['endA'] => ({
  ...buildOf(own)[end],
  family: own.hose[end].family,
  neckAngle_rad: own.hose[end].neckAngle_rad,
  thread: at?.chosen.bolt?.thread ?? at?.port.thread ?? null,
  at: at?.joint.name ?? '',
  takeOff_m: Number((own.hose[end].ferruleToApex_m + own.hose[end].apexToPoint_m).toFixed(6)),
});

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
    liner: build.liner,
    braid: build.braid,
    cover: build.cover,
    fixing: build.fixing,
    endA: orderEnd(own, 'endA', a),
    endB: orderEnd(own, 'endB', b),
    clocking_rad: hose.clocking_rad,
    along: build.along.map(({ id: _id, because: _because, ...part }) => part),
  };
}

/** Only hoses that were specified are on an order, and none that is made up here. */
export const ordered = (detail: JobDetail): readonly HoseOfJob[] =>
  detail.hoses.flatMap(({ hoseId, specified }) => {
    const own = specified ? hoseOfJob(detail, hoseId) : null;
    return own && !buildOf(own).madeHere ? [own] : [];
  });

export function orderDocument(
  detail: JobDetail,
  hoses: readonly HoseOfJob[],
  stock: readonly StockItem[],
  writtenOn: string,
  write: Writer,
): OrderDocument {
  const bill = billOfJob(
    detail,
    stock,
    hoses.map(({ hose }) => hose.hoseId),
  );
  // Parsing puts the fields into the order of the schema, and proves that what leaves can be read.
  return OrderDocumentSchema.parse({
    format: ORDER_FORMAT,
    schemaVersion: ORDER_SCHEMA_VERSION,
    reference: detail.job.id,
    writtenOn,
    shop: detail.shop.name,
    vehicle: { name: detail.vehicle.name, kind: detail.vehicle.kind, use: detail.vehicle.use },
    hoses: hoses.flatMap((own) => orderHose(own) ?? []),
    parts: bill
      .filter(({ part, toOrder }) => part.kind !== 'hose' && toOrder > 0)
      .map(({ key, part, toOrder }) => ({ key, text: partText(part, write), count: toOrder })),
  });
}

export const ORDER_FILES = ['pdf', 'csv', 'json'] as const;
export type OrderFile = (typeof ORDER_FILES)[number];

/** Where the files of an order are; of one hose alone where it is named. */
export const orderAddress = (jobId: string, file: OrderFile | ':file', hoseId?: string): string =>
  `/api/jobs/${jobId}/order/${file}${hoseId ? `?hose=${hoseId}` : ''}`;
