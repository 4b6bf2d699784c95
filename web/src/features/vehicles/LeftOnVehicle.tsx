/** What jobs of before found on this vehicle and left on it, each with the way to a job that replaces it. */
import type { LeftOn } from '@zephyrcombe/contract';
import { CONDITION_WORDS } from '@zephyrcombe/messages';
import { Link } from 'react-router';
import { useWriter } from '../../app/SessionContext.ts';
import { Fine } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';

/** How an address names what a job is started for. */
const ASKED = { hose: 'hoses', hardLine: 'lines', joint: 'joints' } as const;

interface LeftOnVehicleProps {
  readonly vehicleId: string;
  readonly findings: readonly LeftOn[];
}

export function LeftOnVehicle({ vehicleId, findings }: LeftOnVehicleProps) {
  const write = useWriter();
  if (findings.length === 0) return null;
  return (
    <Notice severity="warn" title="Found, and left on the vehicle">
      <ul style={{ listStyle: 'none' }}>
        {findings.map(({ id, subject, subjectId, name, condition, degree, note, ...found }) => (
          <li key={id} style={{ padding: '4px 0' }}>
            {name}: {CONDITION_WORDS[condition]}, {degree}
            {note === '' ? '' : `: ${note}`}
            <Fine>
              {found.foundBy}, {write.date(found.foundAt)}, in{' '}
              <Link to={`/jobs/${found.jobId}/look-over`}>{found.jobTitle}</Link>
              {' · '}
              <Link to={`/jobs/new?vehicle=${vehicleId}&${ASKED[subject]}=${subjectId}`}>
                Start a job for {name}
              </Link>
            </Fine>
          </li>
        ))}
      </ul>
    </Notice>
  );
}
