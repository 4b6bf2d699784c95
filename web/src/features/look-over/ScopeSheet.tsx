/** Which circuits the job works on: another one is taken in, and one that nothing was done on is left out again. */
import type { Circuit } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { Tick } from '../../design/fields.tsx';
import { Fine, Sheet, SheetTitle } from '../../design/layout.ts';
import { many } from '../jobs/newJob.ts';
import { useJob } from '../job/JobContext.ts';
import { scopeIdsOf } from '../job/jobView.ts';

/** A vehicle with one circuit leaves no choice. */
export function ScopeSheet({ circuits }: { readonly circuits: readonly Circuit[] }) {
  const detail = useJob();
  const { job } = detail;
  const set = useJobAction('setScope', job.id);
  const drawn = circuits.filter(({ components }) => components.length > 0);
  if (drawn.length < 2) return null;
  const inJob = detail.circuits.map(({ circuit }) => circuit.id);
  const { all, jointIds, ...scope } = scopeIdsOf(detail);
  const linesOf = ({ hoses }: Circuit) => hoses.filter(({ id }) => all.includes(id)).length;
  const jointsOf = ({ joints }: Circuit) => joints.filter(({ id }) => jointIds.includes(id)).length;
  return (
    <Sheet>
      <SheetTitle>Circuits in this job</SheetTitle>
      {drawn.map((circuit) => {
        const [lines, joints] = [linesOf(circuit), jointsOf(circuit)];
        const own = [
          ...(lines > 0 ? [many(lines, 'line')] : []),
          ...(joints > 0 ? [many(joints, 'joint')] : []),
        ];
        return (
          <Tick
            key={circuit.id}
            isSelected={inJob.includes(circuit.id)}
            isDisabled={
              isClosed(job) ||
              set.isPending ||
              own.length > 0 ||
              (inJob.length === 1 && inJob[0] === circuit.id)
            }
            onChange={(wanted) =>
              set.mutate({
                params: { jobId: job.id },
                body: {
                  version: job.version,
                  circuitIds: wanted ? [...inJob, circuit.id] : inJob.filter((id) => id !== circuit.id),
                  hoseIds: scope.hoseIds,
                  lineIds: scope.lineIds,
                },
              })
            }
          >
            {circuit.name}
            {own.length === 0 ? '' : `, with ${own.join(' and ')}`}
          </Tick>
        );
      })}
      <Fine>The fluid of each is changed. Hoses are taken in below, on their circuit.</Fine>
      <SaveProblem save={set} />
    </Sheet>
  );
}
