import { scaleLinear } from 'd3-scale';
import { useId } from 'react';
import { colour } from '../design/tokens.ts';
import { useWidth } from './useWidth.ts';

interface RulerProps {
  /** In the unit that is printed. */
  readonly low: number;
  readonly high: number;
  readonly end: number;
  readonly reading: number | null;
  readonly readingText: string;
  readonly beyondText: string;
  /** A stretch that is only estimated, drawn broken below the line. */
  readonly band?: { readonly from: number; readonly to: number; readonly text: string } | null;
  readonly label: string;
}

const HEIGHT = 84;
const BAND = 94;
const WITH_BAND = 112;
const LINE = 48;

/** A range as a ruler with the reading on it; what lies beyond is hatched, not only red. */
export function Ruler({ low, high, end, reading, readingText, beyondText, band = null, label }: RulerProps) {
  const [ref, width] = useWidth<HTMLDivElement>(560);
  const hatch = useId();
  const scale = scaleLinear()
    .domain([0, end])
    .range([6, Math.max(60, width - 6)]);
  const height = band ? WITH_BAND : HEIGHT;
  const bandFrom = band ? scale(Math.min(band.from, end)) : 0;
  const bandTo = band ? scale(Math.min(band.to, end)) : 0;
  const at = reading === null ? null : scale(Math.min(Math.max(reading, 0), end));
  return (
    <div ref={ref}>
      <svg
        width="100%"
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={band ? `${label}; ${band.text}` : label}
      >
        <defs>
          <pattern
            id={hatch}
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line x1="0" y1="0" x2="0" y2="7" stroke={colour('danger')} strokeWidth="2" />
          </pattern>
        </defs>
        <rect
          x={scale(high)}
          y={LINE - 11}
          width={scale(end) - scale(high)}
          height="22"
          fill={`url(#${hatch})`}
          stroke={colour('danger')}
          opacity="0.75"
        />
        <rect
          x={scale(low)}
          y={LINE - 11}
          width={scale(high) - scale(low)}
          height="22"
          fill={colour('brassLight')}
          opacity="0.6"
        />
        <line x1={scale(0)} x2={scale(end)} y1={LINE} y2={LINE} stroke={colour('inkSoft')} />
        {scale.ticks(Math.max(3, Math.floor(width / 90))).map((tick) => (
          <g key={tick}>
            <line x1={scale(tick)} x2={scale(tick)} y1={LINE - 5} y2={LINE + 5} stroke={colour('inkSoft')} />
            <text
              className="figure"
              x={scale(tick)}
              y={LINE + 27}
              textAnchor="middle"
              fontSize="13"
              fill={colour('inkSoft')}
            >
              {tick}
            </text>
          </g>
        ))}
        <text x={width - 6} y={LINE - 18} textAnchor="end" fontSize="12.5" fill={colour('danger')}>
          {beyondText}
        </text>
        {band ? (
          <g>
            <path
              d={`M${bandFrom} ${BAND - 5} V${BAND + 5} M${bandFrom} ${BAND} H${bandTo} M${bandTo} ${BAND - 5} V${BAND + 5}`}
              fill="none"
              stroke={colour('caution')}
              strokeWidth="2"
              strokeDasharray="5 4"
            />
            <text
              x={Math.min(Math.max((bandFrom + bandTo) / 2, 76), width - 76)}
              y={BAND + 16}
              textAnchor="middle"
              fontSize="12.5"
              fill={colour('caution')}
            >
              {band.text}
            </text>
          </g>
        ) : null}
        {at === null ? null : (
          <g>
            <line x1={at} x2={at} y1={LINE - 26} y2={LINE + 15} stroke={colour('ink')} strokeWidth="3" />
            <text
              className="figure"
              x={Math.min(Math.max(at, 30), width - 30)}
              y={15}
              textAnchor="middle"
              fontSize="15"
              fontWeight="700"
              fill={colour('ink')}
            >
              {readingText}
            </text>
          </g>
        )}
      </svg>
    </div>
  );
}
