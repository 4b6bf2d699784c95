import { cutLength } from '../../cutList/cutLength.ts';
import type { EndGeometry } from '../../fittings/end.ts';
import { convertLength, sealingDatum } from '../../fittings/lengthDatum.ts';
import { flareTube } from '../../hardLine/flareTube.ts';
import { developed } from '../../hardLine/line.ts';
import type { Adapter, Answers } from '../adapter.ts';
import { entries, figure, list, mm, rad, text, valueOf } from '../adapter.ts';
import type { Fields } from '../case.ts';

const CLOSED =
  'closed form; take-offs and insertions are invented test inputs, the flare allowance is a rule of the trade';
const FERRULES = { endA: 'ferruleFace', endB: 'ferruleFace' } as const;

function endOf(end: Fields): EndGeometry {
  const isBanjo = /banjo|eye/i.test(text(end, 'kind', 'banjo'));
  return {
    family: isBanjo ? 'banjo' : 'threaded',
    ferruleToApex_m: mm(figure(end, 'a')),
    apexToPoint_m: mm(figure(end, 'b', 0)),
    neckAngle_rad: rad(figure(end, 'phi', 0)),
    neckLength_m: 0,
  };
}

const endsOf = (inputs: Fields) => {
  const [a = {}, b = {}] = entries(inputs, 'ends');
  return { endA: endOf(a), endB: endOf(b) };
};

const insertionsOf = (inputs: Fields) => {
  const [a = 0, b = 0] = 'insertion' in inputs ? list(inputs, 'insertion') : [0, 0];
  return { insertionA_m: mm(a), insertionB_m: mm(b) };
};

function hose(inputs: Fields): Answers {
  const ends = endsOf(inputs);
  const free_m = mm(figure(inputs, 'free_ferrule_to_ferrule'));
  const there = valueOf(
    convertLength({ ...ends, given: FERRULES, wanted: sealingDatum(ends.endA, ends.endB), length_m: free_m }),
  );
  const cut = valueOf(cutLength({ ...ends, given: FERRULES, length_m: free_m, ...insertionsOf(inputs) }));
  const developedOff = [ends.endA, ends.endB].map((end) => (end.ferruleToApex_m + end.apexToPoint_m) * 1000);
  return {
    take_off_developed: developedOff,
    eye_to_eye_developed: there.length_m * 1000,
    cut_length_of_hose: cut.cut_m * 1000,
  };
}

function back(inputs: Fields): Answers {
  const ends = endsOf(inputs);
  const given = {
    ...ends,
    given: sealingDatum(ends.endA, ends.endB),
    length_m: mm(figure(inputs, 'given')),
    path: text(inputs, 'datum') === 'projected' ? ('projected' as const) : ('developed' as const),
  };
  return {
    free_ferrule_to_ferrule: valueOf(convertLength({ ...given, wanted: FERRULES })).freeHose_m * 1000,
    cut_length_of_hose: valueOf(cutLength({ ...given, ...insertionsOf(inputs) })).cut_m * 1000,
  };
}

function bent(inputs: Fields): Answers {
  const [flareA = 0, flareB = 0] = 'flare_allowance' in inputs ? list(inputs, 'flare_allowance') : [0, 0];
  const made = developed({
    legs_m: list(inputs, 'legs').map(mm),
    legDatum: text(inputs, 'datum') === 'straight' ? 'straight' : 'apex',
    bends: list(inputs, 'bends_deg').map((bend) => ({ angle_rad: rad(bend), roll_rad: 0 })),
    radius_m: mm(figure(inputs, 'R_centreline')),
    endA: { flare_m: mm(flareA) },
    endB: { flare_m: mm(flareB) },
    unionGap_m: mm(figure(inputs, 'unions', 0) * figure(inputs, 'union_gap', 0)),
  });
  // A leg shorter than its bends is refused: the reference calls it infeasible.
  if (!made.ok && made.problem.code === 'legTooShort') return { feasible: false };
  const { straights_m, arcs_m, centreline_m, cut_m } = valueOf(made);
  return {
    feasible: true,
    arc_total: arcs_m.reduce((sum, arc) => sum + arc, 0) * 1000,
    straights: straights_m.map((straight) => straight * 1000),
    centreline_length: centreline_m * 1000,
    cut_length: cut_m * 1000,
  };
}

function flared(inputs: Fields): Answers {
  const { slant_m, folded_m, height_m, consumed_m } = valueOf(
    flareTube(mm(figure(inputs, 'od')), mm(figure(inputs, 'flare_od'))),
  );
  return {
    cone_slant: slant_m * 1000,
    folded: folded_m * 1000,
    axial_height: height_m * 1000,
    consumed_beyond_flare_end: consumed_m * 1000,
  };
}

export const datumAdapters: readonly Adapter[] = [
  { kind: 'hose', group: 'datum', needs: ['free_ferrule_to_ferrule', 'ends'], answer: hose, source: CLOSED },
  { kind: 'inverse', group: 'datum', needs: ['given', 'ends'], answer: back, source: CLOSED },
  {
    kind: 'hardline',
    group: 'datum',
    needs: ['legs', 'bends_deg', 'R_centreline'],
    answer: bent,
    source: CLOSED,
  },
  {
    kind: 'flare_geometry',
    group: 'datum',
    needs: ['od', 'flare_od'],
    answer: flared,
    source: 'geometry of a 45° cone, closed form',
  },
];
