import type { ReactNode } from 'react';
import type { Severity } from '@zephyrcombe/core';
import styled from 'styled-components';
import type { ColourRole } from './tokens.ts';
import { SIZE, colour } from './tokens.ts';
import { Unseen } from './layout.ts';

const ROLE: Readonly<Record<Severity, ColourRole>> = { stop: 'danger', warn: 'caution', note: 'inkSoft' };
const WORD: Readonly<Record<Severity, string>> = { stop: 'Stop', warn: 'Caution', note: 'Note' };

const Box = styled.div<{ $role: ColourRole }>`
  display: grid;
  grid-template-columns: 30px 1fr;
  gap: 12px;
  border: 1px solid ${({ $role }) => colour($role)};
  background: ${colour('sheet')};
  padding: 12px 14px;
  h3 {
    font-size: ${SIZE.text};
    color: ${({ $role }) => colour($role)};
  }
  p {
    font-size: ${SIZE.small};
  }
`;

/** Octagon, triangle or circle: the severity has a shape and a word, never a colour alone. */
function SeverityMark({ severity }: { readonly severity: Severity }) {
  const stroke = colour(ROLE[severity]);
  const shape = {
    stop: <path d="M9 2 H19 L26 9 V19 L19 26 H9 L2 19 V9 Z" fill="none" stroke={stroke} strokeWidth="2" />,
    warn: <path d="M14 3 L26 25 H2 Z" fill="none" stroke={stroke} strokeWidth="2" />,
    note: <circle cx="14" cy="14" r="11.5" fill="none" stroke={stroke} strokeWidth="2" />,
  }[severity];
  const bar =
    severity === 'stop' ? (
      <path d="M8 14 H20" stroke={stroke} strokeWidth="3" />
    ) : (
      <path d="M14 10 V18 M14 20 V22.5" stroke={stroke} strokeWidth="2.5" />
    );
  return (
    <svg width="28" height="28" viewBox="0 0 28 28" aria-hidden="true">
      {shape}
      {bar}
    </svg>
  );
}

interface NoticeProps {
  readonly severity: Severity;
  readonly title: string;
  readonly children?: ReactNode;
  readonly live?: boolean;
}

export function Notice({ severity, title, children, live = false }: NoticeProps) {
  return (
    <Box $role={ROLE[severity]} role={live ? 'alert' : 'note'}>
      <SeverityMark severity={severity} />
      <div>
        <h3>
          <Unseen>{WORD[severity]}: </Unseen>
          {title}
        </h3>
        {children}
      </div>
    </Box>
  );
}
