/** The messages of a simulated torque wrench; the whole protocol is in docs/formats/instrument-lines.md. */
import { z } from 'zod';

export const PROTOCOL = { name: 'zephyrcombe-instrument', version: 1 } as const;

/** What the other side may say: aim at a torque, pull until the wrench clicks, tell the rest of a pull again. */
export const RequestSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('aim'), target_Nm: z.number().positive() }),
  z.strictObject({ type: z.literal('pull') }),
  z.strictObject({ type: z.literal('again'), sequence: z.int().min(1), from: z.int().min(0) }),
]);

export type Reply =
  | {
      readonly type: 'hello';
      readonly protocol: typeof PROTOCOL.name;
      readonly version: typeof PROTOCOL.version;
      readonly kind: 'torqueWrench';
      readonly serial: string;
      readonly simulated: true;
      readonly minimum_Nm: number;
      readonly maximum_Nm: number;
      readonly resolution_Nm: number;
      readonly calibratedOn: string | null;
      /** Pulls so far. */
      readonly pulls: number;
    }
  | { readonly type: 'aimed'; readonly target_Nm: number }
  | {
      readonly type: 'sample';
      readonly sequence: number;
      readonly index: number;
      readonly at_s: number;
      readonly angle_rad: number;
      readonly torque_Nm: number;
    }
  | {
      readonly type: 'peak';
      readonly sequence: number;
      readonly peak_Nm: number;
      /** How many samples the pull has. */
      readonly samples: number;
    }
  | {
      readonly type: 'refused';
      readonly reason: 'notUnderstood' | 'outOfRange' | 'notAimed' | 'noSuchPull';
    };

export const say = (reply: Reply): string => JSON.stringify(reply);
