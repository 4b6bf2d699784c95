/**
 * The profiles of the candidates, each to scale under the reading: where a crest meets the line of the span, and the
 * crest line lies in the band of its limits, the thread explains what was read.
 */
import type { ThreadCandidate, ThreadQuestion } from '@zephyrcombe/core';
import { diameterLimits, minorDiameter_m, profile } from '@zephyrcombe/core';
import styled from 'styled-components';
import { useWidth } from '../../drawing/useWidth.ts';
import { Unseen } from '../../design/layout.ts';
import { FONT, SIZE, colour } from '../../design/tokens.ts';

const Place = styled.div`
  min-width: 0;
  text {
    font-family: ${FONT.figures};
  }
`;

const LABEL = 132;
const TOP = 26;
/** Room above the crests and below the roots. */
const AROUND = 34;
const LEAST_ROW = 56;
/** Shown when no span was read: about what a tube nut has. */
const USUAL_LENGTH_m = 6e-3;

interface ThreadProfilesProps {
  readonly question: ThreadQuestion;
  readonly candidates: readonly ThreadCandidate[];
  readonly spanText: string | null;
}

export function ThreadProfiles({ question, candidates, spanText }: ThreadProfilesProps) {
  const [ref, width] = useWidth<HTMLDivElement>(620);
  const span = question.readings.find((reading) => reading.kind === 'span');
  const length_m = Math.max(USUAL_LENGTH_m, (span?.span_m ?? 0) * 1.18);
  const scale = (width - LABEL - 8) / length_m;
  const deepest_m = Math.max(
    ...candidates.map(({ thread }) => (thread.major_m - minorDiameter_m(thread.major_m, thread.pitch_m)) / 2),
  );
  const rowHeight = Math.max(LEAST_ROW, deepest_m * scale + AROUND);
  const height = TOP + candidates.length * rowHeight + 6;
  const spanX = span ? LABEL + span.span_m * scale : null;
  return (
    <Place ref={ref}>
      <svg
        width="100%"
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={sentence(candidates, spanText)}
      >
        {candidates.map((candidate, row) => (
          <Strip
            key={candidate.thread.designation}
            candidate={candidate}
            question={question}
            y={TOP + row * rowHeight}
            rowHeight={rowHeight}
            scale={scale}
            length_m={length_m}
            right={width - 8}
          />
        ))}
        {spanX === null ? null : (
          <g stroke={colour('action')} strokeWidth="1.5">
            <line x1={LABEL} x2={LABEL} y1={12} y2={height - 4} strokeDasharray="6 4" />
            <line x1={spanX} x2={spanX} y1={12} y2={height - 4} strokeDasharray="6 4" />
            <line x1={LABEL} x2={spanX} y1={16} y2={16} />
            {[LABEL, spanX].map((x) => (
              <line key={x} x1={x - 5} x2={x + 5} y1={21} y2={11} />
            ))}
          </g>
        )}
      </svg>
      {spanX === null ? null : (
        <Unseen>The dashed lines stand at the first crest and at the end of the span that was read.</Unseen>
      )}
    </Place>
  );
}

function sentence(candidates: readonly ThreadCandidate[], spanText: string | null): string {
  const names = candidates.map((candidate) => candidate.thread.designation).join(', ');
  return `Profiles to scale: ${names}${spanText === null ? '' : `, over a span of ${spanText}`}`;
}

interface StripProps {
  readonly candidate: ThreadCandidate;
  readonly question: ThreadQuestion;
  readonly y: number;
  readonly rowHeight: number;
  readonly scale: number;
  readonly length_m: number;
  readonly right: number;
}

/** One candidate: its crests along the axis, the band of its limits, the level that was read. */
function Strip({ candidate, question, y, rowHeight, scale, length_m, right }: StripProps) {
  const { thread, possible } = candidate;
  const pitches = Math.floor(length_m / thread.pitch_m);
  const points = profile(thread.major_m, thread.pitch_m, pitches);
  const limits = diameterLimits(thread, question.gender);
  const reading = question.readings.find((candidateReading) => candidateReading.kind === 'diameter');
  // The level of the basic major diameter lies a little below the top of the row; depth grows downwards.
  const crestY = y + 16;
  const level = (radius_m: number) => crestY + (thread.major_m / 2 - radius_m) * scale;
  const clampY = (value: number) => Math.min(y + rowHeight - 6, Math.max(y + 2, value));
  const path = points
    .map(
      (point, index) => `${index === 0 ? 'M' : 'L'}${LABEL + point.along_m * scale} ${level(point.radius_m)}`,
    )
    .join(' ');
  const bandTop = clampY(level(limits.high_m / 2));
  const bandBottom = clampY(level(limits.low_m / 2));
  // A bolt's metal lies below its crests, a port's above its roots.
  const metalEdge = question.gender === 'external' ? y + rowHeight - 6 : y + 4;
  const readY = reading ? level(reading.diameter_m / 2) : null;
  const readShown = readY !== null && readY > y && readY < y + rowHeight - 4;
  return (
    <g opacity={possible ? 1 : 0.55}>
      <text x={0} y={y + 28} fontSize="15" fontWeight={possible ? 650 : 400} fill={colour('ink')}>
        {thread.designation}
      </text>
      <text x={0} y={y + 46} fontSize={SIZE.fine} fill={colour('inkSoft')}>
        {possible ? 'possible' : 'ruled out'}
      </text>
      <rect
        x={LABEL}
        width={right - LABEL}
        y={bandTop}
        height={Math.max(1.5, bandBottom - bandTop)}
        fill={colour('brassLight')}
        opacity="0.35"
      />
      <path
        d={`${path} V${metalEdge} H${LABEL} Z`}
        fill={colour('hairlineSoft')}
        stroke={colour('ink')}
        strokeWidth="1.25"
        strokeDasharray={possible ? undefined : '3 3'}
      />
      {readShown ? (
        <line x1={LABEL} x2={right} y1={readY} y2={readY} stroke={colour('action')} strokeWidth="1.5" />
      ) : null}
    </g>
  );
}
