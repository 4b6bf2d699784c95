/** Fields that can be read and not changed. */
import type { ReactNode } from 'react';
import { createContext, useContext } from 'react';
import styled from 'styled-components';

const Fields = styled.fieldset`
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
`;

/** A list that is opened by a press does not ask the fieldset that it stands in. */
const HeldContext = createContext(false);
export const useHeld = (): boolean => useContext(HeldContext);

export function Held({ isHeld, children }: { readonly isHeld: boolean; readonly children: ReactNode }) {
  return (
    <HeldContext value={isHeld}>
      <Fields disabled={isHeld}>{children}</Fields>
    </HeldContext>
  );
}
