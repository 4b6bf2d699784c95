import type { Reason } from '@zephyrcombe/contract';
import { cautionText, ROLE_NAMES } from '@zephyrcombe/messages';
import type { Caution } from '@zephyrcombe/core';
import { useWriter } from '../../app/SessionContext.ts';
import { Label } from '../../design/layout.ts';

/** What was gone past, in the words that stood there; of those given before it was kept, its place in the catalogue. */
function answered({ caution, evidence }: Reason, write: ReturnType<typeof useWriter>): string {
  return evidence === null
    ? `Stop ${caution}`
    : cautionText({ id: caution, evidence } as unknown as Caution, write).title;
}

/** Stops that somebody went past: which, why, and who said so. Shown before it is signed, and on the sheet. */
export function Reasons({ reasons }: { readonly reasons: readonly Reason[] }) {
  const write = useWriter();
  return (
    <ul style={{ listStyle: 'none', display: 'grid', gap: 10 }}>
      {reasons.map((reason) => (
        <li key={reason.id}>
          <strong>{answered(reason, write)}</strong>
          {reason.subject === null ? '' : `, ${reason.subject}`}
          <p>“{reason.reason}”</p>
          <Label>
            {[
              reason.by,
              reason.role === null ? null : ROLE_NAMES[reason.role].toLowerCase(),
              write.moment(reason.at),
            ]
              .filter((part) => part !== null)
              .join(', ')}
          </Label>
        </li>
      ))}
    </ul>
  );
}
