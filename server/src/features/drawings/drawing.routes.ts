/** Drawings at true size as files: worked out here from what was entered, nothing kept. */
import type { DrawingFormat, PaperSheet } from '@zephyrcombe/contract';
import {
  createWriter,
  drawingAddress,
  DRAWING_FORMATS,
  HardLineRequestSchema,
  hardLineSheet,
  problemText,
  TemplateRequestSchema,
  templateSheet,
} from '@zephyrcombe/contract';
import { developed } from '@zephyrcombe/core';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { z } from 'zod';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { personOf } from '../../http/access.ts';
import { dxfOf } from './dxf.ts';
import { pdfOf } from './pdf.ts';
import { svgOf } from './svg.ts';

const Params = z.strictObject({ format: z.enum(DRAWING_FORMATS) });
/** SVG and DXF hold one page: which, from 1. PDF holds them all. */
const Query = z.strictObject({ page: z.coerce.number().int().min(1).max(9).default(1) });

const TYPES: Readonly<Record<DrawingFormat, string>> = {
  pdf: 'application/pdf',
  svg: 'image/svg+xml; charset=utf-8',
  dxf: 'image/vnd.dxf',
};

export function registerDrawingRoutes(app: FastifyInstance, dependencies: Dependencies): void {
  const { clock } = dependencies;
  /** In the units of whoever asks. */
  const writerOf = (request: FastifyRequest) => createWriter(personOf(request).units);
  const send = async (request: FastifyRequest, reply: FastifyReply, sheet: PaperSheet) => {
    const { format } = request.params as z.infer<typeof Params>;
    const { page: number } = request.query as z.infer<typeof Query>;
    const page = sheet.pages[number - 1];
    if (!page) throw new AppProblem('not-found');
    const file =
      format === 'pdf'
        ? await pdfOf(sheet, clock())
        : format === 'svg'
          ? svgOf(page, sheet.title)
          : dxfOf(page);
    const name = `${sheet.title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.${format}`;
    return reply
      .header('content-disposition', `attachment; filename*=UTF-8''${encodeURIComponent(name)}`)
      .type(TYPES[format])
      .send(file);
  };

  app.post(
    drawingAddress('templates', ':format'),
    {
      config: { access: 'read' },
      schema: { hide: true, params: Params, querystring: Query, body: TemplateRequestSchema },
    },
    async (request, reply) => {
      const { title, ends, paper } = request.body as z.infer<typeof TemplateRequestSchema>;
      return send(request, reply, templateSheet(title, ends, paper, writerOf(request)));
    },
  );
  app.post(
    drawingAddress('hard-line', ':format'),
    {
      config: { access: 'read' },
      schema: { hide: true, params: Params, querystring: Query, body: HardLineRequestSchema },
    },
    async (request, reply) => {
      const { paper, ...order } = request.body as z.infer<typeof HardLineRequestSchema>;
      const writer = writerOf(request);
      const made = developed(order.line);
      if (!made.ok) throw new AppProblem('no-answer', { detail: problemText(made.problem, writer) });
      return send(request, reply, hardLineSheet(order, made.value, paper, writer));
    },
  );
}
