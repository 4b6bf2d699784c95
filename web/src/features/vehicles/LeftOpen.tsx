/** A brake that another job left open: what is open, since when, and what can be done about it. */
import type { LeftOpen } from '@zephyrcombe/contract';
import { LEFT_JOINT_WORDS, listOf } from '@zephyrcombe/messages';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useWriter } from '../../app/SessionContext.ts';
import { Notice } from '../../design/Notice.tsx';
import { SIZE } from '../../design/tokens.ts';

interface LeftOpenNoticeProps {
  readonly left: LeftOpen;
  /** What can be done about it. */
  readonly children?: ReactNode;
}

export function LeftOpenNotice({ left, children }: LeftOpenNoticeProps) {
  const write = useWriter();
  const { circuits, joints, items } = left;
  return (
    <Notice
      severity="stop"
      title={`Brake left open: ${listOf(
        circuits.map(({ name }) => name),
        'and',
      )}`}
    >
      <p>
        {left.by} gave up <Link to={`/jobs/${left.jobId}/look-over`}>{left.jobTitle}</Link> on{' '}
        {write.date(left.at)}. The vehicle does not run until another job has closed it.
      </p>
      {joints.length + items.length > 0 ? (
        <ul style={{ fontSize: SIZE.small }}>
          {joints.map(({ id, name, state }) => (
            <li key={id}>
              {name}: {LEFT_JOINT_WORDS[state]}
            </li>
          ))}
          {items.map(({ kind, name }) => (
            <li key={`${kind} ${name}`}>{name}: off</li>
          ))}
        </ul>
      ) : null}
      {children}
    </Notice>
  );
}

interface LeftOpenOnVehicleProps {
  readonly vehicleId: string;
  readonly leftOpen: readonly LeftOpen[];
}

/** On the page of the vehicle, with the way to a job that closes it. */
export const LeftOpenOnVehicle = ({ vehicleId, leftOpen }: LeftOpenOnVehicleProps) =>
  leftOpen.map((left) => (
    <LeftOpenNotice key={left.jobId} left={left}>
      <Link
        to={`/jobs/new?${new URLSearchParams({
          vehicle: vehicleId,
          fluid: left.circuits.map(({ id }) => id).join(','),
          ...(left.joints.length > 0 ? { joints: left.joints.map(({ id }) => id).join(',') } : {}),
          why: `Closes the brake that “${left.jobTitle}” left open`,
        }).toString()}`}
      >
        Start a job that closes it
      </Link>
    </LeftOpenNotice>
  ));
