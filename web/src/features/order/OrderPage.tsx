/** What to order, hose by hose, and what else goes into the box, less what lies on the shelf. */
import type { HoseOfJob, JobDetail, OrderHose } from '@zephyrcombe/contract';
import {
  buildOf,
  hoseOfJob,
  isClosed,
  ORDER_FILES,
  orderAddress,
  ordered,
  orderHose,
  orderNumber,
  partsOf,
  torqueOf,
} from '@zephyrcombe/contract';
import {
  ALONG_NAMES,
  BRAID_NAMES,
  clockingText,
  COVER_NAMES,
  datumName,
  FIXING_NAMES,
  LINER_NAMES,
  MATERIAL_NAMES,
  torqueSourceName,
} from '@zephyrcombe/messages';
import { endText, orderHead } from '@zephyrcombe/documents';
import { Link } from 'react-router';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useToday, useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton } from '../../design/Button.tsx';
import { DayField } from '../../design/DayField.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Label, Line, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { PartsSteps } from '../job/PartsSteps.tsx';
import type { JointView } from '../job/jobView.ts';
import { isCalculated, jointsInOrder, stackOf } from '../job/jobView.ts';
import { datumsFor, inDatum, restsOnAssumed, sameDatum } from '../measure/measureView.ts';
import { NotOnPaper } from '../paper/NotOnPaper.tsx';
import { JobSheet } from '../sheets/JobSheet.tsx';
import { PrintTable } from '../sheets/sheetParts.ts';
import { BillTable } from './BillTable.tsx';
import { MarkingNotes } from './MarkingNotes.tsx';

export function OrderPage() {
  return (
    <JobSheet title="Order sheet">
      {(detail) => (
        <>
          <PartsSteps detail={detail} at="order" />
          <OrderTerms key={detail.job.id} detail={detail} />
          <Files detail={detail} />
          {detail.hoses.map(({ hoseId }) => {
            const own = hoseOfJob(detail, hoseId);
            return own ? <HoseTable key={hoseId} own={own} jobId={detail.job.id} /> : null;
          })}
          <h2>Joints</h2>
          <PrintTable>
            <thead>
              <tr>
                <th scope="col">Joint</th>
                <th scope="col">Eyes</th>
                <th scope="col">Bolt</th>
                <th scope="col">Fresh washers</th>
                <th scope="col">Torque, and whose figure it is</th>
              </tr>
            </thead>
            <tbody>
              {jointsInOrder(detail).map((view) => (
                <JointRow key={view.joint.id} view={view} />
              ))}
            </tbody>
          </PrintTable>
          <BillTable detail={detail} />
          <MarkingNotes use={detail.vehicle.use} />
          <Fine style={{ marginTop: 16 }}>
            The vehicle maker’s manual, the hose maker’s sheet and local law come first. Compare the new hose
            with this sheet before the system is opened.
          </Fine>
        </>
      )}
    </JobSheet>
  );
}

const FILE_WORDS = {
  pdf: 'PDF to print or send',
  csv: 'table (CSV)',
  json: 'document (JSON)',
} as const;

/** What the order says of itself; the same as on its files. */
function OrderTerms({ detail }: { readonly detail: JobDetail }) {
  const write = useWriter();
  const today = useToday();
  const { job, shop, vehicle } = detail;
  const terms = job.orderTerms ?? { needBy: null, finish: '' };
  const [draft, setDraft, clear] = useDraft(`order.${job.id}`, {
    needBy: terms.needBy ?? '',
    finish: terms.finish,
  });
  const edit = useJobAction('editJob', job.id, clear);
  const isChanged = draft.needBy !== (terms.needBy ?? '') || draft.finish.trim() !== terms.finish;
  const head = orderHead(
    {
      format: 'zephyrcombe.order',
      schemaVersion: 1,
      reference: job.id,
      number: orderNumber(job),
      writtenOn: today,
      needBy: terms.needBy,
      finish: terms.finish,
      shop: shop.name,
      shopAddress: shop.address,
      shopPhone: shop.phone,
      vehicle,
    },
    write,
  );
  return (
    <>
      <div style={{ marginTop: 12 }}>
        {head.map((line) => (
          <p key={line}>{line}</p>
        ))}
      </div>
      {shop.address === '' || shop.phone === '' ? (
        <Fine className="no-print">
          The shop’s address or phone is not written down yet: <Link to="/shop">your lead writes it</Link>.
        </Fine>
      ) : null}
      {isClosed(job) ? null : (
        <Stack $gap={8} className="no-print" style={{ margin: '12px 0' }}>
          <Line $gap={16} style={{ alignItems: 'end' }}>
            <DayField
              label="Needed by"
              value={draft.needBy}
              onChange={(needBy) => setDraft({ ...draft, needBy })}
            />
            <div style={{ flex: '1 1 240px' }}>
              <TextField
                label="Finish of cover and fittings, as the supplier names it"
                value={draft.finish}
                onChange={(finish) => setDraft({ ...draft, finish })}
              />
            </div>
            {isChanged ? (
              <PlainButton
                isPending={edit.isPending}
                onPress={() =>
                  edit.mutate({
                    params: { jobId: job.id },
                    body: {
                      version: job.version,
                      orderTerms: {
                        needBy: draft.needBy === '' ? null : draft.needBy,
                        finish: draft.finish.trim(),
                      },
                    },
                  })
                }
              >
                Put it on the order
              </PlainButton>
            ) : null}
          </Line>
          <SaveProblem save={edit} onTakeTheirs={clear} />
        </Stack>
      )}
    </>
  );
}

