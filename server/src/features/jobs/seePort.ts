/** What an opened joint shows, from within the job: what was assumed of it is seen now, or proves to be something else. */
import { hydraulicsOf } from '@zephyrcombe/contract';
import { changeJoint, changePort, withKnown } from '@zephyrcombe/core';
import { AppProblem } from '../../http/appProblem.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import { loadCircuitIn } from '../vehicles/circuit.repository.ts';
import { saveHydraulics } from '../vehicles/saveHydraulics.ts';
import { spokenFor } from '../vehicles/spokenFor.ts';
import type { JobAction } from './jobAction.ts';
import { followCircuit, openJobsOn } from './jobScope.ts';

export async function seePort(
  { detail, models, transaction, person, now, log }: JobAction,
  jointId: string,
  { version, how, eyeThickness_m = null, ...found }: ParsedBody<'seePort'>,
): Promise<void> {
  const circuit = detail.circuits
    .map((one) => one.circuit)
    .find(({ joints }) => joints.some(({ id }) => id === jointId));
  const joint = circuit?.joints.find(({ id }) => id === jointId);
  const port = circuit?.ports.find(({ id }) => id === joint?.portId);
  if (!circuit || !joint || !port) throw new AppProblem('not-found');
  requireVersion(circuit, version);

  const { thread, gender, seat, depth_m } = port;
  const eye = eyeThickness_m === null ? {} : { eyeThickness_m };
  const before = {
    thread,
    gender,
    seat,
    depth_m,
    ...(eyeThickness_m === null ? {} : { eyeThickness_m: joint.eyeThickness_m }),
  };
  const facts = ['thread', 'seat', ...(found.depth_m === null ? [] : ['depth_m' as const])] as const;
  const drawing = hydraulicsOf(circuit);
  const said = withKnown({ ...port, ...found }, facts, { how });
  const seen = changePort(drawing, port.id, { ...found, known: said.known });
  const next =
    eyeThickness_m === null
      ? seen
      : changeJoint(seen, jointId, {
          eyeThickness_m,
          known: withKnown(joint, ['eyeThickness_m'], { how: 'measured' }).known,
        });
  await saveHydraulics(
    models,
    transaction,
    circuit,
    spokenFor(drawing, next, { by: person.name, at: now.toISOString() }),
  );
  const saved = await loadCircuitIn(models, circuit.id, transaction);
  for (const job of await openJobsOn(models, transaction, circuit.id))
    await followCircuit(models, transaction, job.id, circuit, saved);
  await log('portSeen', { jointId, how, before, found: { ...found, ...eye } });
}
