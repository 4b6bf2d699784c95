import { VEHICLE_CAUTION_TEXTS } from '@zephyrcombe/contract';
import type { VehicleFacts } from '@zephyrcombe/core';
import { vehicleCautions } from '@zephyrcombe/core';
import { Notice } from '../../design/Notice.tsx';

interface VehicleCautionsProps {
  readonly vehicle: VehicleFacts;
  readonly circuits: readonly { readonly components: readonly { readonly kind: string }[] }[];
  /** Who may work on brakes here, in the shop's own words. */
  readonly brakeWorkRule?: string;
}

/** What to beware of on this vehicle, from what is known of it. */
export function VehicleCautions({ vehicle, circuits, brakeWorkRule = '' }: VehicleCautionsProps) {
  const calipersOnOneMaster = Math.max(
    0,
    ...circuits.map((circuit) => circuit.components.filter((part) => part.kind === 'caliper').length),
  );
  return vehicleCautions({ ...vehicle, calipersOnOneMaster }).map((caution) => {
    const { title, advice } = VEHICLE_CAUTION_TEXTS[caution];
    const severity = caution === 'absMustNotRunDry' || caution === 'electricBooster' ? 'stop' : 'note';
    return (
      <Notice key={caution} severity={severity} title={title}>
        <p>{advice}</p>
        {caution === 'licensedPractice' && brakeWorkRule !== '' ? <p>{brakeWorkRule}</p> : null}
      </Notice>
    );
  });
}
