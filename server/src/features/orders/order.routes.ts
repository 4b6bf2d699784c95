/** The order of a job as files: on paper, as a table, as a document. Worked out from what was specified; nothing is kept. */
import { MEDIA_TYPES, ordered } from '@zephyrcombe/contract';
import { orderDocument, orderSheet } from '@zephyrcombe/documents';
import { createWriter } from '@zephyrcombe/messages';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import { personOf } from '../../http/access.ts';
import type { Handlers } from '../../http/handlers.ts';
import { fileName } from '../../http/handlers.ts';
import { pdfOf } from '../drawings/pdf.ts';
import { loadJobDetail } from '../jobs/job.repository.ts';
import { requireWay } from '../jobs/jobAction.ts';
import { stockForJob } from '../shop/stock.ts';
import { orderCsv } from './orderCsv.ts';

export function orderHandlers({ database, clock }: Dependencies): Pick<Handlers, 'getOrderFile'> {
  return {
    async getOrderFile({ request, params: { jobId, file }, query: { hose: hoseId } }) {
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
      const of = document.hoses.length === 1 ? (document.hoses[0]?.name ?? '') : 'hoses';
      return {
        mediaType: MEDIA_TYPES[file],
        name: fileName(`order-${detail.vehicle.name}-${of}`, file),
        content:
          file === 'pdf'
            ? await pdfOf(orderSheet(document, paper, write), now)
            : file === 'csv'
              ? orderCsv(document)
              : `${JSON.stringify(document, null, 2)}\n`,
      };
    },
  };
}
