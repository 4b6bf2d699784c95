/** Saving what was found on the vehicle into the circuit at hand, from within the job. */
import type { HydraulicsEntry, VehicleDetail } from '@zephyrcombe/contract';
import type { Hydraulics } from '@zephyrcombe/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { ApiError, RequestOf } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { jobQuery, vehicleQuery } from '../../api/queries.ts';
import { useCircuitAtHand } from '../job/circuitAtHand.ts';
import { useJob } from '../job/JobContext.ts';

export function useCircuitSave(onSaved?: () => void) {
  const { job } = useJob();
  const { circuit } = useCircuitAtHand();
  const client = useQueryClient();
  const readAgain = () => client.invalidateQueries({ queryKey: jobQuery(job.id).queryKey });
  const save = useMutation<VehicleDetail, ApiError, RequestOf<'saveCircuit'>>({
    mutationFn: (input) => call('saveCircuit', input),
    onSuccess: (detail) => {
      client.setQueryData(vehicleQuery(circuit.vehicleId).queryKey, detail);
      onSaved?.();
      return readAgain();
    },
  });
  return {
    save,
    readAgain: () => void readAgain(),
    send: (hydraulics: Hydraulics) =>
      save.mutate({
        params: { vehicleId: circuit.vehicleId, circuitId: circuit.id },
        body: { version: circuit.version, hydraulics: hydraulics as HydraulicsEntry },
      }),
  };
}
