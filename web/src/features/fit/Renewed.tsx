/** A joint that was tightened too far is not right because the next figure is: what has to be new, or looked at. */
import type { TorqueRecord } from '@zephyrcombe/contract';
import type { SealKind } from '@zephyrcombe/core';
import { Tick } from '../../design/fields.tsx';
import { Notice } from '../../design/Notice.tsx';

interface RenewedProps {
  readonly seal: SealKind;
  readonly last: TorqueRecord | null;
  readonly isSelected: boolean;
  readonly onChange: (renewed: boolean) => void;
}

export const Renewed = ({ seal, last, isSelected, onChange }: RenewedProps) => (
  <>
    <Notice
      severity="stop"
      title={
        last?.verdict === 'yielded'
          ? 'The bolt turned on without getting tighter'
          : 'This joint was tightened too far'
      }
    >
      <p>
        {seal === 'banjo'
          ? 'A bolt that was stretched breaks at the right torque, and the thread in the port may have given instead. Take the joint apart: look at the port’s thread, new bolt, fresh washers, and tighten it again.'
          : 'A flare that was squeezed seals once and weeps later. Take the joint apart: look at the seat, the flare and both threads, and tighten it again only if they are sound.'}
      </p>
    </Notice>
    <Tick isSelected={isSelected} onChange={onChange}>
      {seal === 'banjo'
        ? 'The bolt is a new one, and the thread in the port is sound'
        : 'It was apart: seat, flare and both threads are sound'}
    </Tick>
  </>
);
