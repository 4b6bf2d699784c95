import { progressOf } from '@zephyrcombe/workshop';
import { Navigate } from 'react-router';
import { useJob } from './JobContext.ts';

/** A job opened without a stage opens where work goes on. */
export function NextStage() {
  const detail = useJob();
  return <Navigate to={`/jobs/${detail.job.id}/${progressOf(detail).next}`} replace />;
}
