import { VEHICLE_CAUTION_TEXTS } from '@zephyrcombe/contract';
import type { VehicleFacts } from '@zephyrcombe/core';
import { vehicleCautions } from '@zephyrcombe/core';
import { Notice } from '../../design/Notice.tsx';

/** What to beware of on this vehicle, from what is known of it. */
export function VehicleCautions({ vehicle }: { readonly vehicle: VehicleFacts }) {
  return vehicleCautions(vehicle).map((caution) => {
    const { title, advice } = VEHICLE_CAUTION_TEXTS[caution];
    const severity = caution === 'absMustNotRunDry' || caution === 'electricBooster' ? 'stop' : 'note';
    return (
      <Notice key={caution} severity={severity} title={title}>
        <p>{advice}</p>
      </Notice>
    );
  });
}
