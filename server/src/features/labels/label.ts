/** The label of a hose: its Data Matrix code (ISO/IEC 16022, by bwip-js) and its words. */
import type { HoseOfJob, JobDetail } from '@zephyrcombe/contract';
import type { Writer } from '@zephyrcombe/messages';
import type { PaperSheet } from '@zephyrcombe/documents';
import { labelCode, labelLines, labelSheet } from '@zephyrcombe/documents';
import bwipjs from 'bwip-js/node';
import { z } from 'zod';
import { calendarDateOf } from '../../dependencies.ts';

const SquaresSchema = z.tuple([z.object({ pixs: z.array(z.number()), pixx: z.number() })]);

export function labelOf(detail: JobDetail, own: HoseOfJob, today: string, write: Writer): PaperSheet {
  const measured = own.hose.makeUp.steps.find(({ step }) => step === 'measure')?.at;
  const madeOn = measured === undefined ? today : calendarDateOf(new Date(measured));
  const text = labelCode(detail, own, madeOn);
  const [{ pixs, pixx }] = SquaresSchema.parse(bwipjs.raw({ bcid: 'datamatrix', text }));
  return labelSheet(
    `Label ${own.fitted.name}`,
    { columns: pixx, dark: pixs.map((value) => value === 1) },
    labelLines(detail, own, madeOn, write),
  );
}