/** What a person typed that stands on the order. */
const printed = (detail: JobDetail): readonly (string | null | undefined)[] => [
  ...partsOf(detail).hoses.map(({ name }) => name),
  ...partsOf(detail).joints.map(({ name }) => name),
  detail.job.title,
  detail.job.orderTerms?.finish,
  detail.shop.name,
  detail.shop.address,
  detail.shop.phone,
  detail.vehicle.name,
  detail.vehicle.plate,
];

function Files({ detail }: { readonly detail: JobDetail }) {
  const open = detail.hoses.filter(({ specified }) => !specified);
  if (ordered(detail).length === 0)
    return (
      <Notice severity="note" title="Nothing to send yet">
        <p>
          {open.length > 0
            ? 'A hose goes on the order once it is specified. '
            : 'All hoses of this job are made up here. '}
          <Link to={`/jobs/${detail.job.id}/specify`}>Go to Specify</Link>
        </p>
      </Notice>
    );
  return (
    <div className="no-print">
      <Line $gap={16}>
        <Label>The order as</Label>
        {ORDER_FILES.map((file) => (
          <a key={file} href={orderAddress(detail.job.id, file)} download>
            {FILE_WORDS[file]}
          </a>
        ))}
        <Link to={`/jobs/${detail.job.id}/supplier`}>Ask the supplier</Link>
      </Line>
      <NotOnPaper texts={printed(detail)} />
      {open.length > 0 ? (
        <Fine>
          {open.length === 1 ? 'One hose is' : `${open.length} hoses are`} not specified yet and not on the
          files.
        </Fine>
      ) : null}
    </div>
  );
}

function HoseTable({ own, jobId }: { readonly own: HoseOfJob; readonly jobId: string }) {
  const write = useWriter();
  const { hose, fitted } = own;
  const order = orderHose(own);
  const { madeHere } = buildOf(own);
  return (
    <>
      <h2>
        {fitted.name}
        {madeHere ? ' (made up here)' : hose.specified ? '' : ' (not specified yet)'}
      </h2>
      <PrintTable>
        <tbody>
          {hose.order_m === null ? (
            <tr>
              <th scope="row">Length</th>
              <td>not measured yet</td>
            </tr>
          ) : (
            datumsFor(hose).map((datum) => {
              const converted = inDatum(hose, hose.order_m ?? 0, datum);
              return converted.ok ? (
                <tr key={datum.endA + datum.endB}>
                  <th scope="row">{datumName(datum)}</th>
                  <td className="figure">
                    {write.length(converted.value.length_m)}
                    {restsOnAssumed(hose, datum) ? ', by assumed take-offs' : ''}
                    {hose.orderDatum !== null && sameDatum(datum, hose.orderDatum) ? ' ← order this' : ''}
                  </td>
                </tr>
              ) : null;
            })
          )}
          {order ? <OrderRows order={order} /> : null}
        </tbody>
      </PrintTable>
      {hose.specified && !madeHere ? (
        <Line className="no-print" $gap={16} style={{ marginTop: 6 }}>
          <Label>This hose alone:</Label>
          {ORDER_FILES.map((file) => (
            <a key={file} href={orderAddress(jobId, file, hose.hoseId)} download>
              {file.toUpperCase()}
            </a>
          ))}
        </Line>
      ) : null}
    </>
  );
}

function OrderRows({ order }: { readonly order: OrderHose }) {
  const write = useWriter();
  return (
    <>
      <tr>
        <th scope="row">Tolerance</th>
        <td className="figure">± {write.length(order.tolerance_m)}</td>
      </tr>
      <tr>
        <th scope="row">End A, {order.endA.at.toLowerCase()}</th>
        <td>{endText(order.endA, write)}</td>
      </tr>
      <tr>
        <th scope="row">End B, {order.endB.at.toLowerCase()}</th>
        <td>{endText(order.endB, write)}</td>
      </tr>
      <tr>
        <th scope="row">Clocking</th>
        <td>{clockingText(order, write)}</td>
      </tr>
      <tr>
        <th scope="row">Hose</th>
        <td>
          bore {write.fineLength(order.bore_m)}, {write.fineLength(order.outside_m)} over all,{' '}
          {LINER_NAMES[order.liner]} liner, {BRAID_NAMES[order.braid]} braid, {COVER_NAMES[order.cover]}{' '}
          cover; ends {FIXING_NAMES[order.fixing]}
        </td>
      </tr>
      {order.along.length === 0 ? null : (
        <tr>
          <th scope="row">On it, from end A</th>
          <td>
            {order.along
              .map(
                (part) =>
                  `${ALONG_NAMES[part.kind]} at ${write.length(part.from_m)}${part.length_m > 0 ? `, ${write.length(part.length_m)} long` : ''}${part.note ? ` (${part.note})` : ''}`,
              )
              .join('; ')}
          </td>
        </tr>
      )}
    </>
  );
}

function JointRow({ view }: { readonly view: JointView }) {
  const write = useWriter();
  const { joint, chosen, eyes } = view;
  const stack = stackOf(view);
  return (
    <tr>
      <td>{joint.name}</td>
      <td className="figure">{joint.seal === 'banjo' ? eyes : '–'}</td>
      <td>
        {chosen.bolt
          ? `${chosen.bolt.thread} × ${write.length(chosen.bolt.length_m)}, ${MATERIAL_NAMES[chosen.bolt.material]}${chosen.boltState === 'new' ? '' : ', used'}`
          : 'none'}
      </td>
      <td>
        {isCalculated(stack) && chosen.washer
          ? `${stack.value.washers}, ${MATERIAL_NAMES[chosen.washer.material]}`
          : 'none'}
      </td>
      <td>
        {write.torqueRange(torqueOf(joint).governing.minimum_Nm, torqueOf(joint).governing.maximum_Nm)},{' '}
        {torqueSourceName(torqueOf(joint).governing.source)}
      </td>
    </tr>
  );
}
