/** What each caution says, and the way out, in words a colleague would use. */
import type { Caution, CautionEvidence, CautionId } from '@zephyrcombe/core';
import { UNITS } from '@zephyrcombe/core';
import type { Writer } from './writer.ts';
import { CONDITION_WORDS } from './condition.ts';
import {
  FACT_NAMES,
  FLARE_FORM_NAMES,
  listOf,
  LUBRICANT_NAMES,
  MAKE_UP_STEP_NAMES,
  ORIGIN_NAMES,
  POSE_NAMES,
  SEAL_NAMES,
  SEAT_NAMES,
  TORQUE_PART_NAMES,
} from './names.ts';

/** Less than this is no movement of a vehicle. */
const LEAST_MOVE_m = 0.001;

export interface CautionText {
  readonly title: string;
  readonly advice: string;
}

type Sentences = {
  readonly [Id in CautionId]: (evidence: CautionEvidence[Id], write: Writer) => CautionText;
};

const eyesWord = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

const NATURE_WORDS = {
  hot: 'A hot part',
  moving: 'A moving part',
  still: 'Any part',
  service: 'Any part',
} as const;

const holdName = (hold: string) =>
  hold === 'start' ? 'the first end' : hold === 'end' ? 'the far end' : `clip ${hold}`;

const gapWords = (gap_m: number, write: Writer) =>
  gap_m < 0 ? `The hose meets it, ${write.length(-gap_m)} deep.` : `Only ${write.length(gap_m)} are left.`;

const lower = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);

