/**
 * What one whole stroke can reach with air in the brake: the piston's volume is taken up by swelling, fluid and air (Boyle). Throws
 * `NotPhysical` for figures without a meaning.
 */
import { demand, unphysical } from '../calculation/physical.ts';

export interface FullStroke {
  readonly masterBore_m: number;
  readonly pistonStroke_m: number;
  readonly freeTravel_m: number;
  /** Of hoses and calipers. */
  readonly compliance_m3_Pa: number;
  readonly fluid_m3: number;
  readonly bulkModulus_Pa: number;
  readonly atmosphere_Pa: number;
}

const RULES = {
  positive: ['masterBore_m', 'pistonStroke_m', 'fluid_m3', 'bulkModulus_Pa', 'atmosphere_Pa', 'pressure_Pa'],
  notNegative: ['freeTravel_m', 'compliance_m3_Pa', 'air_m3'],
};
const swept = ({ masterBore_m, pistonStroke_m, freeTravel_m }: FullStroke): number =>
  (Math.PI / 4) * masterBore_m ** 2 * Math.max(0, pistonStroke_m - freeTravel_m);
const gives = ({ compliance_m3_Pa, fluid_m3, bulkModulus_Pa }: FullStroke): number =>
  compliance_m3_Pa + fluid_m3 / bulkModulus_Pa;

/** Gauge pressure with the lever at its bar, Pa. */
export function pressureAtFullStroke(brake: FullStroke, air_m3: number): number {
  demand(unphysical({ ...brake, air_m3 }, RULES));
  const [c, p0] = [gives(brake), brake.atmosphere_Pa];
  const b = air_m3 - c * p0 - swept(brake);
  // c·P² + b·P − V·p₀ = 0 in the absolute pressure.
  const absolute_Pa = (-b + Math.sqrt(b * b + 4 * c * air_m3 * p0)) / (2 * c);
  return absolute_Pa - p0;
}

/** The most air with which a whole stroke still reaches a gauge pressure, m³ at atmosphere; 0 where none does. */
export function mostAirFor(brake: FullStroke, pressure_Pa: number): number {
  demand(unphysical({ ...brake, pressure_Pa }, RULES));
  const left = swept(brake) - gives(brake) * pressure_Pa;
  return Math.max(0, left / (1 - brake.atmosphere_Pa / (brake.atmosphere_Pa + pressure_Pa)));
}
