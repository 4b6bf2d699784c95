/** A hose that was specified and is not what it was: what changed since, and who had specified it. */
import type { HoseOfJob } from '@zephyrcombe/contract';
import { changeText, specificationStanding } from '@zephyrcombe/workshop';
import { useWriter } from '../../app/SessionContext.ts';
import { Notice } from '../../design/Notice.tsx';
import { useJob } from '../job/JobContext.ts';

export function ChangedSince({ own }: { readonly own: HoseOfJob }) {
  const detail = useJob();
  const write = useWriter();
  const { specification } = own.hose;
  const standing = specificationStanding(detail, own);
  if (standing.state !== 'passed' || !specification) return null;
  return (
    <Notice severity="warn" title="Changed since it was specified">
      <p>
        {specification.by} specified it on {write.date(specification.at)}. Until it is specified again it is
        not fitted.
      </p>
      <ul>
        {standing.changes.map((change) => (
          <li key={change.path.join('.')}>{changeText(change, write)}</li>
        ))}
      </ul>
    </Notice>
  );
}
