import type { CircuitFault } from '@zephyrcombe/core';
import { faultText } from '@zephyrcombe/messages';
import { TextButton } from '../../design/Button.tsx';
import { Fine, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';

interface FaultListProps {
  readonly faults: readonly CircuitFault[];
  readonly onShow?: (id: string) => void;
}

/** What keeps the circuit from working or from being bled, in words, each with its place. */
export function FaultList({ faults, onShow }: FaultListProps) {
  if (faults.length === 0) return <Fine>Fluid reaches every wheel and every wheel can be bled.</Fine>;
  return (
    <Stack $gap={8}>
      {faults.map((fault) => {
        const { title, advice } = faultText(fault);
        const [id] = fault.ids;
        return (
          <Notice key={`${fault.code} ${fault.ids.join()}`} severity={fault.severity} title={title}>
            <p>{advice}</p>
            {onShow && id !== undefined ? <TextButton onPress={() => onShow(id)}>show it</TextButton> : null}
          </Notice>
        );
      })}
    </Stack>
  );
}
