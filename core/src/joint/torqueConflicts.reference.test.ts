/**
 * Thirty conflicts of torque figures at one joint, each with the figure that governs. The figures are those that are met on motorcycles
 * and cars (18–21 N·m kits with aluminium bolts, 12–14 lbf·ft kits, 26–32 N·m steel banjo bolts, 14–18 N·m tube nuts); the rule is
 * that of `design/domain.md` 7: the weakest part that is really fitted, its own maker first. Common practice, no published source.
 */
import { toSI } from '../units/convert.ts';
import type { FittedBolt, PartTorque } from './governingTorque.ts';
import { governingTorque, judgeTorquePart } from './governingTorque.ts';

const figure =
  (
    part: PartTorque['part'],
    minimum_Nm: number,
    maximum_Nm: number,
    source: PartTorque['source'],
    forBolt: PartTorque['forBolt'] = null,
  ) =>
  (isFitted = true): PartTorque => ({ part, minimum_Nm, maximum_Nm, source, forBolt, isFitted });

const VEHICLE = figure('joint', 26, 32, 'vehicleMaker', 'steel');
const VEHICLE_ANY = figure('joint', 26, 32, 'vehicleMaker');
const VEHICLE_LOW = figure('joint', 15, 18, 'vehicleMaker', 'steel');
const VEHICLE_SAME = figure('joint', 18, 21, 'vehicleMaker', 'steel');
const VEHICLE_GUESS = figure('joint', 26, 32, null);
const KIT = figure('kit', 18, 21, 'hoseMaker');
const KIT_FEET = figure('kit', toSI(12, 'lbf_ft'), toSI(14, 'lbf_ft'), 'hoseMaker');
const KIT_STEEL = figure('kit', 24, 28, 'hoseMaker', 'steel');
const KIT_GUESS = figure('kit', 10, 12, null);
const BOLT = figure('bolt', 20, 23, 'hoseMaker', 'aluminium');
const BOLT_LOW = figure('bolt', 8, 10, 'hoseMaker', 'aluminium');
const BOLT_STAINLESS = figure('bolt', 19, 22, 'hoseMaker', 'stainless');
const BOLT_GUESS = figure('bolt', 8, 10, null);
const NUT = figure('joint', 14, 18, 'vehicleMaker');
const NUT_KIT = figure('kit', 13, 16, 'hoseMaker');
/** 16 lbf·ft is 21.7 N·m: printed beside 21 it is another figure. */
const KIT_SIXTEEN = figure('kit', toSI(13, 'lbf_ft'), toSI(16, 'lbf_ft'), 'hoseMaker');

const STEEL: FittedBolt = { metal: 'steel' };
const ALUMINIUM: FittedBolt = { metal: 'aluminium' };
const UNSAID: FittedBolt = { metal: null };

/** What is known, the bolt in the hand, which of them governs, and whether that is a wrong part's (M70). */
const TABLE: readonly (readonly [string, readonly PartTorque[], FittedBolt, number, boolean])[] = [
  ['the vehicle’s alone, its own bolt', [VEHICLE()], STEEL, 0, false],
  ['the vehicle’s alone, an aluminium bolt', [VEHICLE()], ALUMINIUM, 0, true],
  ['the vehicle’s alone, nobody has said which bolt', [VEHICLE()], UNSAID, 0, true],
  ['the vehicle’s for no bolt in particular, on aluminium', [VEHICLE_ANY()], ALUMINIUM, 0, true],
  ['a tube nut has no bolt to be wrong', [NUT()], 'noBolt', 0, false],
  ['kit under vehicle, both fitted', [VEHICLE(), KIT()], ALUMINIUM, 1, false],
  ['kit under vehicle, the kit not fitted, its own bolt', [VEHICLE(), KIT(false)], STEEL, 0, false],
  ['kit under vehicle, the kit not fitted, another bolt', [VEHICLE(), KIT(false)], ALUMINIUM, 0, true],
  ['the order they are entered in does not matter', [KIT(), VEHICLE()], ALUMINIUM, 0, false],
  ['the vehicle’s lower than the kit’s', [VEHICLE_LOW(), KIT()], STEEL, 0, false],
  ['the vehicle’s lower, on another bolt', [VEHICLE_LOW(), KIT()], ALUMINIUM, 0, true],
  ['the vehicle’s lower, its part not fitted', [VEHICLE_LOW(false), KIT()], ALUMINIUM, 1, false],
  ['kit and bolt, the kit lower', [KIT(), BOLT()], ALUMINIUM, 0, false],
  ['kit and bolt, the bolt lower', [KIT(), BOLT_LOW()], ALUMINIUM, 1, false],
  ['kit and bolt, the lower bolt not fitted', [KIT(), BOLT_LOW(false)], ALUMINIUM, 0, false],
  ['all three, the bolt lowest', [VEHICLE(), KIT(), BOLT_LOW()], ALUMINIUM, 2, false],
  ['all three, only the vehicle’s fitted', [VEHICLE(), KIT(false), BOLT_LOW(false)], STEEL, 0, false],
  ['a kit in foot-pounds under one in newton metres', [KIT(), KIT_FEET()], ALUMINIUM, 1, false],
  ['16 lbf·ft is over 21 N·m: the newton metres govern', [KIT_SIXTEEN(), KIT()], ALUMINIUM, 1, false],
  ['a steel kit over an aluminium bolt', [KIT_STEEL(), BOLT()], ALUMINIUM, 1, false],
  ['a steel kit under the vehicle’s', [VEHICLE(), KIT_STEEL()], STEEL, 1, false],
  ['a stainless bolt by its own maker', [VEHICLE(), BOLT_STAINLESS()], { metal: 'stainless' }, 1, false],
  ['a guess under a sourced figure does not govern', [VEHICLE(), KIT_GUESS()], STEEL, 0, false],
  ['a guessed bolt under a sourced kit does not govern', [KIT(), BOLT_GUESS()], ALUMINIUM, 0, false],
  ['a guess stands while there is nothing else', [KIT_GUESS()], ALUMINIUM, 0, false],
  ['two guesses: the lower one', [VEHICLE_GUESS(), BOLT_GUESS()], ALUMINIUM, 1, false],
  [
    'a sourced figure of a part that is not there, and a guess of one that is',
    [VEHICLE(false), KIT_GUESS()],
    ALUMINIUM,
    1,
    false,
  ],
  ['nothing is fitted that is known: the lowest of all', [VEHICLE(false), KIT(false)], ALUMINIUM, 1, false],
  ['the same range twice: one of them, and it is never both', [VEHICLE_SAME(), KIT()], STEEL, 0, false],
  ['a tube nut and its kit', [NUT(), NUT_KIT()], 'noBolt', 1, false],
];

test('there are thirty', () => {
  expect(TABLE).toHaveLength(30);
});

test.each(TABLE)('%s', (_what, figures, bolt, expected, isWrong) => {
  const resolved = governingTorque(figures);
  expect(resolved.governing).toBe(figures[expected]);
  expect(resolved.others).toEqual(figures.filter((_, index) => index !== expected));
  expect(judgeTorquePart(resolved, bolt).map(({ id }) => id)).toEqual(isWrong ? ['M70'] : []);
});
