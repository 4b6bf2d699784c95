/** Asking the parts supplier: quote, order, and what comes. Here he is simulated, and sends the wrong thing when he is asked to. */
import type { Misdelivery, Supply } from '@zephyrcombe/contract';
import { may, MISDELIVERIES } from '@zephyrcombe/contract';
import { whoMay } from '@zephyrcombe/messages';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { jobQuery, useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { PartsSteps } from '../job/PartsSteps.tsx';
import { useCrumb } from '../../app/crumb.ts';
import { CLOSED } from '../job/JobContext.ts';
import { usePerson, useWriter } from '../../app/SessionContext.ts';
import { PlainButton, PrimaryButton } from '../../design/Button.tsx';
import { Pick } from '../../design/Pick.tsx';
import {
  Figure,
  Fine,
  Head,
  Hero,
  Label,
  Page,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
} from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { PrintTable } from '../sheets/sheetParts.ts';

const WRONG_WORDS: Readonly<Record<Misdelivery, string>> = {
  none: 'as ordered',
  short: 'every hose too short',
  long: 'every hose far too long',
  otherBend: 'another bend at end A',
  otherEye: 'a larger eye at end B',
  otherThread: 'another thread at end B',
  fewWashers: 'a washer missing',
  unmarked: 'nothing printed on the hose',
  undated: 'no date on it',
  blocked: 'something left in the bore',
};

export function SupplierPage() {
  const { jobId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  useCrumb(job.data ? `${job.data.vehicle.name}: parts supplier` : 'Parts supplier');
  if (job.isPending) return <Page aria-busy="true" />;
  if (job.isError)
    return (
      <Page>
        <LoadProblem error={job.error} onRetry={() => void job.refetch()} />
      </Page>
    );
  const { supply, status, version } = job.data.job;
  return (
    <Page>
      <Stack $gap={16} style={{ maxWidth: 800 }}>
        <PartsSteps detail={job.data} at="order" />
        <Head>Parts supplier</Head>
        <Fine>
          A simulated supplier on this machine: his prices and money are invented. The order goes to him as
          the document that the <Link to={`/jobs/${jobId}/order`}>order sheet</Link> offers.
        </Fine>
        <Steps
          key={supply?.quote.quote}
          jobId={jobId}
          version={version}
          supply={supply}
          finished={status !== 'open'}
        />
      </Stack>
    </Page>
  );
}

interface StepsProps {
  readonly jobId: string;
  readonly version: number;
  readonly supply: Supply | null;
  readonly finished: boolean;
}

function Steps({ jobId, version, supply, finished }: StepsProps) {
  const write = useWriter();
  const me = usePerson();
  const quote = useJobAction('quoteJob', jobId);
  const order = useJobAction('orderJob', jobId);
  const deliver = useJobAction('deliverJob', jobId);
  const [wrong, setWrong] = useState<Misdelivery>('none');
  const params = { jobId };
  const money = (hundredths: number) => (hundredths / 100).toFixed(2);
  return (
    <>
      <Sheet aria-label="Quote">
        <SheetTitle>Quote</SheetTitle>
        {supply ? (
          <>
            <PrintTable>
              <thead>
                <tr>
                  <th scope="col">Part</th>
                  <th scope="col">Count</th>
                  <th scope="col">Each, {supply.quote.currency}</th>
                </tr>
              </thead>
              <tbody>
                {supply.quote.lines.map((line) => (
                  <tr key={line.text}>
                    <td>{line.text}</td>
                    <td className="figure">{line.count}</td>
                    <td className="figure">{money(line.each)}</td>
                  </tr>
                ))}
              </tbody>
            </PrintTable>
            <Spread style={{ marginTop: 10 }}>
              <Label>
                {supply.quote.quote}, {supply.quote.days} days
              </Label>
              <Figure $size="large">
                {money(supply.quote.total)} {supply.quote.currency}
              </Figure>
            </Spread>
            {supply.quote.refused.map(({ text, why }) => (
              <Notice key={text} severity="warn" title={`Not quoted: ${text}`}>
                <p>{why}</p>
              </Notice>
            ))}
          </>
        ) : (
          <Fine>Nobody was asked yet.</Fine>
        )}
        <SaveProblem save={quote} />
        {finished || supply?.confirmation ? null : supply ? (
          <PlainButton
            style={{ marginTop: 10 }}
            isPending={quote.isPending}
            onPress={() => quote.mutate({ params, body: { version } })}
          >
            Ask again
          </PlainButton>
        ) : (
          <PrimaryButton
            style={{ marginTop: 10 }}
            isPending={quote.isPending}
            onPress={() => quote.mutate({ params, body: { version } })}
          >
            Ask for a quote
          </PrimaryButton>
        )}
      </Sheet>
      {supply ? (
        <Sheet aria-label="Order">
          <SheetTitle>Order</SheetTitle>
          {supply.confirmation ? (
            <>
              <Hero>{supply.confirmation.order}</Hero>
              <Fine>
                Confirmed {write.date(supply.confirmation.confirmedOn)}, expected{' '}
                {write.date(supply.confirmation.expectedOn)}.
              </Fine>
            </>
          ) : (
            <>
              <SaveProblem save={order} />
              <PrimaryButton
                isPending={order.isPending}
                because={
                  finished
                    ? CLOSED
                    : !may(me, 'order')
                      ? whoMay('order')
                      : supply.quote.lines.length === 0
                        ? 'Nothing was quoted.'
                        : null
                }
                onPress={() => order.mutate({ params, body: { version } })}
              >
                Order it
              </PrimaryButton>
            </>
          )}
        </Sheet>
      ) : null}
      {supply?.confirmation ? (
        <Sheet aria-label="Delivery">
          <SheetTitle>Delivery</SheetTitle>
          {/* While another is on its way, the box of before is not checked in its stead. */}
          {supply.parcel && !deliver.isPending ? (
            <p>
              {supply.parcel.items.length === 1 ? 'A box is' : `${supply.parcel.items.length} boxes are`}{' '}
              here.{' '}
              <Link to={`/jobs/${jobId}/kit?hose=${supply.parcel.items[0]?.hoseId ?? ''}`}>
                Check the kit in
              </Link>{' '}
              before anything is opened.
            </p>
          ) : (
            <Fine>{deliver.isPending ? 'On its way.' : 'Nothing has come yet.'}</Fine>
          )}
          <Pick<Misdelivery>
            label="What the simulated supplier sends"
            value={wrong}
            isDisabled={finished}
            options={MISDELIVERIES.map((value) => ({ value, text: WRONG_WORDS[value] }))}
            onChange={setWrong}
          />
          <SaveProblem save={deliver} />
          <PlainButton
            style={{ marginTop: 10 }}
            isPending={deliver.isPending}
            because={finished ? CLOSED : null}
            onPress={() => deliver.mutate({ params, body: { version, wrong } })}
          >
            {supply.parcel ? 'Have it sent again' : 'Have it sent'}
          </PlainButton>
        </Sheet>
      ) : null}
    </>
  );
}
