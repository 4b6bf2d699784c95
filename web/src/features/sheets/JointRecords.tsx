/** Each joint as it was tightened: asked for and reached, with what, by whom, and its photographs. */
import type { JobDetail } from '@zephyrcombe/contract';
import { partsOf, photoAddress, torqueOf } from '@zephyrcombe/contract';
import type { Writer } from '@zephyrcombe/messages';
import {
  BOLT_STATE_NAMES,
  lowerFirst,
  stepDone,
  THREAD_STATE_NAMES,
  torqueSourceName,
} from '@zephyrcombe/messages';
import styled from 'styled-components';
import { useWriter } from '../../app/SessionContext.ts';
import { Fine } from '../../design/layout.ts';
import { colour } from '../../design/tokens.ts';
import { PrintTable } from './sheetParts.ts';

type Record = JobDetail['torqueRecords'][number];

const isDry = (detail: JobDetail, jointId: string) =>
  detail.joints.some((joint) => joint.jointId === jointId && joint.leakChecked);

/** A nut or a fitting that seals metal to metal takes no washers. */
const washersText = (detail: JobDetail, record: Record): string =>
  partsOf(detail).joints.find(({ id }) => id === record.jointId)?.seal === 'banjo'
    ? String(record.freshWashers)
    : 'takes none';

/** Whatever a figure alone does not tell of a torque, each in a line of its own. */
const remarksOn = ({ because, verdict, renewed, threads, witnessMark }: Record): readonly string[] => [
  ...(because ? [because] : []),
  ...(verdict === 'above' ? ['over its limit'] : []),
  ...(verdict === 'yielded' ? ['the bolt gave'] : []),
  ...(renewed ? ['after it was over-tightened: new bolt, or seat and thread sound'] : []),
  ...(witnessMark ? ['marked'] : []),
  ...(threads ? [`threads: ${THREAD_STATE_NAMES[threads]}`] : []),
];

/** Joints that no torque stands against: of this job, or left alone by it. */
const withoutRecord = (detail: JobDetail): readonly (readonly [string, string])[] =>
  partsOf(detail)
    .joints.filter(({ id }) => detail.torqueRecords.every(({ jointId }) => jointId !== id))
    .map(({ id, name }) => [
      name,
      detail.joints.some(({ jointId }) => jointId === id) ? 'not torqued yet' : 'not opened',
    ]);

/** The range that it had to reach, and whose figure that is. */
function askedFor(detail: JobDetail, jointId: string, write: Writer): string {
  const joint = partsOf(detail).joints.find(({ id }) => id === jointId);
  if (!joint) return '';
  const { minimum_Nm, maximum_Nm, source } = torqueOf(joint).governing;
  return source === null
    ? 'no figure known'
    : `asked: ${write.torqueRange(minimum_Nm, maximum_Nm)}, ${torqueSourceName(source)}`;
}

/** The bolt that it tightened, as it was said to be then; nothing where there is none. */
function boltText({ fitted }: Record): string {
  const state = fitted?.facts.boltState;
  return typeof state === 'string' && fitted?.facts.bolt !== undefined && state in BOLT_STATE_NAMES
    ? `bolt ${BOLT_STATE_NAMES[state as keyof typeof BOLT_STATE_NAMES]}`
    : '';
}

const Pictures = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 14px;
  margin-top: 14px;
  figure {
    margin: 0;
    break-inside: avoid;
  }
  img {
    display: block;
    width: 100%;
    height: auto;
    border: 1px solid ${colour('hairline')};
  }
`;

export function JointRecords({ detail }: { readonly detail: JobDetail }) {
  const write = useWriter();
  const { joints } = partsOf(detail);
  const nameOf = (id: string) => joints.find((joint) => joint.id === id)?.name;
  const photos = detail.photos.filter(
    ({ subject, subjectId }) => subject === 'part' && nameOf(subjectId) !== undefined,
  );
  return (
    <>
      <PrintTable>
        <thead>
          <tr>
            <th scope="col">Joint</th>
            <th scope="col">Torque</th>
            <th scope="col">Wrench</th>
            <th scope="col">Fresh washers</th>
            <th scope="col">Dry under pressure</th>
            <th scope="col">By, when</th>
          </tr>
        </thead>
        <tbody>
          {detail.torqueRecords.map((record) => (
            <tr key={record.id}>
              <td>{nameOf(record.jointId)}</td>
              <td>
                <span className="figure">
                  {record.torque_Nm === null ? 'by feel, no figure' : write.torque(record.torque_Nm)}
                </span>
                <Fine>{askedFor(detail, record.jointId, write)}</Fine>
                {remarksOn(record).map((remark) => (
                  <Fine key={remark}>{remark}</Fine>
                ))}
              </td>
              <td>
                {record.wrenchName ?? 'none'}
                {record.pullId ? ', read by line' : ''}
                {record.adapter ? `, with a crowfoot: ${record.typed} on the wrench` : ''}
              </td>
              <td>
                <span className="figure">{washersText(detail, record)}</span>
                <Fine>{boltText(record)}</Fine>
              </td>
              <td>{isDry(detail, record.jointId) ? 'yes' : 'not checked'}</td>
              <td>
                {record.by}
                <Fine>{write.moment(record.at)}</Fine>
              </td>
            </tr>
          ))}
          {withoutRecord(detail).map(([name, state]) => (
            <tr key={name}>
              <td>{name}</td>
              <td colSpan={5}>{state}</td>
            </tr>
          ))}
        </tbody>
      </PrintTable>
      {photos.length === 0 ? null : (
        <Pictures>
          {photos.map(({ id, subjectId, step, takenBy, takenAt, width_px, height_px }) => (
            <figure key={id}>
              <img
                src={photoAddress(detail.job.id, id)}
                alt={nameOf(subjectId)}
                width={width_px}
                height={height_px}
              />
              <figcaption>
                <Fine>
                  {nameOf(subjectId)}
                  {step === null ? '' : `: ${lowerFirst(stepDone({ kind: step }))}`}. {write.date(takenAt)},{' '}
                  {takenBy}
                </Fine>
              </figcaption>
            </figure>
          ))}
        </Pictures>
      )}
    </>
  );
}
