/** What is typed about a vehicle, and the vehicle that comes of it. */
import type { Vehicle, VehicleEntry, VehicleKind } from '@zephyrcombe/contract';
import type { PatternId, UnitPreferences } from '@zephyrcombe/core';
import { editableText, readQuantity } from '../../quantities/QuantityField.tsx';

export interface VehicleDraft {
  readonly name: string;
  readonly kind: VehicleKind;
  readonly plate: string;
  readonly use: Vehicle['use'];
  readonly abs: boolean;
  readonly linkedBrakes: boolean;
  readonly electricBooster: boolean;
  readonly distance: string;
  readonly intervalMonths: string;
  readonly intervalDistance: string;
  readonly note: string;
}

export const EMPTY_VEHICLE: VehicleDraft = {
  name: '',
  kind: 'motorcycle',
  plate: '',
  use: 'road',
  abs: false,
  linkedBrakes: false,
  electricBooster: false,
  distance: '',
  intervalMonths: '',
  intervalDistance: '',
  note: '',
};

export const draftOf = (vehicle: Vehicle, units: UnitPreferences): VehicleDraft => ({
  name: vehicle.name,
  kind: vehicle.kind,
  plate: vehicle.plate ?? '',
  use: vehicle.use,
  abs: vehicle.abs,
  linkedBrakes: vehicle.linkedBrakes,
  electricBooster: vehicle.electricBooster,
  distance: vehicle.distance_m === null ? '' : editableText(vehicle.distance_m, units.distance),
  intervalMonths: vehicle.makerIntervalMonths === null ? '' : String(vehicle.makerIntervalMonths),
  intervalDistance:
    vehicle.makerIntervalDistance_m === null
      ? ''
      : editableText(vehicle.makerIntervalDistance_m, units.distance),
  note: vehicle.note,
});

export type VehicleErrors = Partial<Readonly<Record<keyof VehicleDraft, string>>>;

/**
 * The vehicle, or what stands against it field by field. What may be left empty is nothing then. A figure that stands as it was
 * shown keeps its stored value: on screen it is a whole one.
 */
export function readVehicle(
  draft: VehicleDraft,
  before?: { readonly vehicle: Vehicle; readonly units: UnitPreferences },
): {
  readonly entry: VehicleEntry | null;
  readonly errors: VehicleErrors;
} {
  const errors: Record<string, string> = {};
  const distance = (text: string, field: keyof VehicleDraft) => {
    if (text.trim() === '') return null;
    const stored =
      field === 'distance' ? before?.vehicle.distance_m : before?.vehicle.makerIntervalDistance_m;
    if (before && typeof stored === 'number' && text === editableText(stored, before.units.distance))
      return stored;
    const { quantity, error } = readQuantity(text, 'distance', true);
    if (error !== null) errors[field] = error;
    return quantity?.value_SI ?? null;
  };
  if (draft.name.trim() === '') errors.name = 'A vehicle needs a name to be found by.';
  const months = draft.intervalMonths.trim();
  if (months !== '' && !/^([1-9]|[1-9]\d|1[01]\d|120)$/.test(months))
    errors.intervalMonths = 'Whole months, 1 to 120, or nothing.';
  const distance_m = distance(draft.distance, 'distance');
  const makerIntervalDistance_m = distance(draft.intervalDistance, 'intervalDistance');
  if (Object.keys(errors).length > 0) return { entry: null, errors };
  return {
    entry: {
      name: draft.name.trim(),
      kind: draft.kind,
      plate: draft.plate.trim() || null,
      use: draft.use,
      abs: draft.abs,
      linkedBrakes: draft.linkedBrakes,
      electricBooster: draft.electricBooster,
      distance_m,
      makerIntervalMonths: months === '' ? null : Number(months),
      makerIntervalDistance_m,
      note: draft.note.trim(),
    },
    errors,
  };
}

/** The starting patterns that make sense on a vehicle of this kind, the likeliest first. */
export const PATTERNS_FOR: Readonly<Record<VehicleKind, readonly PatternId[]>> = {
  motorcycle: ['singleFront', 'twinLongHoses', 'twinTee', 'twinCrossover', 'singleRear', 'motorcycleAbs'],
  sidecar: ['threeOnOneMaster', 'twinLongHoses', 'singleFront', 'singleRear'],
  car: ['carDiagonal', 'carFrontRear'],
  van: ['carDiagonal', 'carFrontRear'],
  trike: ['trike', 'singleFront', 'singleRear'],
  quad: ['quad'],
};
