import { colour } from '../design/tokens.ts';
import type { SectionParts } from './jointSectionLayout.ts';
import { sectionLayout } from './jointSectionLayout.ts';
import { useWidth } from './useWidth.ts';

interface JointSectionProps {
  readonly parts: SectionParts;
  readonly washerText: string;
  /** One line per eye, from the head to the port. */
  readonly eyeTexts: readonly string[];
  readonly threadText: string;
  readonly wantsText: string;
  readonly label: string;
  /** What its bolt pulls with, and what the seat keeps of that with the brake on; estimates. */
  readonly forces?: { readonly clamp: string; readonly left: string } | null;
  /** What is at the port is only assumed: it is drawn broken, and said to be. */
  readonly isPortAssumed?: boolean;
  /** So is the thickness of its eyes: how deep the bolt goes follows from it. */
  readonly isEyeAssumed?: boolean;
}

const LABEL_WIDTH = 172;
const USUAL_WASHER_mm = 14.4;
const EYE_OUTER_mm = 8.6;
const USUAL_BORE_mm = 5;

/** Section of a banjo joint to scale, from the parts in the box. */
export function JointSection({
  parts,
  washerText,
  eyeTexts,
  threadText,
  wantsText,
  label,
  forces = null,
  isPortAssumed = false,
  isEyeAssumed = false,
}: JointSectionProps) {
  const [ref, width] = useWidth<HTMLDivElement>(420);
  const layout = sectionLayout(parts);
  const washerRadius_mm = (parts.washerOutside_mm ?? USUAL_WASHER_mm) / 2;
  const boreRadius_mm = (parts.boltBore_mm ?? USUAL_BORE_mm) / 2;
  // The drawing takes what the labels leave, and is never taller than it is useful.
  const scale = Math.min(6, (width - LABEL_WIDTH) / 34, 380 / layout.height);
  const axis = Math.max(16.5 * scale, (width - LABEL_WIDTH) / 2);
  const isAssumed = isPortAssumed || isEyeAssumed;
  // Room for the words below the face of the port too, however small it is drawn.
  const wordsBelow = isAssumed ? 86 : parts.portDepth_mm === null ? 69 : 52;
  const height = Math.max(layout.height * scale + 16, 8 + layout.portFace * scale + wordsBelow);
  const y = (value: number) => 8 + value * scale;
  const box = (left: number, right: number, band: { readonly top: number; readonly bottom: number }) => ({
    x: axis + left * scale,
    y: y(band.top),
    width: (right - left) * scale,
    height: (band.bottom - band.top) * scale,
  });
  const radius = parts.boltDiameter_mm / 2;
  const ink = { stroke: colour('ink'), strokeWidth: 1.2 };
  const guessed = { ...ink, strokeDasharray: '5 4' };
  const port = isPortAssumed ? guessed : ink;
  const eyeLine = isEyeAssumed ? guessed : ink;
  const labelX = axis + 14 * scale;
  const shank = { top: layout.head.bottom, bottom: layout.boltTip };
  const bore = { top: Math.min(layout.washers[0]?.bottom ?? 0, layout.boltTip), bottom: layout.boltTip };
  return (
    <div ref={ref}>
      <svg width="100%" height={height} viewBox={`0 0 ${width} ${height}`} role="img" aria-label={label}>
        <path
          d={`M${axis - 13 * scale} ${y(layout.portFace)} H${axis - radius * scale} V${y(layout.portBottom)} H${axis + radius * scale} V${y(layout.portFace)} H${axis + 13 * scale} V${y(layout.height)} H${axis - 13 * scale} Z`}
          fill={colour('hairlineSoft')}
          {...(parts.portDepth_mm === null ? {} : port)}
        />
        {parts.portDepth_mm === null ? (
          <>
            <path
              d={[-13, -radius, radius, 13]
                .map((x) => `M${axis + x * scale} ${y(layout.portFace)} V${y(layout.height)}`)
                .join(' ')}
              fill="none"
              {...port}
            />
            <path
              d={`M${axis - 13 * scale} ${y(layout.height)} H${axis + 13 * scale}`}
              fill="none"
              strokeDasharray="4 4"
              {...ink}
            />
          </>
        ) : null}
        {layout.eyes.map((eye, index) => (
          <g key={`eye ${index}`}>
            <rect {...box(-EYE_OUTER_mm, -radius - 0.1, eye)} fill={colour('paper')} {...eyeLine} />
            <rect {...box(radius + 0.1, EYE_OUTER_mm, eye)} fill={colour('paper')} {...eyeLine} />
            <path
              d={`M${axis - EYE_OUTER_mm * scale} ${y(eye.top + 1.8)} H${axis - 16 * scale} M${axis - EYE_OUTER_mm * scale} ${y(eye.bottom - 1.8)} H${axis - 16 * scale}`}
              fill="none"
              stroke={colour('brass')}
              strokeWidth="2"
            />
            <Callout
              x={labelX}
              from={axis + EYE_OUTER_mm * scale}
              y={y((eye.top + eye.bottom) / 2)}
              text={eyeTexts[index] ?? ''}
            />
          </g>
        ))}
        <rect {...box(-radius, radius, shank)} fill={colour('brassLight')} fillOpacity="0.45" {...ink} />
        <rect {...box(-boreRadius_mm, boreRadius_mm, bore)} fill={colour('sheet')} {...ink} />
        <rect {...box(-7.5, 7.5, layout.head)} fill={colour('brassLight')} fillOpacity="0.6" {...ink} />
        {layout.washers.map((washer, index) => (
          <g key={`washer ${index}`}>
            <rect {...box(-washerRadius_mm, -radius - 0.1, washer)} fill={colour('inkSoft')} {...ink} />
            <rect {...box(radius + 0.1, washerRadius_mm, washer)} fill={colour('inkSoft')} {...ink} />
            <Callout
              x={labelX}
              from={axis + washerRadius_mm * scale}
              y={y((washer.top + washer.bottom) / 2)}
              text={index === 0 ? washerText : 'washer'}
              soft
            />
          </g>
        ))}
        {forces ? (
          <g>
            {[-1, 1].map((side) => (
              <Force
                key={side}
                x={axis + side * ((radius + washerRadius_mm) / 2) * scale}
                top={y(layout.head.bottom) - 26}
                bottom={y(layout.washers[0]?.top ?? layout.head.bottom) - 2}
              />
            ))}
            <text x={labelX} y={y(layout.head.top) + 7} fontSize="12.5" fill={colour('ink')}>
              pulls {forces.clamp}
            </text>
            <text x={labelX} y={y(layout.head.top) + 22} fontSize="12.5" fill={colour('inkSoft')}>
              brake on {forces.left}
            </text>
          </g>
        ) : null}
        {layout.engaged ? (
          <Thread
            axis={axis}
            radius={radius * scale}
            top={y(layout.engaged.top)}
            bottom={y(layout.engaged.bottom)}
          />
        ) : null}
        <text x={labelX} y={y(layout.portFace) + 26} fontSize="12.5" fontWeight="650" fill={colour('ink')}>
          {threadText}
        </text>
        <text x={labelX} y={y(layout.portFace) + 43} fontSize="12.5" fill={colour('inkSoft')}>
          {wantsText}
        </text>
        {parts.portDepth_mm === null ? (
          <text x={labelX} y={y(layout.portFace) + 60} fontSize="12.5" fill={colour('caution')}>
            bottom not checked
          </text>
        ) : null}
        {isAssumed ? (
          <text x={labelX} y={y(layout.portFace) + 77} fontSize="12.5" fill={colour('caution')}>
            {isPortAssumed && isEyeAssumed ? 'port and eye' : isPortAssumed ? 'port' : 'eye'} only assumed
          </text>
        ) : null}
      </svg>
    </div>
  );
}

