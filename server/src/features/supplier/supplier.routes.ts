/** Quote, order and delivery of the hoses of a job. What the supplier said is kept with the job. */
import type { Supply } from '@zephyrcombe/contract';
import { boxCounts, ConfirmationSchema, ordered, ParcelSchema, QuoteSchema } from '@zephyrcombe/contract';
import { digestOf, orderFacts } from '@zephyrcombe/workshop';
import { createWriter } from '@zephyrcombe/messages';
import { orderDocument } from '@zephyrcombe/documents';
import type { FastifyRequest } from 'fastify';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import type { Handlers } from '../../http/handlers.ts';
import { toJob } from '../jobs/job.repository.ts';
import { changeOf } from '../jobs/jobStamp.ts';
import type { JobAction } from '../jobs/jobAction.ts';
import { inTheWay, onOpenJob, readOpenJob, requireWay } from '../jobs/jobAction.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import { stockForJob } from '../shop/stock.ts';
import { askSupplier } from './supplier.ts';

export function supplierHandlers(
  dependencies: Dependencies,
): Pick<Handlers, 'quoteJob' | 'orderJob' | 'deliverJob'> {
  const { database, config } = dependencies;
  /** Keeps what the supplier said, unless somebody else changed the job while he was asked. */
  const keep = (
    request: FastifyRequest,
    jobId: string,
    version: number,
    supply: Supply,
    write: (log: JobAction['log']) => Promise<void>,
  ) =>
    onOpenJob(dependencies, request, jobId, async ({ job, transaction, log }) => {
      requireVersion(toJob(job), version);
      await job.update({ supply, version: version + 1 }, { transaction });
      await write(log);
    });
  return {
    quoteJob: async ({ request, params, body }) => {
      const { detail, person, now, isWritten } = await readOpenJob(dependencies, request, params.jobId);
      if (isWritten) return changeOf(detail, detail);
      requireVersion(detail.job, body.version);
      const hoses = ordered(detail);
      if (hoses.length === 0) requireWay([{ code: 'nothingToOrder' }], person);
      const order = orderDocument(
        detail,
        hoses,
        await stockForJob(database, detail),
        calendarDateOf(now),
        createWriter(person.units),
      );
      const counts = hoses.map((own) => ({ hoseId: own.hose.hoseId, ...boxCounts(detail, own) }));
      const quote = await askSupplier(config.supplier, '/quotes', { order, counts }, QuoteSchema);
      const digest = digestOf(orderFacts(detail));
      return keep(
        request,
        params.jobId,
        body.version,
        { quote, digest, confirmation: null, parcel: null },
        (log) => log('quoted', { quote: quote.quote, total: quote.total, currency: quote.currency }),
      );
    },

    orderJob: async ({ request, params, body }) => {
      const { detail, person, isWritten } = await readOpenJob(dependencies, request, params.jobId);
      if (isWritten) return changeOf(detail, detail);
      requireVersion(detail.job, body.version);
      const { supply } = detail.job;
      if (supply === null) throw inTheWay([{ code: 'notQuoted' }], person);
      if (supply.confirmation !== null) return changeOf(detail, detail);
      if (supply.digest && supply.digest !== digestOf(orderFacts(detail)))
        requireWay([{ code: 'changedSinceQuoted' }], person);
      // A supplier orders what he quoted once: asked again after a lost reply, he confirms the same order.
      const confirmation = await askSupplier(
        config.supplier,
        '/orders',
        { quote: supply.quote.quote },
        ConfirmationSchema,
      );
      return keep(request, params.jobId, body.version, { ...supply, confirmation }, (log) =>
        log('ordered', { order: confirmation.order, expectedOn: confirmation.expectedOn }),
      );
    },

    deliverJob: async ({ request, params, body }) => {
      const { detail, person, isWritten } = await readOpenJob(dependencies, request, params.jobId);
      if (isWritten) return changeOf(detail, detail);
      requireVersion(detail.job, body.version);
      const { supply } = detail.job;
      if (!supply?.confirmation) throw inTheWay([{ code: 'nothingOrdered' }], person);
      const parcel = await askSupplier(
        config.supplier,
        '/deliveries',
        { order: supply.confirmation.order, wrong: body.wrong },
        ParcelSchema,
      );
      return keep(request, params.jobId, body.version, { ...supply, parcel }, (log) =>
        log('delivered', { order: parcel.order, boxes: parcel.items.length }),
      );
    },
  };
}
