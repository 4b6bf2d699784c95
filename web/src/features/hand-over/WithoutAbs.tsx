/** A circuit of a vehicle with ABS in which no unit is drawn: said once of the vehicle that it never had one. */
import { isClosed } from '@zephyrcombe/contract';
import { factOf, mayBeWithoutAbs } from '@zephyrcombe/workshop';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { Tick } from '../../design/fields.tsx';
import { useJob } from '../job/JobContext.ts';

export function WithoutAbs() {
  const detail = useJob();
  const say = useJobAction('sayFitFact', detail.job.id);
  return (
    <>
      {mayBeWithoutAbs(detail).map(({ id, name }) => (
        <Tick
          key={id}
          isSelected={factOf(detail, 'withoutAbs', id) === true}
          isDisabled={isClosed(detail.job)}
          onChange={(value) =>
            say.mutate({
              params: { jobId: detail.job.id },
              body: { id: newId(), said: { kind: 'withoutAbs', subjectId: id, value } },
            })
          }
        >
          {name} never had an ABS unit on this vehicle
        </Tick>
      ))}
      <SaveProblem save={say} />
    </>
  );
}
