/** The parts of a strip that are only looked at. */
import { colour } from '../../design/tokens.ts';
import type { StripCircuit, StripLayout } from './layout.ts';

interface StripMasterProps {
  readonly layout: StripLayout;
  readonly text: string;
  readonly fluidColour: string;
}

/** Master and reservoir at the left end, with the piece of line to the first joint. */
export function StripMaster({ layout, text, fluidColour }: StripMasterProps) {
  const [first] = layout.joints;
  if (!layout.master || !first) return null;
  const { y } = layout.master;
  return (
    <g transform={`translate(0 ${y})`}>
      <line x1={78} x2={first.x} y1={first.y - y} y2={first.y - y} stroke={colour('brass')} strokeWidth="3" />
      <rect
        x="6"
        y="-37"
        width="46"
        height="27"
        fill={fluidColour}
        stroke={colour('ink')}
        strokeWidth="1.4"
      />
      <line x1="6" x2="52" y1="-29" y2="-29" stroke="#1d2a2f" strokeDasharray="3 3" />
      <rect
        x="1"
        y="-10"
        width="77"
        height="20"
        fill={colour('sheet')}
        stroke={colour('ink')}
        strokeWidth="1.4"
      />
      <path d="M20 -10 V10 M26 -10 V10" stroke={colour('ink')} />
      <text y="28" fontSize="12.5" fill={colour('inkSoft')}>
        {text}
      </text>
    </g>
  );
}

/** What the lines lead to or through, each with its name and its nipple. */
export function StripParts({
  circuit,
  layout,
}: {
  readonly circuit: StripCircuit;
  readonly layout: StripLayout;
}) {
  const name = (id: string) => circuit.components.find((component) => component.id === id)?.name ?? '';
  const hasNipple = (id: string) =>
    circuit.components.some((component) => component.attachedTo === id && component.kind === 'bleedNipple');
  const isBracket = (id: string) =>
    circuit.components.some((component) => component.id === id && component.kind === 'bracket');
  /** Its name stands under it: beside it the line goes on. */
  const isPassedThrough = (id: string) => {
    const own = circuit.joints.filter((joint) => joint.componentId === id).map((joint) => joint.id);
    return (
      circuit.hoses.filter((line) => own.includes(line.fromJointId) || own.includes(line.toJointId)).length >
      1
    );
  };
  return (
    <>
      {layout.stubs.map((stub) => (
        <path key={stub} d={stub} stroke={colour('ink')} strokeWidth="1.4" />
      ))}
      {layout.parts.map((part) => (
        <g key={part.id} transform={`translate(${part.x} ${part.y})`}>
          {isBracket(part.id) ? null : (
            <line x1={-13} x2={0} y1="0" y2="0" stroke={colour('ink')} strokeWidth="1.4" />
          )}
          <rect
            x="0"
            y="-12"
            width="34"
            height="24"
            fill={colour('sheet')}
            stroke={colour('ink')}
            strokeWidth="1.4"
          />
          {hasNipple(part.id) ? (
            <g stroke={colour('ink')} strokeWidth="1.2" fill={colour('sheet')}>
              <line x1="17" x2="17" y1="-12" y2="-18" />
              <circle cx="17" cy="-20.5" r="2.5" />
            </g>
          ) : null}
          {isPassedThrough(part.id) ? (
            <text
              x="17"
              y={hasNipple(part.id) || isBracket(part.id) ? 26 : -18}
              textAnchor="middle"
              fontSize="12"
              fill={colour('inkSoft')}
            >
              {name(part.id)}
            </text>
          ) : (
            <text x="42" y="5" fontSize="13.5" fill={colour('ink')}>
              {name(part.id)}
            </text>
          )}
        </g>
      ))}
    </>
  );
}

/** A length on its line, or above it where the line is too short; with the mark of a line that is broken off. */
export function StripLength({
  hose,
  text,
  bold = false,
}: {
  readonly hose: StripLayout['hoses'][number];
  readonly text: string;
  readonly bold?: boolean;
}) {
  const width = text.length * 9 + 14;
  const fits = hose.room_px > width + 16;
  return (
    <g>
      {fits ? (
        <rect
          x={hose.labelX - width / 2}
          y={hose.labelY - 11}
          width={width}
          height="22"
          fill={colour('sheet')}
        />
      ) : null}
      <text
        className="figure"
        x={hose.labelX}
        y={fits ? hose.labelY + 5 : hose.labelY - 13}
        textAnchor="middle"
        fontSize={fits ? 15 : 13}
        fontWeight={bold ? 700 : 400}
        fill={colour('ink')}
      >
        {text}
      </text>
      {hose.isBroken ? (
        <g transform={`translate(${hose.endX - 24} ${hose.labelY})`}>
          <path d="M-4 -6 H4 V6 H-4 Z" fill={colour('sheet')} />
          <path d="M-7 7 L-1 -7 M1 7 L7 -7" stroke={colour('ink')} strokeWidth="1.4" />
        </g>
      ) : null}
    </g>
  );
}
