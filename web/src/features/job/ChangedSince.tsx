/** What was approved and is not what it was: what changed since, and who had approved it. */
import type { Approval } from '@zephyrcombe/contract';
import type { Standing } from '@zephyrcombe/workshop';
import { changeText } from '@zephyrcombe/messages';
import { useWriter } from '../../app/SessionContext.ts';
import { Notice } from '../../design/Notice.tsx';

interface ChangedSinceProps {
  readonly approval: Approval | null | undefined;
  readonly standing: Standing;
  readonly title: string;
  /** "{who} {did} it on {day}." */
  readonly did: string;
  readonly until: string;
}

export function ChangedSince({ approval, standing, title, did, until }: ChangedSinceProps) {
  const write = useWriter();
  if (standing.state !== 'passed' || !approval) return null;
  return (
    <Notice severity="warn" title={title}>
      <p>
        {approval.by} {did} it on {write.date(approval.at)}. {until}
      </p>
      <ul>
        {standing.changes.map((change) => (
          <li key={change.path.join('.')}>{changeText(change, write)}</li>
        ))}
      </ul>
    </Notice>
  );
}
