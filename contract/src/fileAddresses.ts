/** Where files are: what a page links to, shows as a picture or sends. */
import type { StepKind } from '@zephyrcombe/core/plan';
import { addressOf } from './addresses.ts';

export const LABEL_FILES = ['svg', 'pdf'] as const;
export const ORDER_FILES = ['pdf', 'csv', 'json'] as const;
export type OrderFile = (typeof ORDER_FILES)[number];

/** The files of an order; of one hose alone where it is named. */
export const orderAddress = (jobId: string, file: OrderFile, hoseId?: string): string =>
  `${addressOf('getOrderFile', { jobId, file })}${hoseId ? `?hose=${hoseId}` : ''}`;

/** A plan of fitting, to keep. */
export const fitPlanAddress = (jobId: string): string => addressOf('getFitPlan', { jobId });

export const labelAddress = (jobId: string, hoseId: string, file: (typeof LABEL_FILES)[number]): string =>
  addressOf('getLabelFile', { jobId, hoseId, file });

export const photoAddress = (jobId: string, photoId: string): string =>
  addressOf('getPhoto', { jobId, photoId });

export const photoUploadAddress = (
  jobId: string,
  subject: string,
  subjectId: string,
  photoId: string,
  step: StepKind | null = null,
): string =>
  `${addressOf('putPhoto', { jobId, subject, subjectId, photoId })}${step === null ? '' : `?step=${step}`}`;

/** The body is what is drawn, the answer a file. */
export const drawingAddress = (of: 'templates' | 'hard-line', format: string): string =>
  addressOf(of === 'templates' ? 'drawTemplates' : 'drawHardLine', { format });
