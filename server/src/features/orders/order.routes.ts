/** The order of a job as files: on paper, as a table, as a document. Worked out from what was specified; nothing is kept. */
import {
  Id,
  createWriter,
  ORDER_FILES,
  orderAddress,
  orderDocument,
  ordered,
  orderSheet,
} from '@zephyrcombe/contract';
import type { FastifyInstance } from 'fastify';
import { z } from 'zod';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import { personOf } from '../../http/access.ts';
import { pdfOf } from '../drawings/pdf.ts';
import { loadJobDetail } from '../jobs/job.repository.ts';
import { requireWay } from '../jobs/jobAction.ts';
import { stockForJob } from '../shop/stock.ts';
import { orderCsv } from './orderCsv.ts';

const Params = z.strictObject({ jobId: Id, file: z.enum(ORDER_FILES) });
const Query = z.strictObject({ hose: Id.optional() });
const TYPES = {
  pdf: 'application/pdf',
  csv: 'text/csv; charset=utf-8; header=present',
  json: 'application/json; charset=utf-8',
} as const;

export function registerOrderRoutes(app: FastifyInstance, dependencies: Dependencies): void {
  const { database, clock } = dependencies;
  app.get(
    orderAddress(':jobId', ':file'),
    { config: { access: 'read' }, schema: { hide: true, params: Params, querystring: Query } },
    async (request, reply) => {
      const { jobId, file } = request.params as z.infer<typeof Params>;
      const { hose: hoseId } = request.query as z.infer<typeof Query>;
      const now = clock();
      const person = personOf(request);
      const detail = await loadJobDetail(database, jobId);
      const hoses = ordered(detail).filter(({ hose }) => hoseId === undefined || hose.hoseId === hoseId);
      if (hoses.length === 0) requireWay([{ code: 'nothingToOrder' }], person);
      const write = createWriter(person.units);
      const document = orderDocument(
        detail,
        hoses,
        await stockForJob(database, detail),
        calendarDateOf(now),
        write,
      );
      const paper = person.units.length === 'in' ? 'letter' : 'A4';
      const content =
        file === 'pdf'
          ? await pdfOf(orderSheet(document, paper, write), now)
          : file === 'csv'
            ? orderCsv(document)
            : `${JSON.stringify(document, null, 2)}\n`;
      const name = `order-${detail.vehicle.name}-${document.hoses.length === 1 ? (document.hoses[0]?.name ?? '') : 'hoses'}`;
      return reply
        .header(
          'content-disposition',
          `attachment; filename*=UTF-8''${encodeURIComponent(`${name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.${file}`)}`,
        )
        .type(TYPES[file])
        .send(content);
    },
  );
}
