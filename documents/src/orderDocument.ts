/** An order as it leaves the shop: the hoses, and what else goes into the box in words. */
import type { HoseOfJob, JobDetail, OrderDocument, StockItem } from '@zephyrcombe/contract';
import {
  billOfJob,
  ORDER_FORMAT,
  ORDER_SCHEMA_VERSION,
  OrderDocumentSchema,
  orderHose,
  orderNumber,
} from '@zephyrcombe/contract';
import type { Writer } from '@zephyrcombe/messages';
import { partText } from '@zephyrcombe/messages';

export function orderDocument(
  detail: JobDetail,
  hoses: readonly HoseOfJob[],
  stock: readonly StockItem[],
  writtenOn: string,
  write: Writer,
): OrderDocument {
  const bill = billOfJob(
    detail,
    stock,
    hoses.map(({ hose }) => hose.hoseId),
  );
  // Parsing puts the fields into the order of the schema, and proves that what leaves can be read.
  return OrderDocumentSchema.parse({
    format: ORDER_FORMAT,
    schemaVersion: ORDER_SCHEMA_VERSION,
    reference: detail.job.id,
    number: orderNumber(detail.job),
    writtenOn,
    needBy: detail.job.orderTerms?.needBy ?? null,
    finish: detail.job.orderTerms?.finish ?? '',
    shop: detail.shop.name,
    shopAddress: detail.shop.address,
    shopPhone: detail.shop.phone,
    vehicle: {
      name: detail.vehicle.name,
      plate: detail.vehicle.plate,
      kind: detail.vehicle.kind,
      use: detail.vehicle.use,
    },
    hoses: hoses.flatMap((own) => orderHose(own) ?? []),
    parts: bill
      .filter(({ part, toOrder }) => part.kind !== 'hose' && toOrder > 0)
      .map(({ key, part, toOrder }) => ({ key, text: partText(part, write), count: toOrder })),
  });
}
