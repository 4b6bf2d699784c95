/** Cautions that belong to a vehicle, from what is known of it. */
export interface VehicleFacts {
  readonly abs: boolean;
  readonly linkedBrakes: boolean;
  readonly electricBooster: boolean;
  readonly use: 'road' | 'competition';
  /** On one circuit; the drawing knows. */
  readonly calipersOnOneMaster?: number;
  readonly kind: 'motorcycle' | 'sidecar' | 'car' | 'van' | 'trike' | 'quad';
}

export const VEHICLE_CAUTIONS = [
  'licensedPractice',
  'absMustNotRunDry',
  'linkedBrakes',
  'electricBooster',
  'roadMarkedHose',
  'competitionParts',
  'sidecarThreeCalipers',
  'fluidAttacksPaint',
] as const;
export type VehicleCaution = (typeof VEHICLE_CAUTIONS)[number];

/** The cautions of this vehicle, gravest first. */
export function vehicleCautions(facts: VehicleFacts): readonly VehicleCaution[] {
  const applies: Readonly<Record<VehicleCaution, boolean>> = {
    licensedPractice: true,
    absMustNotRunDry: facts.abs,
    linkedBrakes: facts.linkedBrakes,
    electricBooster: facts.electricBooster,
    roadMarkedHose: facts.use === 'road',
    competitionParts: facts.use === 'competition',
    sidecarThreeCalipers: facts.kind === 'sidecar' && (facts.calipersOnOneMaster ?? 0) >= 3,
    fluidAttacksPaint: true,
  };
  return VEHICLE_CAUTIONS.filter((caution) => applies[caution]);
}
