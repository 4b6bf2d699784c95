/**
 * ISO metric threads of class 6g and 6H. Deviations and tolerances are tabulated by pitch in ISO 965-1, micrometres.
 */
import { minorDiameter_m, pitchDiameter_m } from './profile.ts';
import type { Thread, ThreadUse } from './thread.ts';

interface PitchRow {
  readonly pitch_mm: number;
  /** Fundamental deviation of position g, upper limit below the basic size. */
  readonly es_um: number;
  /** Tolerance of the external major diameter, grade 6. */
  readonly majorTolerance_um: number;
  /** Tolerance of the internal minor diameter, grade 6. */
  readonly minorTolerance_um: number;
  /** Tolerance of the pitch diameter, grade 6, for majors to 11.2 mm and above: external, internal. */
  readonly pitchTolerance_um: {
    readonly to11_2: readonly [external: number, internal: number];
    readonly above: readonly [external: number, internal: number];
  };
}

/** ISO 965-1:2013 tables 1 and 4 to 7 (from memory; the test compares them with the formulae of the standard). */
export const ISO_965_ROWS: readonly PitchRow[] = [
  {
    pitch_mm: 1,
    es_um: -26,
    majorTolerance_um: 180,
    minorTolerance_um: 236,
    pitchTolerance_um: { to11_2: [112, 150], above: [118, 160] },
  },
  {
    pitch_mm: 1.25,
    es_um: -28,
    majorTolerance_um: 212,
    minorTolerance_um: 265,
    pitchTolerance_um: { to11_2: [118, 160], above: [132, 180] },
  },
  {
    pitch_mm: 1.5,
    es_um: -32,
    majorTolerance_um: 236,
    minorTolerance_um: 300,
    pitchTolerance_um: { to11_2: [132, 180], above: [140, 190] },
  },
  {
    pitch_mm: 1.75,
    es_um: -34,
    majorTolerance_um: 265,
    minorTolerance_um: 335,
    pitchTolerance_um: { to11_2: [140, 190], above: [150, 200] },
  },
  {
    pitch_mm: 2,
    es_um: -38,
    majorTolerance_um: 280,
    minorTolerance_um: 375,
    pitchTolerance_um: { to11_2: [150, 200], above: [160, 212] },
  },
];

/** Limits are printed in whole micrometres. */
const whole_um = (value_m: number) => Math.round(value_m * 1e6) * 1e-6;
const um = (value: number) => value * 1e-6;

/** Throws for a pitch that the table does not hold: that is a fault in our own catalogue. */
export function isoMetric(major_mm: number, pitch_mm: number, uses: readonly ThreadUse[]): Thread {
  const row = ISO_965_ROWS.find((candidate) => candidate.pitch_mm === pitch_mm);
  if (!row) throw new Error(`no ISO 965-1 row for pitch ${pitch_mm}`);
  const major_m = major_mm / 1000;
  const pitch_m = pitch_mm / 1000;
  const es_m = um(row.es_um);
  const pitchDiameter = whole_um(pitchDiameter_m(major_m, pitch_m));
  const minor = whole_um(minorDiameter_m(major_m, pitch_m));
  const [external_um, internal_um] = row.pitchTolerance_um[major_mm <= 11.2 ? 'to11_2' : 'above'];
  return {
    designation: `M${major_mm}×${Number.isInteger(pitch_mm) ? pitch_mm.toFixed(1) : pitch_mm}`,
    major_m,
    pitch_m,
    uses,
    external: {
      major: { low_m: major_m + es_m - um(row.majorTolerance_um), high_m: major_m + es_m },
      pitchDiameter: { low_m: pitchDiameter + es_m - um(external_um), high_m: pitchDiameter + es_m },
    },
    internal: {
      minor: { low_m: minor, high_m: minor + um(row.minorTolerance_um) },
      pitchDiameter: { low_m: pitchDiameter, high_m: pitchDiameter + um(internal_um) },
    },
    source: 'iso965',
  };
}
