import { FLARE_FORMS, LINE_MATERIALS } from '@zephyrcombe/core';
import { z } from 'zod';

/** What a hard line on a vehicle is made of; nobody knows of most. */
export const LineMadeSchema = z.strictObject({
  material: z.enum(LINE_MATERIALS),
  formA: z.enum(FLARE_FORMS),
  formB: z.enum(FLARE_FORMS),
  outside_m: z.number().positive().max(0.03),
});
