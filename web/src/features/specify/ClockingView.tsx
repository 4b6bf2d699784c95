/** How the two ends lie to each other: looked at along the hose from end A, with end A's neck up. */
import { useWriter } from '../../app/SessionContext.ts';
import { colour, SIZE } from '../../design/tokens.ts';

const SIZE_px = 132;
const CENTRE = SIZE_px / 2;
const NECK = 44;

export function ClockingView({ clocking_rad }: { readonly clocking_rad: number }) {
  const write = useWriter();
  const at = (angle: number, radius: number) =>
    [CENTRE + radius * Math.sin(angle), CENTRE - radius * Math.cos(angle)] as const;
  const [bx, by] = at(clocking_rad, NECK);
  const [ex, ey] = at(clocking_rad, 26);
  const turn = ((clocking_rad % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  const isLong = turn > Math.PI ? 1 : 0;
  return (
    <svg
      width={SIZE_px}
      height={SIZE_px}
      viewBox={`0 0 ${SIZE_px} ${SIZE_px}`}
      role="img"
      aria-label={`Seen from end A along the hose: its own neck up, that of end B ${write.angle(clocking_rad)} clockwise from it`}
      fontSize={SIZE.small}
    >
      <circle cx={CENTRE} cy={CENTRE} r={NECK + 12} fill="none" stroke={colour('hairline')} />
      {turn > 0.02 ? (
        <path
          d={`M${CENTRE} ${CENTRE - 26} A26 26 0 ${isLong} 1 ${ex} ${ey}`}
          fill="none"
          stroke={colour('inkSoft')}
        />
      ) : null}
      <line
        x1={CENTRE}
        y1={CENTRE}
        x2={bx}
        y2={by}
        stroke={colour('ink')}
        strokeWidth="4"
        strokeDasharray="5 3"
      />
      <line x1={CENTRE} y1={CENTRE} x2={CENTRE} y2={CENTRE - NECK} stroke={colour('brass')} strokeWidth="5" />
      <circle cx={CENTRE} cy={CENTRE} r="7" fill={colour('sheet')} stroke={colour('brass')} strokeWidth="3" />
      <text x={CENTRE + 6} y={CENTRE - NECK + 4} fill={colour('ink')}>
        A
      </text>
      <text x={bx + 5} y={by + 12} fill={colour('ink')}>
        B
      </text>
    </svg>
  );
}
