/** What the server is asked to draw at true size: ends as templates, a hard line. */
import { FLARE_FORMS, LEG_DATUMS, LINE_MATERIALS } from '@zephyrcombe/core';
import { z } from 'zod';
import { Length_m, Name } from './common.ts';
import { EndGeometrySchema } from './vehicle.ts';

export const PAPERS = ['A4', 'letter'] as const;
export type Paper = (typeof PAPERS)[number];

export const DRAWING_FORMATS = ['pdf', 'svg', 'dxf'] as const;
export type DrawingFormat = (typeof DRAWING_FORMATS)[number];

const Small_m = z.number().positive().max(0.1);
const Share = z.number().min(0).max(0.5);

const EndBuildSchema = z.strictObject({
  bore_m: Small_m,
  eyeOutside_m: Small_m,
  eyeThickness_m: Small_m,
  neck_m: Small_m,
  ferrule_m: Small_m,
  ferruleLength_m: Small_m,
});

export const TemplateRequestSchema = z.strictObject({
  title: Name,
  ends: z
    .array(z.strictObject({ name: Name, end: EndGeometrySchema, build: EndBuildSchema }))
    .min(1)
    .max(2),
  paper: z.enum(PAPERS),
});
export type TemplateRequest = z.infer<typeof TemplateRequestSchema>;

const LineEndSchema = z.strictObject({ flare_m: z.number().min(0).max(0.05) });
const BendSchema = z.strictObject({
  angle_rad: z.number().positive().max(Math.PI),
  roll_rad: z
    .number()
    .min(-2 * Math.PI)
    .max(2 * Math.PI),
});

/** Figures of a hard line that we have a usual value for: whoever leaves one out has said nothing of it. */
export const LINE_FIGURES = [
  'outside_m',
  'material',
  'formA',
  'formB',
  'radius_m',
  'flareA_m',
  'flareB_m',
] as const;
export type LineFigure = (typeof LINE_FIGURES)[number];

export const HardLineRequestSchema = z.strictObject({
  name: Name,
  line: z.strictObject({
    legs_m: z.array(Length_m).min(1).max(21),
    legDatum: z.enum(LEG_DATUMS),
    bends: z.array(BendSchema).max(20),
    radius_m: z.number().positive().max(0.5),
    endA: LineEndSchema,
    endB: LineEndSchema,
    unionGap_m: z.number().min(0).max(0.5),
  }),
  build: z.strictObject({
    material: z.enum(LINE_MATERIALS),
    formA: z.enum(FLARE_FORMS),
    formB: z.enum(FLARE_FORMS),
  }),
  outside_m: z.number().positive().max(0.03),
  springBack: Share,
  grip_m: z.number().min(0).max(0.3),
  paper: z.enum(PAPERS),
  /** Which of them are our usual figures, said by nobody. */
  assumed: z.array(z.enum(LINE_FIGURES)).max(LINE_FIGURES.length).optional(),
});
export type HardLineRequest = z.infer<typeof HardLineRequestSchema>;
