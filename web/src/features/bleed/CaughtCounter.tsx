/** What was caught by a way without strokes: counted in the amounts that a bottle is marked in. */
import { useState } from 'react';
import styled from 'styled-components';
import { PrimaryButton } from '../../design/Button.tsx';
import { ChoiceRow } from '../../design/fields.tsx';
import { SIZE } from '../../design/tokens.ts';

const AMOUNTS_mL = [5, 10, 25, 50] as const;
const OPTIONS = AMOUNTS_mL.map((amount) => ({ value: String(amount), text: `${amount} mL` }));

const CaughtButton = styled(PrimaryButton)`
  width: 100%;
  min-height: 112px;
  font-size: ${SIZE.head};
  touch-action: manipulation;
`;

interface CaughtCounterProps {
  readonly because: string | null;
  readonly onCaught: (volume_m3: number) => void;
}

export function CaughtCounter({ because, onCaught }: CaughtCounterProps) {
  const [amount, setAmount] = useState('10');
  return (
    <>
      <CaughtButton because={because} onPress={() => onCaught(Number(amount) * 1e-6)}>
        {amount} mL more in the bottle
      </CaughtButton>
      <ChoiceRow label="At a time" value={amount} options={OPTIONS} onChange={setAmount} />
    </>
  );
}