const SENTENCES: Sentences = {
  M01: (evidence, write) => ({
    title: `Read with ${write.length(evidence.remainingTravel_m)} of travel left`,
    advice: 'The travel has been added. Better: lift the wheel clear and measure again at full droop.',
  }),
  M02: ({ open }) => ({
    title:
      open.length === 2
        ? 'Controls and brackets not confirmed'
        : open[0] === 'controls'
          ? 'Lever and bars not confirmed'
          : 'Brackets not confirmed',
    advice: open.includes('controls')
      ? 'The port moves when the lever does, 10 to 20 mm. Set them where the rider wants them, then measure.'
      : 'Put every bracket and clip the hose will hang on where it will be, then measure.',
  }),
  M03: (evidence, write) => ({
    title: 'Nobody said which points this length joins',
    advice: `${write.length(evidence.length_m)} joins the two sealing points. A supplier that counts from behind the necks or from the ferrules would make the hose wrong by its fittings, about 25 mm at each end. Ask, and say it at “The maker counts from”.`,
  }),
  M04: ({ number, unit, couldBe }, write) => ({
    title:
      unit === null ? `${number} of what?` : `${number} ${UNITS[unit].symbol} is no length of a brake hose`,
    advice:
      couldBe.length === 0
        ? 'No unit makes a brake hose of it. Read the tape again.'
        : `Say the unit: ${couldBe.map((one) => `${number} ${UNITS[one.unit].symbol} is ${write.length(one.length_m)}`).join(', ')}.`,
  }),
  M05: (evidence, write) => ({
    title: evidence.loop
      ? `At full bump the loop finds the ${lower(evidence.loop.part)}`
      : evidence.spare_m === null
        ? 'Full bump not looked at'
        : `${write.length(evidence.spare_m)} of hose to spare at full bump`,
    advice: evidence.loop
      ? `${gapWords(evidence.loop.gap_m, write)} With the suspension pressed in the spare length forms a loop there: shorten the hose, turn an end, or guide the loop.`
      : evidence.spare_m === null
        ? 'At full bump the spare length has to go somewhere. Compress the suspension and see where the loop lies.'
        : `It forms a loop there. See that the loop stays clear of tyre, spokes and exhaust.`,
  }),
  M06: (evidence) => ({
    title:
      evidence.missing.length === 2
        ? 'Neither lock checked'
        : `${evidence.missing[0] === 'leftLock' ? 'Left' : 'Right'} lock not checked`,
    advice: 'A hose that is easy at one lock can pull or pinch at the other. Turn the bars fully both ways.',
  }),
  M07: () => ({
    title: 'Axle not crossed up',
    advice:
      'A solid axle hangs lower on one side when the other is pushed up. Cross it up and measure there as well, not only at level droop.',
  }),
  M08: ({ bends, least_m, added_m }, write) => ({
    title:
      bends === null
        ? 'Read with wire, its bends not counted'
        : `Wire took ${eyesWord(bends, 'bend', 'bends')} tighter than a hose can`,
    advice:
      bends === null
        ? `Wire turns tighter than hose and reads short. Count its quarter bends under ${write.length(least_m)}, or use a tube.`
        : `${write.length(added_m)} were added for going round at ${write.length(least_m)}, an estimate. A tube of the hose’s size would show it.`,
  }),
  M09: (evidence, write) => ({
    title:
      evidence.readings < 2 ? 'One reading only' : `Readings differ by ${write.length(evidence.spread_m)}`,
    advice:
      evidence.readings < 2
        ? `Take a second reading at ${POSE_NAMES[evidence.pose].toLowerCase()}: a slipped mark shows only against another.`
        : evidence.odd_m === null
          ? 'One of the marks slipped. Measure once more and strike the one that is off.'
          : `The others agree without ${write.length(evidence.odd_m)}: its mark slipped. Strike it out.`,
  }),
  M10: (evidence, write) => ({
    title: `Bend of ${write.length(evidence.radius_m)}, under the ${write.length(evidence.least_m)} this hose stands`,
    advice:
      'The liner kinks there and tires. Choose an end with another angle, move a clip, or change the length.',
  }),
  M11: ({ from, to, moves_m, chord_m, free_m }, write) => ({
    title: moves_m > LEAST_MOVE_m ? 'Hose pulled tight' : 'Hose too short between its clips',
    advice:
      moves_m > LEAST_MOVE_m
        ? `${capital(holdName(from))} and ${holdName(to)} stand ${write.length(chord_m)} apart at the worst and move ${write.length(moves_m)}; only ${write.length(free_m)} of free hose lies between. Give it length, or clip it to one body.`
        : `${capital(holdName(from))} and ${holdName(to)} stand ${write.length(chord_m)} apart and do not move against each other, but only ${write.length(free_m)} of hose lies between. Check where along the hose they sit.`,
  }),
  M12: (evidence, write) => ({
    title: `Tied to the bars at ${evidence.clip}`,
    advice: `The wheel moves ${write.length(evidence.travel_m)} below it and all the bending gathers at the tie. Use a guide that lets the hose slide.`,
  }),
  M13: ({ short_m, eaten, uncertainty_m }, write) => ({
    title:
      eaten === 'pose'
        ? `This hose is ${write.length(short_m)} too short`
        : `This hose may be too short: ${write.length(short_m)} less than is sure`,
    advice:
      eaten === 'pose'
        ? `It does not reach the longest pose${uncertainty_m > 0 ? `, which may be longer by ${write.length(uncertainty_m)} still: that is counted in` : ''}. Do not open the system for it: at full droop it pulls. Find a longer one or order the right length.`
        : `It reaches the longest pose, but not what that may be wrong by, ${write.length(uncertainty_m)}. Measure again more closely, or find a longer one, before anything is opened.`,
  }),
  M14: () => ({
    title: 'New hoses not held against the route',
    advice:
      'Lay each new hose along its measured route before anything is opened: a drained vehicle with the wrong hose goes nowhere.',
  }),
  M15: (evidence, write) => ({
    title: `Too near the ${lower(evidence.part)}`,
    advice: `${gapWords(evidence.gap_m, write)} ${NATURE_WORDS[evidence.nature]} needs ${write.length(evidence.wanted_m)} (our default). Move a clip, turn an end or change the length.`,
  }),
  M16: (evidence, write) => ({
    title: `Comes within ${write.length(evidence.gap_m)} of the ${lower(evidence.part)}`,
    advice: 'What touches chafes to a pinhole. Add a sleeve or grommet there, or move a clip.',
  }),
  M17: (evidence, write) => ({
    title: `Lifted by ${write.length(evidence.lift_m)}, droop not measured`,
    advice:
      'How high it stands is not how low the wheel hangs. The lift has been added; with the parts in, measure how much lower the wheel hangs and enter that.',
  }),
  M18: ({ part, turn_rad }, write) => ({
    title: `The ${lower(part)} is covered`,
    advice:
      turn_rad === null
        ? 'The hose would have to come off to get at it. Choose another end or another way.'
        : `The hose would have to come off to get at it. Turn this end by ${write.angle(Math.abs(turn_rad))} ${turn_rad > 0 ? 'against' : 'with'} the clock, seen with the bolt pointing at you.`,
  }),
  M19: () => ({
    title: 'Clocking missing',
    advice:
      'Both ends are bent: say how they lie to each other, seen from end A, or the hose will have to be twisted.',
  }),
  M101: () => ({
    title: 'Clocking of the two eyes missing',
    advice:
      'Both eyes are held by their bolts, a straight neck too: give the angle from the eye axis of A to that of B, clockwise, seen along the hose from end A.',
  }),
  M102: ({ facts, from }) => ({
    title: `${listOf(
      facts.map((fact) => FACT_NAMES[fact]),
      'and',
    ).replace(/^./, (first) => first.toUpperCase())} only assumed`,
    advice: `Assumed ${listOf(
      from.map((origin) => ORIGIN_NAMES[origin]),
      'and',
    )}. ${
      from.includes('changedSince')
        ? 'Strike those readings out and read again, or say why you go on.'
        : facts.includes('takeOff')
          ? 'The length that is ordered, or cut, rests on it: enter what the maker’s sheet says of this end, or measure the end, or say why you go on.'
          : facts.includes('outside')
            ? 'What clasps the hose, and how tight it may bend, rests on it: enter what the hose maker’s sheet says, or measure the hose, or say why you go on.'
            : 'See it on this vehicle, measure it, or say why you go on. What shows only once it is open is asked for then.'
    }`,
  }),
  M104: () => ({
    title: 'Water left from the proof test',
    advice: 'Blow the hose dry and tick it before it is capped: water boils in a brake, and eats it.',
  }),
  M20: (evidence) => ({
    title: `Port ${evidence.portThread}, bolt ${evidence.boltThread}`,
    advice: 'They will start by hand and then tear the casting. Choose the bolt that matches the port.',
  }),
  M21: (evidence) => ({
    title: evidence.certain
      ? `This is 3/8-24, not ${evidence.other}`
      : `Could be 3/8-24 as well as ${evidence.other}`,
    advice:
      'The two feel alike and one starts in the other, then strips. Read the pitch over several crests before anything is ordered.',
  }),
  M22: (evidence) => ({
    title: `${evidence.crests} crests counted, not ${evidence.crests} gaps?`,
    advice:
      evidence.typed === null
        ? `Count the gaps: the fifth crest is four pitches. With one gap fewer this is ${evidence.thread}.`
        : `Both explain what you read: ${evidence.typed} by gaps, ${evidence.thread} by crests. Take the further reading before you settle on one.`,
  }),
  M23: (evidence, write) => ({
    title: `${write.fineLength(evidence.bore_m)} is a bore, not a bolt`,
    advice: `No bolt measures that, but it is the hole between the crests of ${evidence.thread}. Say that it is a port.`,
  }),
  M24: (evidence, write) => ({
    title: `A bore of ${write.fineLength(evidence.bore_m)} fits ${listOf(evidence.threads)}`,
    advice:
      'Flat calliper jaws read small bores low. Turn a gauge bolt in by hand: it must go all the way without rocking.',
  }),
  M25: (evidence, write) => ({
    title: `An eye of ${write.fineLength(evidence.eye_m)} on a bolt of ${write.fineLength(evidence.bolt_m)}`,
    advice:
      evidence.eye_m > evidence.bolt_m
        ? 'Eyes of several sizes look the same. With so much play the washers do not cover it, and it leaks.'
        : 'The bolt does not go through. Eyes of several sizes look the same: take the one for this bolt.',
  }),
  M26: (evidence) => ({
    title: `No ${evidence.form ? FLARE_FORM_NAMES[evidence.form] : SEAL_NAMES[evidence.seal]} seals on this ${SEAT_NAMES[evidence.portSeat]}`,
    advice:
      'Washers, cones and the two flares each need their own seat; forced together they leak or crush. Choose the end made for this port.',
  }),
  M27: ({ end }) => ({
    title: `End ${end} has a locating tab, and nobody said how it lies`,
    advice: 'There is a left one and a right one. Say the clocking, and hold the old end beside it.',
  }),
  M28: (evidence, write) => ({
    title: 'Built while production changed over',
    advice: `Between ${write.date(evidence.from)} and ${write.date(evidence.to)} both kinds left the works, and this one was built on ${write.date(evidence.builtOn)}. Banjo or screw-in? Look at the vehicle before ordering.`,
  }),
  M29: (evidence, write) => ({
    title: `Only ${write.length(evidence.engaged_m)} of thread engaged`,
    advice: `This bolt wants ${write.length(evidence.wanted_m)} or more. Use the longer bolt made for this many eyes.`,
  }),
  M30: (evidence, write) => ({
    title:
      evidence.bottomGap_m < 0
        ? 'Bolt meets the bottom before it clamps'
        : `Bolt ends ${write.length(evidence.bottomGap_m)} from the bottom`,
    advice: 'It must not reach the bottom of the port before the washers are crushed. Use the shorter bolt.',
  }),
  M31: () => ({
    title: 'The old bolt is the stop-lamp switch',
    advice:
      'Without it there is no brake light. Keep it, or fit a bolt that carries a switch, and try the light.',
  }),
  M32: ({ end }) => ({
    title: `Nothing holds end ${end} in its bracket`,
    advice: 'It has no knurl of its own: it needs its support washer, or it pulls through.',
  }),
  M33: (evidence, write) => ({
    title: `Clip ${write.fineLength(evidence.clip_m)} on ${evidence.grommet ? 'a grommet' : 'a hose'} of ${write.fineLength(evidence.held_m)}`,
    advice:
      evidence.clip_m > evidence.held_m
        ? 'It will be loose, and the hose chafes in it. One size smaller pinches as it should.'
        : 'It crushes what it holds. Take one that is up to a millimetre smaller, not more.',
  }),
  M34: (evidence, write) => ({
    title:
      evidence.verdict === 'rounds'
        ? `A ${write.fineLength(evidence.wrench_m)} wrench rounds a ${write.fineLength(evidence.hexagon_m)} hexagon`
        : `A ${write.fineLength(evidence.wrench_m)} wrench does not go on a ${write.fineLength(evidence.hexagon_m)} hexagon`,
    advice:
      'Metric and inch hexagons lie close together. Take the size that fits, a flare-nut wrench on a tube nut.',
  }),
  M35: ({ put, out }) => ({
    title:
      put > out
        ? `${eyesWord(put - out, 'cap or plug is', 'caps or plugs are')} still in the system`
        : 'More caps and plugs out than went on',
    advice:
      put > out
        ? 'A forgotten plug blocks the brake. Find it before anything is bled.'
        : 'Count again: what came out must have gone on.',
  }),
  M36: () => ({
    title: 'Screwed ends on a vehicle for the road',
    advice:
      'Hose made up by hand may be for competition only. Ask whoever registers the vehicle before it is fitted, or order crimped and marked hose.',
  }),
  M37: () => ({
    title: 'Made up here, and no proof test passed',
    advice: 'It is not fitted before it has held its pressure. Test it and write the test down.',
  }),
  M38: ({ step, first }) => ({
    title: `${MAKE_UP_STEP_NAMES[step]}: not yet`,
    advice: `First: ${lower(MAKE_UP_STEP_NAMES[first])}. What has to slide on does not go over a closed end.`,
  }),
  M39: ({ end }) => ({
    title: `End ${end} not looked into`,
    advice: 'No strand of the braid may be caught inside. Look under a lamp before the nut goes up.',
  }),
  M40: ({ end, short_m }, write) => ({
    title: `The liner of end ${end} is ${write.fineLength(short_m)} short of home`,
    advice: 'Not on its shoulder it blows off. Push it home, or take it off and begin again.',
  }),
  M41: ({ end, pair, wanted }) => ({
    title:
      pair === 'stainless'
        ? `Stainless on stainless, end ${end}`
        : `Threads of end ${end} without what they want`,
    advice: `They gall and lock half-way. Put ${LUBRICANT_NAMES[wanted]} on the threads, none inside the hose.`,
  }),
  M42: ({ end, gap_m, wanted_m, turned }, write) => ({
    title:
      turned === 'tooFar'
        ? `Nut of end ${end} turned too far: ${write.fineLength(gap_m)} left`
        : `Nut of end ${end} not home: ${write.fineLength(gap_m)} still open`,
    advice:
      turned === 'tooFar'
        ? `About one turn, ${write.fineLength(wanted_m)}, stays open. Further on it spoils its own seat.`
        : `It is home when about one turn, ${write.fineLength(wanted_m)}, stays open. Left out it does not grip the liner, and blows off.`,
  }),
  M43: ({ end }) => ({
    title: `The cut for end ${end} splays`,
    advice: 'Forced on, strands are caught and fingers cut. Bind it with tape and ties, and cut it again.',
  }),
  M44: (evidence, write) => ({
    title: `Cut ${write.length(evidence.needed_m - evidence.cut_m)} too short`,
    advice: `This line takes ${write.length(evidence.needed_m)} with its flares. Use the short piece for another line and cut anew; nothing stretches.`,
  }),
  M45: (evidence) => ({
    title: evidence.nuts === 0 ? 'No nut is on the tube' : 'Only one nut is on the tube',
    advice:
      'A nut does not go over a flare, nor round a bend. Put both on, the right way round, before the second end is closed.',
  }),
  M46: (evidence) => ({
    title: `End ${evidence.end}: ${evidence.form === 'compression' ? 'a compression fitting' : 'a single flare'} is no joint for a brake line`,
    advice: 'It leaks or blows off. Form a double or a bubble flare, whichever the port has its seat for.',
  }),
  M47: () => ({
    title: 'Plain copper hardens and cracks',
    advice:
      'Choose copper-nickel 90/10 or coated steel tube. Plain copper is not lawful for brakes in many places.',
  }),
  M48: (evidence) => ({
    title: `Bend ${evidence.bend + 1} was bent back`,
    advice: 'Steel cracks where it was bent back. Make another line.',
  }),
  M49: (evidence) => ({
    title: `The flare at end ${evidence.end} is ${evidence.looks === 'cracked' ? 'cracked' : 'off its centre'}`,
    advice: 'It does not seal. Cut it off, form it anew, and check that the line is still long enough.',
  }),
  M50: (evidence) => ({
    title:
      evidence.strokesLeft <= 0
        ? 'Reservoir at its minimum: top up now'
        : `About ${eyesWord(evidence.strokesLeft, 'stroke', 'strokes')} left: top up`,
    advice: evidence.abs
      ? 'Air drawn into the ABS unit stays there until a diagnostic tool cycles its valves.'
      : 'Air drawn in at the reservoir means starting over.',
  }),
  M57: (evidence) => ({
    title: `This joint takes ${evidence.needed} fresh washers; ${evidence.confirmed} confirmed`,
    advice: 'One on both sides of every eye, never a used one: a crushed washer does not seal twice.',
  }),
  M58: ({ part, partMaterial, washerMaterial }) => ({
    title: `${capital(washerMaterial)} washer against an ${partMaterial} ${part}`,
    advice: 'Aluminium parts take aluminium washers: the harder one bites instead of sealing, and corrodes.',
  }),
  M70: ({ part, minimum_Nm, maximum_Nm, usedFor, bolt, forBolt }, write) =>
    part === usedFor
      ? {
          title: `${write.torqueRange(minimum_Nm, maximum_Nm)} is for ${forBolt === null ? 'a bolt that nobody has named' : `the vehicle’s own bolt of ${forBolt}`}; ${bolt === null ? 'nobody has said which is fitted' : `one of ${bolt} is fitted`}`,
          advice: `The vehicle maker’s figure holds for the parts it was built with. ${forBolt === null ? 'Say on the drawing which bolt it was given for, or enter' : 'Enter'} the figure of the hose maker’s sheet, or of the bolt itself: a lighter bolt shears.`,
        }
      : {
          title: `The limit of ${TORQUE_PART_NAMES[part]} is ${write.torque(maximum_Nm)}`,
          advice: `What was read would do for ${TORQUE_PART_NAMES[usedFor]}, which does not govern here. The weakest part that is fitted does.`,
        },
  M71: (evidence, write) => ({
    title: `${write.torque(evidence.reading_Nm)} is over the ${write.torque(evidence.maximum_Nm)} limit`,
    advice: 'Do not just back it off: take the bolt out, fit a new bolt and fresh washers, torque again.',
  }),
  M72: (evidence, write) => ({
    title:
      evidence.calibratedOn === undefined
        ? 'This wrench cannot be trusted here'
        : `This wrench was calibrated on ${evidence.calibratedOn}: over a year ago`,
    advice: [
      ...(evidence.isInRange === false
        ? [
            `It is accurate from ${write.torque(evidence.lowest_Nm)} to ${write.torque(evidence.highest_Nm)}. Use one whose range holds this torque.`,
          ]
        : []),
      ...(evidence.calibratedOn === undefined
        ? []
        : ['Its reading may have drifted. Use another one, or have it calibrated and tighten again.']),
    ].join(' '),
  }),
  M73: ({ setLow_Nm, setHigh_Nm, minimum_Nm, maximum_Nm }, write) => ({
    title: `With this crowfoot, set ${write.torqueRange(setLow_Nm, setHigh_Nm)} instead of ${write.torqueRange(minimum_Nm, maximum_Nm)}`,
    advice:
      'What is on the wrench makes its lever another one: the joint does not have what the wrench shows.',
  }),
  M74: () => ({
    title: 'No source given for this torque',
    advice: 'Look it up in the maker’s sheet for the parts in your hand, and name the source.',
  }),
  M75: (evidence) => ({
    title: `The cap asks for ${evidence.asked}, this is ${evidence.offered}`,
    advice:
      'Use what the cap and the manual say. Lower grades boil sooner, and DOT 5 silicone mixes with none of the others.',
  }),
  M76: () => ({
    title: '5.1 is not silicone',
    advice: 'DOT 5.1 is glycol-based and mixes with DOT 3 and 4; the silicone one is DOT 5.',
  }),
  M77: (evidence) => ({
    title: `${evidence.offered} must not go into a ${evidence.asked} system`,
    advice: 'The seals are made for one family of fluid and are destroyed by the other.',
  }),
  M78: (evidence, write) => ({
    title: `Bottle opened ${eyesWord(evidence.months, 'month', 'months')} ago`,
    advice: `Open since ${write.date(evidence.openedOn)} it has drunk water from the air. Use a fresh one.`,
  }),
  M79: () => ({
    title: 'Level not confirmed at the mark',
    advice: 'Never above the mark: heat and new pads need the room, or the brake drags.',
  }),
  M80: () => ({
    title: 'Suction came off while the nipple was open',
    advice:
      'Air was drawn back. Draw on until it is through, close the nipple, and take the suction off after that.',
  }),
  M81: () => ({
    title: 'Let go before the nipple was closed',
    advice: 'Air came back. At least three whole strokes more: close first, then let go.',
  }),
  M82: ({ order, maker }) => ({
    title: maker ? 'Not in the order of the vehicle’s maker' : 'Not the farthest nipple first',
    advice: `Air of a longer line goes through one that is clear already. ${maker ? 'Its maker’s order' : 'In this order'}: ${order.join(', ')}.`,
  }),
  M83: ({ pressure_Pa, most_Pa }, write) => ({
    title: `${write.quantity({ kind: 'pressure', value_SI: pressure_Pa })} at the reservoir is too much`,
    advice: `Reservoirs crack and hoses come off; ${write.quantity({ kind: 'pressure', value_SI: most_Pa })} is the most that is taught, and one bar is enough. Where it was pressed harder, look over reservoir, cap and hoses.`,
  }),
  M84: () => ({
    title: 'Quick releases with the lid off',
    advice: 'It squirts into eyes and onto paint. Lay the lid on, loosely, and wear glasses.',
  }),
  M86: ({ cleaned }) => ({
    title: cleaned ? 'Pads that met fluid were only cleaned' : 'Fluid got onto pads or shoes',
    advice: 'They hold it and never grip as they should. Replace them, and clean the disc or drum.',
  }),
  M89: ({ by, cycled }) => ({
    title: cycled ? 'Not flushed since its ABS unit was cycled' : 'Its ABS unit may hold air',
    advice: cycled
      ? 'What the valves let go is in the lines now: bleed every nipple of this circuit once more.'
      : `${by === 'seen' ? 'Its reservoir ran dry' : 'By the count its reservoir was below its minimum'}. Air behind shut valves does not come out at a nipple: cycle the unit with a diagnostic tool as its maker says, and bleed again.`,
  }),
  M90: ({ was, asked }) => ({
    title:
      asked === null
        ? 'Ignition on or off for this wheel: nobody has looked it up'
        : was === null
          ? `The maker asks for ignition ${asked} at this wheel; nobody says how it was`
          : `Ignition was ${was} at this wheel, and the maker asks for ${asked}`,
    advice:
      'With an electric booster it decides whether there is any pressure, or whether a pump runs by itself. The maker’s service data say which, wheel by wheel.',
  }),
  M93: () => ({
    title: 'Nobody was told to stop gently first',
    advice: 'New pads and a clean disc grip weakly until they have bedded: first stops slow and gentle.',
  }),
  M110: ({ forced }) => ({
    title: forced ? 'A seized nipple was forced' : 'A seized nipple was freed, and nobody says how',
    advice:
      'Soak it, tap it, warm it where the caliper is drained; never force it. Look at its hexagon, its cone and the casting round it.',
  }),
  M87: ({ travel_m, most_m, pressure_Pa, against }, write) => ({
    title: 'The lever travels too far: spongy',
    advice: `${write.length(travel_m)} at ${write.quantity({ kind: 'pressure', value_SI: pressure_Pa })}${
      against === 'before'
        ? `, and ${write.length(most_m)} before the work: it should have got firmer.`
        : against === 'bar'
          ? `: beyond four fifths of the way that it has, ${write.length(most_m)}, nothing is left for hot fluid or worn pads.`
          : `; hoses at the limit of their class, fluid and pads explain ${write.length(most_m)} at most.`
    } Look for air, or for what else takes it up, before anybody rides.`,
  }),
  M88: ({ pumped_m3, holds_m3 }, write) => ({
    title: 'Much fluid, and still bubbles',
    advice: `About ${write.volume(pumped_m3)} were pumped through what holds about ${write.volume(holds_m3)}, and bubbles came last. Look at the nipple’s thread (bubbles that go on with the nipple shut come past it), the seal of the master, and high loops.`,
  }),
  M91: ({ read }) => ({
    title:
      read === 'none'
        ? 'Nobody has read the lever while it was held'
        : read === 'before'
          ? 'The lever was held and read before the last work on this circuit'
          : 'The lever was held and read for too short a time',
    advice:
      'A hold that is not read proves nothing: read the travel after a minute and again later, at the same force, then untie it.',
  }),
  M94: ({ abs }) => ({
    title: 'Warning lamp not confirmed off',
    advice: `With a brake ${abs ? 'or ABS ' : ''}lamp on, the vehicle does not go on the road.`,
  }),
  M95: () => ({
    title: 'Stop lamp not tested',
    advice: 'Test it with every control that works the brakes before the vehicle leaves.',
  }),
  M96: (evidence) => ({
    title: 'The record has gaps',
    advice: `Still blank: ${evidence.missing.join(', ')}. What is not written down cannot be shown later.`,
  }),
  M97: ({ name, condition, subject }) => ({
    title:
      subject === 'joint'
        ? `${name} stays as it was found: ${CONDITION_WORDS[condition]}`
        : `${name} stays on: ${CONDITION_WORDS[condition]}`,
    advice:
      condition === 'damagedThread'
        ? 'A damaged thread lets go under full pressure. Say what became of it: strike the finding out once it is repaired, or say why it stays.'
        : subject === 'joint'
          ? 'A joint that weeps, or cannot be opened, does not heal. Take it into this job in Look over, or say why not.'
          : 'A worn hose gives no second warning, and one that has collapsed inside holds a caliper on. Take it into this job, or say why not.',
  }),
  M52: ({ cleaner }) => ({
    title:
      cleaner === null
        ? 'Nobody has said what it was cleaned with'
        : 'No flame near chlorinated cleaner: the fumes are poison',
    advice:
      cleaner === null
        ? 'Say it under “something is different” before anything gets hot. Chlorinated cleaner and heat make a poisonous gas.'
        : 'Wipe it off, let it dry in moving air until nothing is left, and clean with one that has no chlorine in it.',
  }),
  M53: () => ({
    title: 'An open-ended spanner rounds a tube nut',
    advice: 'Use a flare-nut wrench, and hold the hexagon of the hose against it.',
  }),
  M56: ({ turned_rad, most_rad_per_m }, write) => ({
    title: `The hose is twisted by ${write.angle(turned_rad)}`,
    advice: `At most ${write.angle(most_rad_per_m)} in a metre. Loosen the end that turns, let it settle, and bend a thin bracket before you turn a hose to reach.`,
  }),
  M59: ({ needed }) => ({
    title: 'It was on for the trial, and no new washer is recorded',
    advice: `Take the bolt out once more and put ${needed} new washers in before it is tightened.`,
  }),
  M62: () => ({
    title: 'No tape and no paste on a brake thread',
    advice:
      'The seat seals, not the thread: a shred of it blocks a valve. Clean both threads, then join them.',
  }),
  M69: () => ({
    title: 'The bracket is bare where it was trimmed',
    advice: 'Take the burr off and paint it: it rusts there, and its edge cuts.',
  }),
  M63: () => ({
    title: 'Cleaned before it was soaked',
    advice:
      'Penetrating oil goes on the outside of a joint that is still closed, and is wiped off before it is opened: oil swells the seals.',
  }),
  M64: () => ({
    title: 'Not cleaned before it is opened',
    advice:
      'Dirt goes in with the first turn, and a grain under a seat leaks. Brush and clean round the joint first.',
  }),
  M65: () => ({
    title: 'The lines go past where the ABS unit was',
    advice:
      'A vehicle that is used on the road keeps its ABS: without it the approval ends, and the warning lamp stays on. Connect the unit again; where this circuit never had one, say so once.',
  }),
  M67: ({ out_m, in_m }, write) => ({
    title:
      out_m === null || in_m === null
        ? 'Nobody has compared the bleed screw with the one that came out here'
        : `The bleed screw is ${write.length(in_m)} long; the one that came out here was ${write.length(out_m)}`,
    advice:
      'Their lengths differ from caliper to caliper: too long it bottoms before it seats, too short it never closes. Match the screw that was at this place.',
  }),
  M68: ({ isSeen, isDrawnLow }) => ({
    title: isSeen
      ? 'The nipple is not the highest point'
      : isDrawnLow
        ? 'The nipple is drawn lower than its caliper'
        : 'Mount bolts were undone, and nobody has looked since whether the nipple is on top',
    advice:
      'Air above the nipple never comes out: the calipers are on the wrong sides, or this one has to be tilted while it is bled. Look, and say so at Bleed.',
  }),
  M66: ({ side, was }) => ({
    title: `The lead lay ${was}; it is now ${side}`,
    advice:
      'A lead inside the loop of a hose is pinched or pulled. Compare with the photograph, and lay it as it was.',
  }),
  M85: () => ({
    title: 'Paint is not covered',
    advice:
      'Brake fluid eats paint. Cover what it can drip on before anything is opened; rinse a drop with water at once.',
  }),
  M92: () => ({
    title: 'Bodywork closed too early',
    advice:
      'Pressure, every joint wiped dry, and the last movement from lock to lock come first: else it comes off again.',
  }),
  M99: () => ({
    title: 'Hose not settled first',
    advice:
      'A joint torqued in bind keeps the twist. Loosen, let the hose settle without twist, then torque.',
  }),
};

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** Title and advice of one caution, in the person's units. */
export function cautionText(caution: Caution, write: Writer): CautionText {
  // The mapped type above pairs id and evidence; TypeScript cannot follow that through an index.
  const sentence = SENTENCES[caution.id] as (evidence: Caution['evidence'], write: Writer) => CautionText;
  return sentence(caution.evidence, write);
}
