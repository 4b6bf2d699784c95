import { colour } from '../design/tokens.ts';

interface HoseLineProps {
  readonly path: string;
  readonly selected?: boolean;
  readonly width?: number;
}

/** A hose: brass, and braided when it is the one at hand. */
export function HoseLine({ path, selected = false, width = 3 }: HoseLineProps) {
  const thickness = selected ? width + 3 : width;
  return (
    <g fill="none">
      <path d={path} stroke={colour('brass')} strokeWidth={thickness} />
      {selected ? (
        <path d={path} stroke={colour('sheet')} strokeWidth={1.6} strokeDasharray="2.5 2.5" />
      ) : null}
    </g>
  );
}
