/** The messages of a simulated torque wrench; the whole protocol is in docs/formats/instrument-lines.md. */
import { z } from 'zod';

export const PROTOCOL = { name: 'zephyrcombe-instrument', version: 1 } as const;

/** What the other side may say: aim at a torque, or pull until the wrench clicks. */
export const RequestSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('aim'), target_Nm: z.number().positive() }),
  z.strictObject({ type: z.literal('pull') }),
]);

export type Reply =
  | {
      readonly type: 'hello';
      readonly protocol: typeof PROTOCOL.name;
      readonly version: typeof PROTOCOL.version;
      readonly kind: 'torqueWrench';
      readonly serial: string;
      readonly minimum_Nm: number;
      readonly maximum_Nm: number;
      readonly resolution_Nm: number;
    }
  | { readonly type: 'aimed'; readonly target_Nm: number }
  | { readonly type: 'peak'; readonly sequence: number; readonly peak_Nm: number }
  | { readonly type: 'refused'; readonly reason: 'notUnderstood' | 'outOfRange' | 'notAimed' };

export const say = (reply: Reply): string => JSON.stringify(reply);
