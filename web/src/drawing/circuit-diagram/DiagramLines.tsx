import type { LineKind } from '@zephyrcombe/core';
import { colour } from '../../design/tokens.ts';
import { HoseLine } from '../HoseLine.tsx';

interface RunProps {
  readonly kind: LineKind;
  readonly path: string;
  readonly selected?: boolean;
}

/** A hose is one brass line, braided when at hand; a hard line is a tube: two thin ones. */
export function Run({ kind, path, selected = false }: RunProps) {
  if (kind === 'hose') return <HoseLine path={path} selected={selected} />;
  return (
    <g fill="none">
      <path d={path} stroke={colour('brass')} strokeWidth={selected ? 8 : 5} />
      <path d={path} stroke={colour('sheet')} strokeWidth={selected ? 3.4 : 2.4} />
    </g>
  );
}
