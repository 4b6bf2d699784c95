/** A line traced on a picture, kept with a job. */
import { z } from 'zod';
import { Id, Length_m, Name, Version } from './common.ts';

const pixel = z.number().min(-20_000).max(20_000);
const PointSchema = z.strictObject({ x: pixel, y: pixel });

export const TracingSchema = z.strictObject({
  scale: z
    .discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('even'), from: PointSchema, to: PointSchema, distance_m: Length_m }),
      z.strictObject({
        kind: z.literal('perspective'),
        corners: z.tuple([PointSchema, PointSchema, PointSchema, PointSchema]).readonly(),
        width_m: Length_m,
        height_m: Length_m,
      }),
    ])
    .nullable(),
  line: z.enum(['straight', 'smooth']),
  points: z.array(PointSchema).max(60).readonly(),
});

/** Its picture is a photograph of subject `trace`. */
export const TraceSchema = z.strictObject({
  id: Id,
  name: Name,
  tracing: TracingSchema,
  version: Version,
});
export type Trace = z.infer<typeof TraceSchema>;
