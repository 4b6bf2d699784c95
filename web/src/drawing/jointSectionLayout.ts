/** A banjo joint cut open, as rectangles in millimetres: x from the bolt's axis, y down from the top of the head. */
export interface SectionParts {
  readonly eyes: number;
  readonly eyeThickness_mm: number;
  readonly washerThickness_mm: number;
  readonly boltLength_mm: number;
  readonly boltDiameter_mm: number;
  /** Null where nobody has measured it: the port is drawn open below the bolt. */
  readonly portDepth_mm: number | null;
  /** Where they are known; otherwise drawn as they usually are. */
  readonly boltBore_mm?: number;
  readonly washerOutside_mm?: number;
}

export interface Band {
  readonly top: number;
  readonly bottom: number;
}

export interface SectionLayout {
  readonly head: Band;
  /** Washer, eye, washer, eye, … washer, from the head to the port. */
  readonly washers: readonly Band[];
  readonly eyes: readonly Band[];
  readonly portFace: number;
  readonly portBottom: number;
  readonly boltTip: number;
  /** Where thread is engaged; null when the bolt does not reach the port. */
  readonly engaged: Band | null;
  readonly height: number;
}

const HEAD_mm = 6;
const UNDER_PORT_mm = 4;

export function sectionLayout(parts: SectionParts): SectionLayout {
  let y = HEAD_mm;
  const washers: Band[] = [];
  const eyes: Band[] = [];
  const take = (thickness: number): Band => ({ top: y, bottom: (y += thickness) });
  for (let index = 0; index < parts.eyes; index += 1) {
    washers.push(take(parts.washerThickness_mm));
    eyes.push(take(parts.eyeThickness_mm));
  }
  washers.push(take(parts.washerThickness_mm));
  const portFace = y;
  const boltTip = HEAD_mm + parts.boltLength_mm;
  const open_mm = Math.max(boltTip, portFace) + UNDER_PORT_mm;
  const portBottom = parts.portDepth_mm === null ? open_mm : portFace + parts.portDepth_mm;
  return {
    head: { top: 0, bottom: HEAD_mm },
    washers,
    eyes,
    portFace,
    portBottom,
    boltTip,
    engaged: boltTip > portFace ? { top: portFace, bottom: Math.min(boltTip, portBottom) } : null,
    height: Math.max(portBottom, boltTip) + (parts.portDepth_mm === null ? 0 : UNDER_PORT_mm),
  };
}
