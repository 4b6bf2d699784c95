/** An end of a hose drawn at true size from its dimensions, to lay on the part or to hold against the port. */
import type { EndGeometry } from '../fittings/end.ts';
import type { Mark, Place } from '../flat/drawing.ts';
import { arc, circle, dimension, loop, moved, path, words } from '../flat/drawing.ts';
import { demand, unphysical } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import { endProblem } from '../fittings/lengthDatum.ts';

/** What an end looks like beyond its take-offs. */
export interface EndBuild {
  /** The hole of an eye; of a threaded end its thread across the crests. */
  readonly bore_m: number;
  readonly eyeOutside_m: number;
  readonly eyeThickness_m: number;
  readonly neck_m: number;
  readonly ferrule_m: number;
  readonly ferruleLength_m: number;
}

/** An M10 eye and the usual ferrule of braided hose: examples of ours, not those of any fitting. */
export const EXAMPLE_BUILD: EndBuild = {
  bore_m: 0.0102,
  eyeOutside_m: 0.0172,
  eyeThickness_m: 0.0075,
  neck_m: 0.0062,
  ferrule_m: 0.0105,
  ferruleLength_m: 0.016,
};

export interface EndTemplate {
  /** The hose's axis along x, its face at the origin, the bend upwards. */
  readonly marks: readonly Mark[];
  /** Where the hose begins, the apex of the bend, and where it seals. */
  readonly face_m: Place;
  readonly apex_m: Place;
  readonly seal_m: Place;
}

/** How words and figures are written is not this module's matter. */
export interface TemplateWords {
  readonly length: (value_m: number) => string;
  readonly angle: (value_rad: number) => string;
}

/** A bend that nobody can see. */
const STRAIGHT_rad = 1e-6;
const STEEP_rad = (65 * Math.PI) / 180;
const AXIS_OVER_m = 0.006;
const HOSE_SHOWN_m = 0.02;

/** Side view, with the bend in the plane of the paper; an eye is seen on its edge, its bolt upright in the paper. */
export function endTemplate(end: EndGeometry, build: EndBuild, write: TemplateWords): EndTemplate {
  demand(endProblem(end, 'end') ?? firstNotPositive({ ...build }));
  const { neckAngle_rad, ferruleToApex_m: a, apexToPoint_m: b } = end;
  const [cosine, sine] = [Math.cos(neckAngle_rad), Math.sin(neckAngle_rad)];
  const apex_m: Place = [a, 0];
  const seal_m: Place = [a + b * cosine, b * sine];
  // On the neck's own axis, from where it seals.
  const onNeck = (mark: Mark) => moved(mark, seal_m, neckAngle_rad);
  const half = build.eyeOutside_m / 2;
  const isBanjo = end.family === 'banjo';
  const beyond = isBanjo ? half : 0;
  return {
    face_m: [0, 0],
    apex_m,
    seal_m,
    marks: [
      ...hoseAndFerrule(build, a),
      ...neck(end, build, isBanjo ? half : 0),
      ...(isBanjo ? eyeOnEdge(build) : thread(build)).map(onNeck),
      path('centre', [-HOSE_SHOWN_m - AXIS_OVER_m, 0], apex_m),
      path('centre', apex_m, [
        seal_m[0] + (beyond + AXIS_OVER_m) * cosine,
        seal_m[1] + (beyond + AXIS_OVER_m) * sine,
      ]),
      ...(neckAngle_rad > STRAIGHT_rad
        ? [
            path('centre', apex_m, [a + 0.03, 0]),
            arc('dimension', apex_m, 0.026, 0, neckAngle_rad),
            words(
              [a + 0.028 * Math.cos(neckAngle_rad / 2), 0.028 * Math.sin(neckAngle_rad / 2) - 0.001],
              write.angle(neckAngle_rad),
            ),
          ]
        : []),
      ...dimension([0, 0], apex_m, -0.016, write.length(a)),
      // Outside a steep bend: inside it there is the ferrule.
      ...(b > 0
        ? dimension(apex_m, seal_m, neckAngle_rad > STEEP_rad ? -0.016 : 0.016, write.length(b))
        : []),
    ],
  };
}

