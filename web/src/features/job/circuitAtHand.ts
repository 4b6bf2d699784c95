/** Which circuit of a job is shown: that of what is selected, the one that was chosen, that of the nipple to bleed, or the first. */
import type { JobCircuit, JobDetail } from '@zephyrcombe/contract';
import { circuitOfPart, firstCircuit } from '@zephyrcombe/contract';
import { isNippleClear } from '@zephyrcombe/workshop';
import { useSearchParams } from 'react-router';
import { useJob } from './JobContext.ts';

/** Parameters of the address that select something on a circuit. */
const PARTS = ['joint', 'hose', 'nipple'] as const;

export function circuitAtHand(detail: JobDetail, search: URLSearchParams, isBleeding = false): JobCircuit {
  const part = PARTS.map((key) => search.get(key)).find((id) => id !== null);
  const chosen = search.get('circuit');
  return (
    (part === undefined ? null : circuitOfPart(detail, part)) ??
    detail.circuits.find(({ circuit }) => circuit.id === chosen) ??
    (isBleeding
      ? detail.circuits.find(({ circuit }) =>
          circuit.components.some(({ id, kind }) => kind === 'bleedNipple' && !isNippleClear(detail, id)),
        )
      : undefined) ??
    firstCircuit(detail)
  );
}

export function useCircuitAtHand(): JobCircuit {
  const [search] = useSearchParams();
  return circuitAtHand(useJob(), search);
}
