import { VEHICLE_CAUTION_TEXTS } from '@zephyrcombe/messages';
import type { VehicleCaution, VehicleFacts } from '@zephyrcombe/core';
import { vehicleCautions } from '@zephyrcombe/core';
import styled from 'styled-components';
import { Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { SIZE, colour } from '../../design/tokens.ts';

/** They hold on every vehicle, so they are folded to a line that opens; what is said of this one stays open. */
const GENERAL: ReadonlySet<VehicleCaution> = new Set([
  'licensedPractice',
  'roadMarkedHose',
  'fluidAttacksPaint',
]);

const Folded = styled.details`
  font-size: ${SIZE.small};
  summary {
    min-height: 44px;
    display: list-item;
    padding: 10px 0;
    cursor: pointer;
    color: ${colour('inkSoft')};
  }
`;

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
  const found = vehicleCautions({ ...vehicle, calipersOnOneMaster });
  const general = found.filter((caution) => GENERAL.has(caution));
  const [first, ...more] = general;
  const notice = (caution: VehicleCaution) => {
    const { title, advice } = VEHICLE_CAUTION_TEXTS[caution];
    const severity = caution === 'absMustNotRunDry' || caution === 'electricBooster' ? 'stop' : 'note';
    return (
      <Notice key={caution} severity={severity} title={title}>
        <p>{advice}</p>
        {caution === 'licensedPractice' && brakeWorkRule !== '' ? <p>{brakeWorkRule}</p> : null}
      </Notice>
    );
  };
  return (
    <>
      {found.filter((caution) => !GENERAL.has(caution)).map(notice)}
      {first === undefined ? null : (
        <Folded>
          <summary>
            {VEHICLE_CAUTION_TEXTS[first].title}
            {more.length === 0 ? '' : `, and ${more.length} more`}
          </summary>
          <Stack $gap={10}>{general.map(notice)}</Stack>
        </Folded>
      )}
    </>
  );
}
