import { z } from 'zod';
import { Id, Instant, Name } from './common.ts';

/** SHA-256 of what was on the screen when somebody asked to approve it; left out, it is taken as it stands on the server. */
export const SeenSchema = z.string().length(64).optional();

/** Who approved something, when, and exactly what was judged. It stands while the same facts have the same digest. */
export const ApprovalSchema = z.strictObject({
  by: Name,
  byId: Id,
  at: Instant,
  digest: z.string().length(64),
  facts: z.record(z.string(), z.unknown()),
});
export type Approval = z.infer<typeof ApprovalSchema>;
