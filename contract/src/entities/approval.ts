import { z } from 'zod';
import { Id, Instant, Name } from './common.ts';

/** Who approved something, when, and exactly what was judged. It stands while the same facts have the same digest. */
export const ApprovalSchema = z.strictObject({
  by: Name,
  byId: Id,
  at: Instant,
  digest: z.string().length(64),
  facts: z.record(z.string(), z.unknown()),
});
export type Approval = z.infer<typeof ApprovalSchema>;
