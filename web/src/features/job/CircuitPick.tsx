import type { Circuit, JobDetail } from '@zephyrcombe/contract';
import { useSearchParams } from 'react-router';
import styled from 'styled-components';
import { ChoiceRow } from '../../design/fields.tsx';
import { PHONE } from '../../design/tokens.ts';

const Place = styled.div`
  padding: 0 34px 4px;
  ${PHONE} {
    padding: 0 8px 2px;
  }
`;

interface CircuitPickProps {
  readonly detail: JobDetail;
  readonly current: Circuit;
}

/** Which circuit the drawing above shows. A job on one circuit needs no choice. */
export function CircuitPick({ detail, current }: CircuitPickProps) {
  const [, setSearch] = useSearchParams();
  if (detail.circuits.length < 2) return null;
  return (
    <Place className="no-print">
      <ChoiceRow
        label="Circuit"
        value={current.id}
        options={detail.circuits.map(({ circuit }) => ({ value: circuit.id, text: circuit.name }))}
        // What was selected lies on the other circuit.
        onChange={(circuit) => setSearch({ circuit }, { replace: true })}
      />
    </Place>
  );
}
