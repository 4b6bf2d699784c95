import type { Job } from '@zephyrcombe/contract';
import { useWriter } from '../../app/SessionContext.ts';
import { Notice } from '../../design/Notice.tsx';

/** Over every page and sheet of a job that was given up. */
export function AbandonedNotice({ abandoned }: { readonly abandoned: NonNullable<Job['abandoned']> }) {
  const write = useWriter();
  return (
    <div style={{ marginBottom: 16 }}>
      <Notice
        severity={abandoned.brakeLeftOpen ? 'stop' : 'note'}
        title={`Abandoned ${write.date(abandoned.on)} by ${abandoned.by}`}
      >
        <p>{abandoned.because}</p>
        {abandoned.brakeLeftOpen ? (
          <p>The brake was left open: the vehicle does not run until another job has closed it.</p>
        ) : null}
      </Notice>
    </div>
  );
}
