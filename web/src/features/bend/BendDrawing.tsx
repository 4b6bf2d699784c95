/** The end seen from the side, its neck bent as it is needed: what a protractor would show against the port. */
import type { EndFamily } from '@zephyrcombe/core';
import { colour } from '../../design/tokens.ts';

const [WIDTH, HEIGHT] = [300, 210];
const EYE = { x: 90, y: 150 };
const NECK = 46;
const HOSE = 120;

export function BendDrawing({
  family,
  needed_rad,
}: {
  readonly family: EndFamily;
  readonly needed_rad: number;
}) {
  // A banjo's straight neck lies square to its bolt, a threaded end's along its port.
  const straight_rad = family === 'banjo' ? 0 : Math.PI / 2;
  const leaves_rad = family === 'banjo' ? needed_rad : straight_rad - needed_rad;
  const along = (angle_rad: number, from: typeof EYE, by: number) => ({
    x: from.x + by * Math.cos(angle_rad),
    y: from.y - by * Math.sin(angle_rad),
  });
  const apex = along(straight_rad, EYE, NECK);
  const tip = along(leaves_rad, apex, HOSE);
  const [low, high] = [along(straight_rad, apex, 70), along(leaves_rad, apex, 70)];
  const isLeft = leaves_rad > straight_rad;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      style={{ maxWidth: 420, display: 'block' }}
      role="img"
      aria-label={`The neck bent by ${Math.round((needed_rad * 180) / Math.PI)} degrees`}
    >
      <line
        x1={EYE.x}
        x2={EYE.x}
        y1={EYE.y + 44}
        y2={20}
        stroke={colour('inkSoft')}
        strokeDasharray="10 4 2 4"
      />
      <rect x={20} y={EYE.y + 18} width={140} height={26} fill={colour('hairline')} stroke={colour('ink')} />
      {family === 'banjo' ? (
        <rect x={EYE.x - 17} y={EYE.y - 7} width={34} height={14} fill={colour('brass')} />
      ) : (
        <rect x={EYE.x - 8} y={EYE.y - 14} width={16} height={32} fill={colour('brass')} />
      )}
      <path
        d={`M${EYE.x} ${EYE.y} L${apex.x} ${apex.y}`}
        stroke={colour('ink')}
        strokeWidth="7"
        strokeLinecap="round"
      />
      <path
        d={`M${apex.x} ${apex.y} L${tip.x} ${tip.y}`}
        stroke={colour('brass')}
        strokeWidth="7"
        strokeLinecap="round"
      />
      <path
        d={`M${apex.x} ${apex.y} L${low.x} ${low.y}`}
        stroke={colour('inkSoft')}
        strokeDasharray="4 4"
        fill="none"
      />
      <path
        d={`M${low.x} ${low.y} A70 70 0 0 ${isLeft ? 0 : 1} ${high.x} ${high.y}`}
        stroke={colour('ink')}
        fill="none"
        strokeWidth="1.5"
      />
    </svg>
  );
}
