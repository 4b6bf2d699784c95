/** What is typed before a job is signed off, and what is sent of it: a fluid record for each circuit of the job. */
import type { JobDetail } from '@zephyrcombe/contract';
import type { FluidGrade } from '@zephyrcombe/core';
import type { RequestOf } from '../../api/client.ts';
import { readQuantity } from '../../quantities/QuantityField.tsx';

export const COLOURS = ['blackTea', 'tea', 'honey', 'straw'] as const;

/** Of one circuit. */
export interface FluidDraft {
  readonly grade: FluidGrade;
  readonly quantity: string;
  readonly colour: '' | (typeof COLOURS)[number];
  readonly water: string;
}

export interface SigningDraft {
  readonly servicedOn: string;
  readonly distance: string;
  /** One bottle fills what is bled on one day. */
  readonly batch: string;
  readonly bottleOpenedOn: string;
  readonly signature: string;
  readonly fluids: Readonly<Record<string, FluidDraft>>;
  /** Ids of the records, by circuit: sent again, they are the same records. */
  readonly ids: Readonly<Record<string, string>>;
}

export const fluidOf = (
  draft: SigningDraft,
  circuit: { readonly id: string; readonly fluidGrade: FluidGrade },
) => draft.fluids[circuit.id] ?? { grade: circuit.fluidGrade, quantity: '', colour: '' as const, water: '' };

const DATE = /^\d{4}-\d\d-\d\d$/;
export const isDate = (text: string): boolean => DATE.test(text);

const isUnread = (text: string, value: unknown) => text.trim() !== '' && value === null;
const litres = (text: string) => readQuantity(text, 'volume').quantity;
const waterIn = (text: string) => readQuantity(text, 'fraction', true).quantity;
export const kilometres = (text: string) => readQuantity(text, 'distance', true).quantity;

/** What is still missing before it can be signed; null when nothing is. */
export function missingFrom(draft: SigningDraft, { circuits }: Pick<JobDetail, 'circuits'>): string | null {
  if (!isDate(draft.servicedOn)) return 'Choose the date of the service.';
  const fluids = circuits.map(({ circuit }) => fluidOf(draft, circuit));
  if (
    isUnread(draft.distance, kilometres(draft.distance)) ||
    fluids.some(
      ({ quantity, water }) => isUnread(quantity, litres(quantity)) || isUnread(water, waterIn(water)),
    )
  )
    return 'A figure above cannot be read yet.';
  return draft.signature.trim() === '' ? 'Type your name to sign.' : null;
}

/** The request that signs the job off. */
export function signingBody(
  draft: SigningDraft,
  { job, circuits }: Pick<JobDetail, 'job' | 'circuits'>,
): NonNullable<RequestOf<'finishJob'>['body']> {
  return {
    version: job.version,
    servicedOn: draft.servicedOn,
    distance_m: kilometres(draft.distance)?.value_SI ?? null,
    distanceTyped: draft.distance,
    services: circuits.map(({ circuit }) => {
      const { grade, quantity, colour, water } = fluidOf(draft, circuit);
      return {
        id: draft.ids[circuit.id] ?? '',
        circuitId: circuit.id,
        grade,
        batch: draft.batch.trim(),
        bottleOpenedOn: draft.bottleOpenedOn === '' ? null : draft.bottleOpenedOn,
        quantity_m3: litres(quantity)?.value_SI ?? null,
        oldColour: colour === '' ? null : colour,
        oldWaterFraction: waterIn(water)?.value_SI ?? null,
      };
    }),
    signature: draft.signature.trim(),
    overrides: [],
  };
}