interface CalloutProps {
  readonly x: number;
  readonly from: number;
  readonly y: number;
  readonly text: string;
  readonly soft?: boolean;
}

function Callout({ x, from, y, text, soft = false }: CalloutProps) {
  return (
    <g>
      <line x1={from + 3} x2={x - 4} y1={y} y2={y} stroke={colour('hairline')} />
      <text x={x} y={y + 4} fontSize="12.5" fill={colour(soft ? 'inkSoft' : 'ink')}>
        {text}
      </text>
    </g>
  );
}

/** What presses down on the washer under the head. */
const Force = ({ x, top, bottom }: { readonly x: number; readonly top: number; readonly bottom: number }) => (
  <path
    d={`M${x} ${top} V${bottom} M${x - 4} ${bottom - 7} L${x} ${bottom} L${x + 4} ${bottom - 7}`}
    fill="none"
    stroke={colour('caution')}
    strokeWidth="2"
  />
);

/** The flanks of the engaged thread on both sides. */
function Thread({
  axis,
  radius,
  top,
  bottom,
}: {
  readonly axis: number;
  readonly radius: number;
  readonly top: number;
  readonly bottom: number;
}) {
  const pitch = 5;
  const turns = Math.max(1, Math.floor((bottom - top) / pitch));
  const flank = (side: 1 | -1) =>
    `M${axis + side * radius} ${top} ` +
    `l${side * 4} ${pitch / 2} l${-side * 4} ${pitch / 2} `.repeat(turns);
  return (
    <g fill="none" stroke={colour('ink')} strokeWidth="1.1">
      <path d={flank(1)} />
      <path d={flank(-1)} />
    </g>
  );
}
