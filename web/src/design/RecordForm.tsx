/** A form that records something: Enter sends it, and what the server says of a field stands at that field. */
import type { ReactNode } from 'react';
import { useMemo } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';

const Plain = styled(Form)`
  display: grid;
  gap: 12px;
`;

/** The part of a mutation this needs; any route's will do. */
interface Sent {
  readonly error: {
    readonly details: {
      readonly errors?: readonly { readonly field: string; readonly message: string }[] | undefined;
    } | null;
  } | null;
}

interface RecordFormProps {
  readonly saves: readonly Sent[];
  readonly onSend: () => void;
  readonly children: ReactNode;
}

/** Its fields carry the names that they have in the request. */
export function RecordForm({ saves, onSend, children }: RecordFormProps) {
  const told = JSON.stringify(
    saves.flatMap(({ error }) => error?.details?.errors ?? []).map(({ field, message }) => [field, message]),
  );
  // The same object as long as the server has said nothing new: a field that is typed anew is rid of its error.
  const errors = useMemo(() => Object.fromEntries(JSON.parse(told) as [string, string][]), [told]);
  return (
    <Plain
      validationBehavior="aria"
      validationErrors={errors}
      onSubmit={(event) => {
        event.preventDefault();
        onSend();
      }}
    >
      {children}
    </Plain>
  );
}
