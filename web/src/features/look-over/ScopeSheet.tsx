/** Which circuits the job works on: another one is taken in, and one that nothing was done on is left out again. */
import type { Circuit } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { Tick } from '../../design/fields.tsx';
import { Fine, Sheet, SheetTitle } from '../../design/layout.ts';
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
  const hosesOf = ({ hoses }: Circuit) => hoses.filter(({ id }) => scopeIdsOf(detail).all.includes(id));
  return (
    <Sheet>
      <SheetTitle>Circuits in this job</SheetTitle>
      {drawn.map((circuit) => {
        const own = hosesOf(circuit).length;
        return (
          <Tick
            key={circuit.id}
            isSelected={inJob.includes(circuit.id)}
            isDisabled={
              isClosed(job) || set.isPending || own > 0 || (inJob.length === 1 && inJob[0] === circuit.id)
            }
            onChange={(wanted) =>
              set.mutate({
                params: { jobId: job.id },
                body: {
                  version: job.version,
                  circuitIds: wanted ? [...inJob, circuit.id] : inJob.filter((id) => id !== circuit.id),
                  hoseIds: scopeIdsOf(detail).hoseIds,
                  lineIds: scopeIdsOf(detail).lineIds,
                },
              })
            }
          >
            {circuit.name}
            {own === 0 ? '' : own === 1 ? ', with 1 line' : `, with ${own} lines`}
          </Tick>
        );
      })}
      <Fine>The fluid of each is changed. Hoses are taken in below, on their circuit.</Fine>
      <SaveProblem save={set} />
    </Sheet>
  );
}
