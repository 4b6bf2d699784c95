/** "Show working": inputs, formula, source and cautions of a computed figure. */
import type { Calculated, SourceId, WorkingStep } from '@zephyrcombe/core';
import { SOURCES, severityOf } from '@zephyrcombe/core';
import { cautionText, MEANING_NAMES, SOURCE_KIND_NAMES } from '@zephyrcombe/messages';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { useWriter } from '../app/SessionContext.ts';
import { TextButton } from '../design/Button.tsx';
import { Dialog } from '../design/Dialog.tsx';
import { Fine, Stack, Unseen } from '../design/layout.ts';
import { Notice } from '../design/Notice.tsx';
import { FONT, SIZE, colour } from '../design/tokens.ts';

const Step = styled.li`
  border-top: 1px solid ${colour('hairlineSoft')};
  padding: 10px 0;
  .formula {
    font-family: ${FONT.figures};
  }
  dl {
    display: grid;
    grid-template-columns: auto auto 1fr;
    gap: 2px 14px;
    font-size: ${SIZE.small};
    margin: 6px 0;
  }
  dt,
  dd.value {
    font-family: ${FONT.figures};
  }
  .result {
    font-weight: 650;
  }
`;

interface WorkingProps {
  /** What the figure is, for the dialog's title and for screen readers. */
  readonly of: string;
  readonly result: Calculated<unknown>;
}

export function Working({ of, result }: WorkingProps) {
  const [open, setOpen] = useState(false);
  const write = useWriter();
  // The figure may change many times a second: the button stays the one it is.
  const opener = useMemo(
    () => (
      <TextButton onPress={() => setOpen(true)} className="no-print">
        working<Unseen> of {of}</Unseen>
      </TextButton>
    ),
    [of],
  );
  return (
    <>
      {opener}
      {open ? (
        <Dialog title={`Working: ${of}`} isOpen onClose={() => setOpen(false)}>
          <Stack>
            <ol>
              {result.working.map((step, index) => (
                <StepRow key={index} step={step} write={write} />
              ))}
            </ol>
            <div>
              <Fine>Sources</Fine>
              <ul>
                {result.sources.map((id) => (
                  <li key={id}>
                    <SourceLine id={id} />
                  </li>
                ))}
              </ul>
            </div>
            {result.cautions.map((caution) => {
              const text = cautionText(caution, write);
              return (
                <Notice key={caution.id} severity={severityOf(caution)} title={text.title}>
                  <p>{text.advice}</p>
                </Notice>
              );
            })}
          </Stack>
        </Dialog>
      ) : null}
    </>
  );
}

function StepRow({
  step,
  write,
}: {
  readonly step: WorkingStep;
  readonly write: ReturnType<typeof useWriter>;
}) {
  const terms = [...step.inputs, step.result];
  return (
    <Step>
      <p className="formula">{step.formula.expression}</p>
      <dl>
        {terms.map((item, index) => (
          <TermRow
            key={index}
            symbol={item.symbol}
            meaning={MEANING_NAMES[item.meaning]}
            value={write.quantity(item.quantity)}
            isResult={item === step.result}
          />
        ))}
      </dl>
      <Fine>
        <SourceLine id={step.formula.source} />
      </Fine>
    </Step>
  );
}

interface TermRowProps {
  readonly symbol: string;
  readonly meaning: string;
  readonly value: string;
  readonly isResult: boolean;
}

function TermRow({ symbol, meaning, value, isResult }: TermRowProps) {
  const mark = isResult ? 'result' : '';
  return (
    <>
      <dt className={mark}>{symbol}</dt>
      <dd className={`value ${mark}`}>{value}</dd>
      <dd className={mark}>{meaning}</dd>
    </>
  );
}

/** Kind, title and clause; a published source written from memory says so. */
export function SourceLine({ id }: { readonly id: SourceId }) {
  const source: (typeof SOURCES)[SourceId] = SOURCES[id];
  const clause = 'clause' in source ? `: ${source.clause}` : '';
  return (
    <>
      {source.title}
      {clause}{' '}
      <em>
        ({SOURCE_KIND_NAMES[source.kind]}
        {source.fromMemory ? ', from memory' : ''})
      </em>
    </>
  );
}
