/** Sentences for inputs that have no physical answer, and for texts that are no quantity. */
import type { ParseFailure, Problem, QuantityKind, UnitId } from '@zephyrcombe/core';
import { formatQuantity, UNITS } from '@zephyrcombe/core';
import { fieldText } from './fields.ts';
import { KIND_NAMES, listOf } from './names.ts';
import type { Writer } from './writer.ts';

const capital = (text: string) => text.replace(/^./, (first) => first.toUpperCase());

/** One sentence naming the field and the way out. */
export function problemText(problem: Problem, write: Writer): string {
  switch (problem.code) {
    case 'notPositive':
      return `The ${fieldText(problem.field)} must be more than nothing. Check the sign and the figure.`;
    case 'notFinite':
      return `The ${fieldText(problem.field)} is not a number. Type it again.`;
    case 'tooLarge':
      return `The ${fieldText(problem.field)} is larger than anything on a vehicle. Check the figure and its unit.`;
    case 'noEyeOnThisEnd':
      return `The fitting at ${fieldText(problem.field)} has no eye: count from the end of its thread.`;
    case 'noThreadOnThisEnd':
      return `The fitting at ${fieldText(problem.field)} has no thread of its own: count from the centre of its eye.`;
    case 'shorterThanItsFittings':
      return `The two fittings alone take ${write.length(problem.takeOffs_m)}. Check the length and its unit.`;
    case 'noScale':
      return 'Set the scale first: two points whose distance you know, or the corners of a known rectangle.';
    case 'scaleTooShort':
      return 'The two points of the scale lie too near each other. Choose a longer known distance.';
    case 'cornersCrossed':
      return 'The four corners have to go round the rectangle, one after the other. Move the one that crosses.';
    case 'tooFewPoints':
      return 'Set at least two points along the line.';
    case 'beyondHorizon':
      return 'A point lies beyond the plane of the rectangle. Move it nearer, or set the corners anew.';
    case 'noReading':
      return 'No reading yet: lay the tube along the route and read it twice.';
    case 'noDroopReading':
      return 'Nothing is ordered without a reading at full droop. Lift the wheel clear and take one.';
    case 'rangeUpsideDown':
      return 'The least torque is above the greatest. Swap them.';
    case 'torqueImplausible':
      return `${write.torque(problem.reading_Nm)} cannot be right where ${write.torque(problem.maximum_Nm)} is the limit. Check the figure and its unit.`;
    case 'noFluidPath':
      return `No hose leads to ${problem.field}. Draw the circuit to its end.`;
    case 'endsCannotBothGoFirst':
      return 'Both ends of this hose are screwed in and cannot swivel: one would have to be twisted. Change one end.';
    case 'noThreadReading':
      return 'Nothing has been read yet. Type a diameter, a span over several pitches, or try a bolt by hand.';
    case 'handStartNeedsPort':
      return 'A bolt is tried in a port. Say that this is an internal thread, or read the bolt itself.';
    case 'unknownThread':
      return 'That thread is not among those known here. Choose one from the list.';
    case 'jawWiderThanBore':
      return 'The jaws are wider than the bore they were in. Check both figures.';
    case 'madeInFuture':
      return 'That date has not come yet. Read the code again, or correct the date.';
    case 'noDirection':
      return `The ${fieldText(problem.field)} points nowhere: all three figures are nothing. Give it a direction.`;
    case 'clipsOutOfOrder':
      return 'A clip lies before the one that the hose passes first, or in a fitting. Put the clips in order along the hose.';
    case 'stiffenerOutOfPlace':
      return 'This stiffener lies in a fitting, over another one or across a guide. Leave at least 5 mm of bending hose on either side, or let a clip grip it.';
    case 'neckTooLong':
      return `The ${fieldText(problem.field)} is longer than the whole rigid piece behind that end (${write.length(problem.rigid_m)}). Shorten it, or lengthen the rigid piece.`;
    case 'boreOverNeck':
      return `The ${fieldText(problem.field)} does not go with the size round it: a hole is larger than the part it is in. Check both figures.`;
    case 'legTooShort':
      return `${capital(fieldText(problem.field))} is shorter than the bends at its ends take (${write.length(problem.least_m)}). Lengthen it, or use a bender with a smaller radius.`;
    case 'legsAndBends':
      return `So many bends lie between ${problem.legs} straights. Enter one straight more than bends.`;
    case 'noSuchBend':
      return `${capital(fieldText(problem.field))} must turn by more than 0° and less than 180°.`;
    case 'nothingToCut':
      return 'There is nothing to cut yet. Enter at least one piece.';
    case 'notEnoughStock':
      return problem.needed_m > problem.have_m
        ? `The pieces with their cuts take ${write.length(problem.needed_m)}, and there is ${write.length(problem.have_m)} in stock. Add a length.`
        : `There is ${write.length(problem.have_m)} in stock, but the pieces do not go into those lengths. Add a length, or make a hose from another reel.`;
    case 'readingsTooNear':
      return `The two pulls are too near each other to tell air from swelling. Make the firm one at least ${problem.times === 2 ? 'twice' : `${problem.times} times`} as hard as the soft one.`;
    case 'readingsDisagree':
      return `No amount of air and swelling explains both readings. Read the ${fieldText(problem.field)} again.`;
    case 'beyondTable':
      return 'That is beyond what the standard’s table covers. Check the figure and its unit.';
  }
}

/** What to say about a text that is not a quantity of this kind. */
export function parseFailureText(failure: ParseFailure, kind: QuantityKind): string {
  switch (failure.reason) {
    case 'empty':
      return `Type a ${KIND_NAMES[kind]} with its unit.`;
    case 'notANumber':
      return 'That is not a number with a unit. For example: 742 mm, 8 1/2 in, 19.6 N·m.';
    case 'ambiguousComma':
      return kind === 'distance'
        ? 'That could be a decimal or a thousand. Write 12500, or 12.5.'
        : 'That comma could be a decimal or a thousand. Write 1234 or 1.234.';
    case 'belowAbsoluteZero':
      return `Nothing is that cold: absolute zero is ${write0(failure.unit)}.`;
    case 'zeroDenominator':
      return 'A fraction cannot have zero below the line.';
    case 'unknownUnit':
      return `“${failure.typedUnit}” is not a unit of ${KIND_NAMES[kind]} known here.`;
    case 'unitMissing':
      return `${failure.number} of what? Choose ${listOf(failure.couldBe.map((unit) => UNITS[unit].symbol))}.`;
  }
}

const write0 = (unit: UnitId) => formatQuantity(0, unit, { decimals: 2 });
