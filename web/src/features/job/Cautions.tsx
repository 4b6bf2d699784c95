import type { Caution } from '@zephyrcombe/core';
import { severityOf, stopsAmong } from '@zephyrcombe/core';
import { cautionText } from '@zephyrcombe/messages';
import { useWriter } from '../../app/SessionContext.ts';
import { Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';

interface CautionsProps {
  readonly cautions: readonly Caution[];
  /** The stops among them are being answered beside: they are not said twice. */
  readonly answering?: boolean;
}

/** Cautions where the mistake would be made: one for each fact. */
export function Cautions({ cautions, answering = false }: CautionsProps) {
  const write = useWriter();
  const stops = answering ? stopsAmong(cautions) : [];
  const shown = cautions.filter((caution) => !stops.includes(caution));
  if (shown.length === 0) return null;
  return (
    <Stack $gap={8}>
      {shown.map((caution, index) => {
        const text = cautionText(caution, write);
        return (
          <Notice
            key={`${caution.id} ${index}`}
            severity={severityOf(caution)}
            title={caution.subject === undefined ? text.title : `${text.title}: ${caution.subject}`}
          >
            <p>{text.advice}</p>
          </Notice>
        );
      })}
    </Stack>
  );
}