function hoseAndFerrule({ ferrule_m, ferruleLength_m, neck_m }: EndBuild, a: number): readonly Mark[] {
  const [r, long] = [ferrule_m / 2, Math.min(ferruleLength_m, a)];
  const hose = neck_m / 2;
  return [
    loop('outline', [0, -r], [long, -r], [long, r], [0, r]),
    path('outline', [0, hose], [-HOSE_SHOWN_m, hose]),
    path('outline', [0, -hose], [-HOSE_SHOWN_m, -hose]),
  ];
}

/** From the ferrule to the eye or thread: two edges, bent about the apex with as much radius as there is room for. */
function neck(end: EndGeometry, build: EndBuild, cover_m: number): readonly Mark[] {
  const { neckAngle_rad: bend, ferruleToApex_m: a, apexToPoint_m: b } = end;
  const begins = Math.min(build.ferruleLength_m, a);
  const r = build.neck_m / 2;
  if (bend <= STRAIGHT_rad) {
    const ends = Math.max(begins, a + b - cover_m);
    return [path('outline', [begins, r], [ends, r]), path('outline', [begins, -r], [ends, -r])];
  }
  const setback = Math.max(0, Math.min(a - begins, b - cover_m));
  const radius = setback / Math.tan(bend / 2);
  const [cosine, sine] = [Math.cos(bend), Math.sin(bend)];
  const bendFrom: Place = [a - setback, 0];
  const bendTo: Place = [a + setback * cosine, setback * sine];
  const ends: Place = [a + (b - cover_m) * cosine, (b - cover_m) * sine];
  const aside = ([x, y]: Place, by: number): Place => [x - by * sine, y + by * cosine];
  const centre: Place = [bendFrom[0], radius];
  return [
    path('outline', [begins, r], [bendFrom[0], r]),
    path('outline', [begins, -r], [bendFrom[0], -r]),
    ...(radius > r ? [arc('outline', centre, radius - r, -Math.PI / 2, -Math.PI / 2 + bend)] : []),
    arc('outline', centre, radius + r, -Math.PI / 2, -Math.PI / 2 + bend),
    path('outline', aside(bendTo, r), aside(ends, r)),
    path('outline', aside(bendTo, -r), aside(ends, -r)),
  ];
}

/** About where it seals, the neck coming from the left. */
function eyeOnEdge({ eyeOutside_m, eyeThickness_m, bore_m }: EndBuild): readonly Mark[] {
  const [x, y, hole] = [eyeOutside_m / 2, eyeThickness_m / 2, bore_m / 2];
  return [
    loop('outline', [-x, -y], [x, -y], [x, y], [-x, y]),
    path('hidden', [-hole, -y], [-hole, y]),
    path('hidden', [hole, -y], [hole, y]),
    path('centre', [0, -y - AXIS_OVER_m], [0, y + AXIS_OVER_m]),
  ];
}

function thread({ bore_m }: EndBuild): readonly Mark[] {
  const [r, long] = [bore_m / 2, 0.01];
  return [loop('outline', [-long, -r], [0, -r], [0, r], [-long, r])];
}

/** The eye seen along its bolt, with as much of the neck as lies before the bend: about where it seals. */
export const eyeFromAbove = (
  { eyeOutside_m, bore_m, neck_m }: EndBuild,
  toApex_m: number,
): readonly Mark[] => {
  demand(firstNotPositive({ eyeOutside_m, bore_m, neck_m }) ?? unphysical({ toApex_m }));
  demand(eyeOutside_m > neck_m ? null : { code: 'boreOverNeck', field: 'neck_m' });
  const [outside, r] = [eyeOutside_m / 2, neck_m / 2];
  const from = -Math.sqrt(outside ** 2 - r ** 2);
  return [
    circle('outline', [0, 0], outside),
    circle('outline', [0, 0], bore_m / 2),
    ...(toApex_m > -from
      ? [path('outline', [from, r], [-toApex_m, r]), path('outline', [from, -r], [-toApex_m, -r])]
      : []),
    path('centre', [-outside - AXIS_OVER_m, 0], [outside + AXIS_OVER_m, 0]),
    path('centre', [0, -outside - AXIS_OVER_m], [0, outside + AXIS_OVER_m]),
  ];
};
