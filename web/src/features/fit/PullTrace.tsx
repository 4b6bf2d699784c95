/** Torque over angle of one pull, with the range that is asked for. */
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { PullSample } from '@zephyrcombe/core';
import { fromSI } from '@zephyrcombe/core';
import { useWriter } from '../../app/SessionContext.ts';
import { colour } from '../../design/tokens.ts';
import { useWidth } from '../../drawing/useWidth.ts';

interface PullTraceProps {
  readonly samples: readonly PullSample[];
  readonly low_Nm: number;
  readonly high_Nm: number;
  /** In words, what the drawing shows. */
  readonly label: string;
}

const HEIGHT = 150;
const EDGE = { left: 44, right: 8, top: 10, bottom: 24 };

export function PullTrace({ samples, low_Nm, high_Nm, label }: PullTraceProps) {
  const write = useWriter();
  const { torque: unit, angle } = write.units;
  const [ref, width] = useWidth<HTMLDivElement>(520);
  const turned_rad = samples.reduce((most, { angle_rad }) => Math.max(most, angle_rad), 0.1);
  const top_Nm = samples.reduce((most, { torque_Nm }) => Math.max(most, torque_Nm * 1.05), high_Nm * 1.15);
  const across = scaleLinear()
    .domain([0, fromSI(turned_rad, angle)])
    .range([EDGE.left, Math.max(width - EDGE.right, EDGE.left + 60)]);
  const up = scaleLinear()
    .domain([0, fromSI(top_Nm, unit)])
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  const x = ({ angle_rad }: PullSample) => across(fromSI(angle_rad, angle));
  const y = ({ torque_Nm }: PullSample) => up(fromSI(Math.max(torque_Nm, 0), unit));
  const path = line<PullSample>(x, y)(samples);
  const top = samples.reduce<PullSample | null>(
    (best, sample) => (best === null || sample.torque_Nm > best.torque_Nm ? sample : best),
    null,
  );
  return (
    <div ref={ref}>
      <svg width="100%" height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`} role="img" aria-label={label}>
        <rect
          x={EDGE.left}
          width={Math.max(width - EDGE.left - EDGE.right, 0)}
          y={up(fromSI(high_Nm, unit))}
          height={up(fromSI(low_Nm, unit)) - up(fromSI(high_Nm, unit))}
          fill={colour('brassLight')}
          opacity="0.6"
        />
        {up.ticks(4).map((tick) => (
          <g key={tick}>
            <line x1={EDGE.left - 5} x2={EDGE.left} y1={up(tick)} y2={up(tick)} stroke={colour('inkSoft')} />
            <text x={EDGE.left - 8} y={up(tick) + 4} textAnchor="end" fontSize="12" fill={colour('inkSoft')}>
              {tick}
            </text>
          </g>
        ))}
        {across.ticks(Math.max(2, Math.floor(width / 130))).map((tick) => (
          <text
            key={tick}
            x={across(tick)}
            y={HEIGHT - 6}
            textAnchor="middle"
            fontSize="12"
            fill={colour('inkSoft')}
          >
            {tick}
            {angle === 'deg' ? '°' : ''}
          </text>
        ))}
        <line
          x1={EDGE.left}
          x2={width - EDGE.right}
          y1={HEIGHT - EDGE.bottom}
          y2={HEIGHT - EDGE.bottom}
          stroke={colour('inkSoft')}
        />
        {path ? <path d={path} fill="none" stroke={colour('ink')} strokeWidth="2" /> : null}
        {top ? <circle cx={x(top)} cy={y(top)} r="4" fill={colour('ink')} /> : null}
      </svg>
    </div>
  );
}
