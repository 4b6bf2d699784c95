/** What is ticked in a job, in words that fit the vehicle: pedal or lever, ABS only where there is one. */
import type { HandoverCheck, PoseCheck, SealKind } from '@zephyrcombe/core';
import type { AbandonRefusal, Circuit, FitChecks, Vehicle } from '@zephyrcombe/contract';

/** What the words depend on. */
export interface VehicleWords {
  /** What works this circuit's master. */
  readonly control: string;
  readonly abs: boolean;
  /** Worked by hand and foot; a car or van has the pedal only. */
  readonly handAndFoot: boolean;
  /** "ride" or "drive". */
  readonly outing: string;
}

/** For words about no vehicle in particular. */
export const ANY_VEHICLE: VehicleWords = {
  control: 'lever or pedal',
  abs: true,
  handAndFoot: true,
  outing: 'ride or drive',
};

/**
 * A car or van has a pedal. On anything else a master on the handlebar has a lever, one on the frame a pedal; where
 * nothing says where the master sits, a lever.
 */
export function vehicleWords(
  { kind, abs }: Pick<Vehicle, 'kind' | 'abs'>,
  circuit: { readonly components: readonly Pick<Circuit['components'][number], 'kind' | 'body'>[] },
): VehicleWords {
  const enclosed = kind === 'car' || kind === 'van';
  const masters = circuit.components.filter((component) => component.kind === 'master');
  const feet = masters.filter(({ body }) => body === 'frame').length;
  const byFoot = enclosed || (masters.length > 0 && feet === masters.length);
  return {
    control: byFoot ? 'pedal' : feet > 0 ? 'lever or pedal' : 'lever',
    abs,
    handAndFoot: !enclosed,
    outing: enclosed ? 'drive' : 'ride',
  };
}

const capital = (word: string) => word.replace(/^./, (first) => first.toUpperCase());

export const handoverNames = ({
  control,
  abs,
  handAndFoot,
}: VehicleWords): Readonly<Record<HandoverCheck, string>> => ({
  pressureHeld: `Full pressure held for a minute, ${control} did not sink`,
  levelAtMark: 'Fluid level at the mark, not above',
  capAndDiaphragm: 'Diaphragm seated, cap on',
  lockToLockAgain: 'Lock to lock and full travel once more: no pull, no rub',
  stopLamp: handAndFoot ? 'Stop lamp works at every lever and pedal' : 'Stop lamp works at the pedal',
  warningLampOff: abs ? 'No brake or ABS warning lamp' : 'No brake warning lamp',
  wheelsTorqued: 'Wheels and axles torqued to the vehicle maker’s figure',
  leverBeforeMoving: `${capital(control)} pumped firm before the vehicle moved`,
  plugsCounted: 'Plugs and caps counted out again',
  fluidCollected: 'Old fluid collected for disposal, spills rinsed',
  firstStopsTold: 'First stops slow and gentle until the pads have bedded: whoever takes it was told',
});

export const ABANDON_REFUSALS: Readonly<Record<AbandonRefusal, string>> = {
  leftOpenNotSaid:
    'The brake has been opened. Put it together, torque and bleed it and sign the job off; or say that it stays open and that the vehicle does not run.',
  takenBackNotSaid:
    'Something was ticked that is done on an opened brake, and taken back. Say that it was ticked by mistake and nothing was opened; or that the brake stays open and the vehicle does not run.',
  notYours: 'The brake has been opened: a technician or your lead decides what becomes of this job.',
};

export const POSE_CHECK_NAMES: Readonly<Record<PoseCheck, string>> = {
  controlsFinal: 'Lever and bars set where the rider wants them',
  bracketsInPlace: 'Brackets and clips in place',
  leftLock: 'Left lock: no pull, no pinch',
  rightLock: 'Right lock: no pull, no pinch',
  fullBump: 'Full bump: the spare loop stays clear of tyre, spokes and exhaust',
  crossedUp: 'Axle crossed up both ways: no pull at the wheel that drops',
};

export const FIT_CHECK_NAMES: Readonly<Record<keyof FitChecks, string>> = {
  offeredUp: 'New hoses laid along their measured routes, before anything is opened',
  settle: 'Clips loose, hose relaxed: it lies without twist, stripe straight',
  lockToLock: 'Lock to lock: no pull, no pinch, nothing rubs',
  droopAndBump: 'Full droop and full bump: clear of tyre, spokes, exhaust and pad pins',
};

/** Where the mark that shows a turned joint is drawn. */
export const WITNESS_MARK_NAMES: Readonly<Record<SealKind, string>> = {
  banjo: 'Witness mark across bolt and eye',
  flare: 'Witness mark across nut and port',
  screwed: 'Witness mark across fitting and port',
};

export const firstOutingText = ({ control, outing }: VehicleWords): string =>
  `Pump the ${control} until it is firm before the vehicle moves. Make the first stops slowly and gently. If the ${control} feels different, sinks, or a warning lamp lights, stop and call us. Come back for a look at the joints after the first ${outing}.`;

/** Of a job that makes hard lines alone. */
export const LINES_OFFERED = 'New hard lines held against their routes, before anything is opened';
