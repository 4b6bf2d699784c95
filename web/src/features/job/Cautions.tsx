import type { Caution } from '@zephyrcombe/core';
import { severityOf } from '@zephyrcombe/core';
import { cautionText } from '@zephyrcombe/contract';
import { useWriter } from '../../app/SessionContext.ts';
import { Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';

/** Cautions where the mistake would be made: one for each fact. */
export function Cautions({ cautions }: { readonly cautions: readonly Caution[] }) {
  const write = useWriter();
  if (cautions.length === 0) return null;
  return (
    <Stack $gap={8}>
      {cautions.map((caution, index) => {
        const text = cautionText(caution, write);
        return (
          <Notice key={`${caution.id} ${index}`} severity={severityOf(caution)} title={text.title}>
            <p>{text.advice}</p>
          </Notice>
        );
      })}
    </Stack>
  );
}
