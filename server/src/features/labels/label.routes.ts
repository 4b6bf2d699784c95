/** Labels of the hoses of a job: as files, and to the label printer. */
import type { Person } from '@zephyrcombe/contract';
import { Id, createWriter, hoseOfJob, LABEL_FILES, labelAddress } from '@zephyrcombe/contract';
import type { FastifyInstance } from 'fastify';
import { z } from 'zod';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { personOf } from '../../http/access.ts';
import type { Handlers } from '../../http/handlers.ts';
import { pdfOf } from '../drawings/pdf.ts';
import { svgOf } from '../drawings/svg.ts';
import { loadJobDetail } from '../jobs/job.repository.ts';
import { labelOf } from './label.ts';
import { printLabel } from './printer.ts';

async function sheetOf(dependencies: Dependencies, person: Person, jobId: string, hoseId: string) {
  const detail = await loadJobDetail(dependencies.database, jobId);
  const own = hoseOfJob(detail, hoseId);
  if (!own) throw new AppProblem('not-found');
  return labelOf(detail, own, calendarDateOf(dependencies.clock()), createWriter(person.units));
}

const svgText = (sheet: Awaited<ReturnType<typeof sheetOf>>): string => {
  const [page] = sheet.pages;
  if (!page) throw new AppProblem('not-found');
  return svgOf(page, sheet.title);
};

export function labelHandlers(dependencies: Dependencies): Pick<Handlers, 'printLabel'> {
  return {
    async printLabel({ request, params }) {
      const sheet = await sheetOf(dependencies, personOf(request), params.jobId, params.hoseId);
      return { number: await printLabel(dependencies.config.labelPrinterPort, svgText(sheet)) };
    },
  };
}

const Params = z.strictObject({ jobId: Id, hoseId: Id, file: z.enum(LABEL_FILES) });

export function registerLabelRoutes(app: FastifyInstance, dependencies: Dependencies): void {
  const { clock } = dependencies;
  app.get(
    labelAddress(':jobId', ':hoseId', ':file'),
    { config: { access: 'read' }, schema: { hide: true, params: Params } },
    async (request, reply) => {
      const { jobId, hoseId, file } = request.params as z.infer<typeof Params>;
      const sheet = await sheetOf(dependencies, personOf(request), jobId, hoseId);
      const name = `${sheet.title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.${file}`;
      return reply
        .header('content-disposition', `inline; filename*=UTF-8''${encodeURIComponent(name)}`)
        .type(file === 'pdf' ? 'application/pdf' : 'image/svg+xml; charset=utf-8')
        .send(file === 'pdf' ? await pdfOf(sheet, clock()) : svgText(sheet));
    },
  );
}
