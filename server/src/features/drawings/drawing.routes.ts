/** Drawings at true size as files: worked out here from what was entered, nothing kept. */
import type { DrawingFormat, FileReply } from '@zephyrcombe/contract';
import { MEDIA_TYPES } from '@zephyrcombe/contract';
import type { PaperSheet } from '@zephyrcombe/documents';
import { hardLineSheet, templateSheet } from '@zephyrcombe/documents';
import { createWriter, problemText } from '@zephyrcombe/messages';
import { developed } from '@zephyrcombe/core';
import type { FastifyRequest } from 'fastify';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { personOf } from '../../http/access.ts';
import type { Handlers } from '../../http/handlers.ts';
import { fileName } from '../../http/handlers.ts';
import { dxfOf } from './dxf.ts';
import { pdfOf } from './pdf.ts';
import { svgOf } from './svg.ts';

export function drawingHandlers({ clock }: Dependencies): Pick<Handlers, 'drawTemplates' | 'drawHardLine'> {
  /** In the units of whoever asks. */
  const writerOf = (request: FastifyRequest) => createWriter(personOf(request).units);
  const fileOf = async (sheet: PaperSheet, format: DrawingFormat, number: number): Promise<FileReply> => {
    const page = sheet.pages[number - 1];
    if (!page) throw new AppProblem('not-found');
    return {
      mediaType: MEDIA_TYPES[format],
      name: fileName(sheet.title, format),
      content:
        format === 'pdf'
          ? await pdfOf(sheet, clock())
          : format === 'svg'
            ? svgOf(page, sheet.title)
            : dxfOf(page),
    };
  };
  return {
    async drawTemplates({ request, params, query, body: { title, ends, paper } }) {
      return fileOf(templateSheet(title, ends, paper, writerOf(request)), params.format, query.page);
    },
    async drawHardLine({ request, params, query, body: { paper, ...order } }) {
      const writer = writerOf(request);
      const made = developed(order.line);
      if (!made.ok) throw new AppProblem('no-answer', { detail: problemText(made.problem, writer) });
      return fileOf(hardLineSheet(order, made.value, paper, writer), params.format, query.page);
    },
  };
}
