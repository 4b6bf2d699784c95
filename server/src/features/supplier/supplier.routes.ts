/** Quote, order and delivery of the hoses of a job. What the supplier said is kept with the job. */
import {
  boxCounts,
  ConfirmationSchema,
  createWriter,
  orderDocument,
  ordered,
  ParcelSchema,
  QuoteSchema,
} from '@zephyrcombe/contract';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import { toJob } from '../jobs/job.repository.ts';
import { onOpenJob, requireVersion } from '../jobs/jobAction.ts';
import { listStock } from '../shop/stock.ts';
import { askSupplier } from './supplier.ts';

export function supplierHandlers(
  dependencies: Dependencies,
): Pick<Handlers, 'quoteJob' | 'orderJob' | 'deliverJob'> {
  const { database, config } = dependencies;
  return {
    quoteJob: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        const { job, detail, person, now, transaction, log } = action;
        requireVersion(toJob(job), body.version);
        const hoses = ordered(detail);
        if (hoses.length === 0)
          throw new AppProblem('stage-not-ready', {
            detail: 'No hose is specified for a supplier yet: specify one first.',
          });
        const order = orderDocument(
          detail,
          hoses,
          await listStock(database, detail.shop.id),
          calendarDateOf(now),
          createWriter(person.units),
        );
        const quote = await askSupplier(
          config.supplier,
          '/quotes',
          {
            order,
            counts: hoses.map((own) => ({ hoseId: own.hose.hoseId, ...boxCounts(detail, own) })),
          },
          QuoteSchema,
        );
        await job.update(
          { supply: { quote, confirmation: null, parcel: null }, version: body.version + 1 },
          { transaction },
        );
        await log('quoted', { quote: quote.quote, total: quote.total, currency: quote.currency });
      }),

    orderJob: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async ({ job, transaction, log }) => {
        requireVersion(toJob(job), body.version);
        const { supply } = job;
        if (supply === null) throw new AppProblem('stage-not-ready', { detail: 'Ask for a quote first.' });
        // Pressed twice after a lost reply: it is ordered already.
        if (supply.confirmation !== null) return;
        const confirmation = await askSupplier(
          config.supplier,
          '/orders',
          { quote: supply.quote.quote },
          ConfirmationSchema,
        );
        await job.update({ supply: { ...supply, confirmation }, version: body.version + 1 }, { transaction });
        await log('ordered', { order: confirmation.order, expectedOn: confirmation.expectedOn });
      }),

    deliverJob: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async ({ job, transaction, log }) => {
        requireVersion(toJob(job), body.version);
        const { supply } = job;
        if (!supply?.confirmation)
          throw new AppProblem('stage-not-ready', { detail: 'Nothing is ordered that could come.' });
        const parcel = await askSupplier(
          config.supplier,
          '/deliveries',
          { order: supply.confirmation.order, wrong: body.wrong },
          ParcelSchema,
        );
        await job.update({ supply: { ...supply, parcel }, version: body.version + 1 }, { transaction });
        await log('delivered', { order: parcel.order, boxes: parcel.items.length });
      }),
  };
}
