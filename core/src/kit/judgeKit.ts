/** A hose out of the box against the one that was ordered, item by item, before anything is opened. */

import type { EndFamily } from '../fittings/end.ts';
import { judgeEye } from '../joint/parts.ts';
import { twistBetween_rad } from '../route/clocking.ts';
import { sameThread } from '../threads/catalogue.ts';
import { demand, unphysical } from '../calculation/physical.ts';

export interface KitEnd {
  readonly family: EndFamily;
  readonly neckAngle_rad: number;
  /** Null for a threaded end. */
  readonly eyeBore_m: number | null;
  /** Of the bolt in the box, or of the end itself; null where nothing says it. */
  readonly thread: string | null;
}

export interface KitOrder {
  /** In the datum in which it was ordered. */
  readonly length_m: number;
  readonly tolerance_m: number;
  /** The longest that holds by the route; null without one. */
  readonly longest_m: number | null;
  readonly endA: KitEnd & { readonly bolt_m: number | null; readonly turnable: boolean | null };
  readonly endB: KitEnd & { readonly bolt_m: number | null; readonly turnable: boolean | null };
  readonly clocking_rad: number | null;
  readonly bolts: number;
  readonly washers: number;
  readonly use: 'road' | 'competition';
}

/** Null: not looked at yet. */
export interface KitFound {
  readonly length_m: number | null;
  readonly endA: KitEnd | null;
  readonly endB: KitEnd | null;
  readonly clocking_rad: number | null;
  readonly bolts: number | null;
  readonly washers: number | null;
  /** As printed along it; empty: nothing is printed. */
  readonly marking: string | null;
  readonly dateCode: string | null;
  readonly boreClear: boolean | null;
}

export const KIT_ITEMS = [
  'length',
  'endA',
  'endB',
  'clocking',
  'bolts',
  'washers',
  'marking',
  'dateCode',
  'bore',
] as const;
export type KitItem = (typeof KIT_ITEMS)[number];

/** Worst last. */
export const KIT_VERDICTS = ['accept', 'adapt', 'return'] as const;
export type KitVerdict = (typeof KIT_VERDICTS)[number];

export type KitReason =
  | { readonly is: 'asOrdered' }
  | { readonly is: 'short'; readonly by_m: number }
  /** Longer than ordered, and by the route it still holds, or does not. */
  | { readonly is: 'long'; readonly by_m: number; readonly holds: boolean }
  | { readonly is: 'otherEnd' }
  | { readonly is: 'otherBend'; readonly found_rad: number; readonly wanted_rad: number }
  | { readonly is: 'otherThread'; readonly found: string; readonly wanted: string }
  | { readonly is: 'otherEye'; readonly found_m: number; readonly bolt_m: number }
  | { readonly is: 'turnEnd'; readonly by_rad: number; readonly end: 'A' | 'B' }
  | { readonly is: 'cannotTurn'; readonly by_rad: number }
  | { readonly is: 'missing'; readonly count: number }
  | { readonly is: 'noMarking' }
  | { readonly is: 'noDate' }
  /** A year alone: nobody can say how old the hose is to half a life. */
  | { readonly is: 'yearAlone'; readonly year: string }
  | { readonly is: 'blocked' };

export interface KitFinding {
  readonly item: KitItem;
  readonly verdict: KitVerdict;
  readonly reason: KitReason;
}

export interface KitJudgement {
  readonly findings: readonly KitFinding[];
  /** What nobody has looked at. */
  readonly open: readonly KitItem[];
  /** Null while something is open and nothing found so far sends it back. */
  readonly verdict: KitVerdict | null;
}

/** How far a bend and a clocking may be off without being felt on the vehicle: our defaults. */
const BEND_rad = (3 * Math.PI) / 180;
const CLOCKING_rad = (10 * Math.PI) / 180;
const NOISE_m = 5e-7;

const AS_ORDERED: KitReason = { is: 'asOrdered' };
const accept = (item: KitItem): KitFinding => ({ item, verdict: 'accept', reason: AS_ORDERED });

function judgeLength({ length_m, tolerance_m, longest_m }: KitOrder, found_m: number): KitFinding {
  const by_m = found_m - length_m;
  if (Math.abs(by_m) <= tolerance_m + NOISE_m) return accept('length');
  // A short hose is pulled at some pose; nobody makes it longer.
  if (by_m < 0) return { item: 'length', verdict: 'return', reason: { is: 'short', by_m: -by_m } };
  const holds = longest_m !== null && found_m <= longest_m + NOISE_m;
  return { item: 'length', verdict: holds ? 'adapt' : 'return', reason: { is: 'long', by_m, holds } };
}

function judgeEnd(item: 'endA' | 'endB', wanted: KitOrder['endA'], found: KitEnd): KitFinding {
  const back = (reason: KitReason): KitFinding => ({ item, verdict: 'return', reason });
  if (found.family !== wanted.family) return back({ is: 'otherEnd' });
  if (Math.abs(found.neckAngle_rad - wanted.neckAngle_rad) > BEND_rad)
    return back({ is: 'otherBend', found_rad: found.neckAngle_rad, wanted_rad: wanted.neckAngle_rad });
  if (
    found.eyeBore_m !== null &&
    wanted.bolt_m !== null &&
    judgeEye(found.eyeBore_m, wanted.bolt_m).length > 0
  )
    return back({ is: 'otherEye', found_m: found.eyeBore_m, bolt_m: wanted.bolt_m });
  if (found.thread !== null && wanted.thread !== null && !sameThread(found.thread, wanted.thread))
    // The bolt is another part than the hose: another one cures it. A threaded end is the hose.
    return {
      item,
      verdict: wanted.family === 'banjo' ? 'adapt' : 'return',
      reason: { is: 'otherThread', found: found.thread, wanted: wanted.thread },
    };
  return accept(item);
}

function judgeClocking({ clocking_rad, endA, endB }: KitOrder, found_rad: number): KitFinding {
  if (clocking_rad === null) return accept('clocking');
  const by_rad = twistBetween_rad(found_rad, clocking_rad);
  if (Math.abs(by_rad) <= CLOCKING_rad) return accept('clocking');
  const end = endB.turnable === true ? 'B' : endA.turnable === true ? 'A' : null;
  return end === null
    ? { item: 'clocking', verdict: 'return', reason: { is: 'cannotTurn', by_rad } }
    : { item: 'clocking', verdict: 'adapt', reason: { is: 'turnEnd', by_rad, end } };
}

const judgeCount = (item: 'bolts' | 'washers', wanted: number, found: number): KitFinding =>
  found >= wanted
    ? accept(item)
    : { item, verdict: 'adapt', reason: { is: 'missing', count: wanted - found } };

function judgeDate(code: string): KitFinding {
  if (code === '') return { item: 'dateCode', verdict: 'adapt', reason: { is: 'noDate' } };
  return YEAR_ALONE.test(code)
    ? { item: 'dateCode', verdict: 'adapt', reason: { is: 'yearAlone', year: code } }
    : accept('dateCode');
}

/** "2026", "26", "'26": month, week or quarter is missing. */
const YEAR_ALONE = /^['’]?(19|20)?\d{2}$/;

export function judgeKit(order: KitOrder, found: KitFound): KitJudgement {
  demand(
    unphysical(
      { order, found },
      {
        positive: ['length_m', 'longest_m', 'eyeBore_m', 'bolt_m'],
        notNegative: ['tolerance_m', 'bolts', 'washers', 'neckAngle_rad'],
      },
    ),
  );
  const { length_m, endA, endB, clocking_rad, bolts, washers, marking, dateCode, boreClear } = found;
  const { use } = order;
  const looked: readonly (KitFinding | KitItem)[] = [
    length_m === null ? 'length' : judgeLength(order, length_m),
    endA === null ? 'endA' : judgeEnd('endA', order.endA, endA),
    endB === null ? 'endB' : judgeEnd('endB', order.endB, endB),
    order.clocking_rad === null
      ? accept('clocking')
      : clocking_rad === null
        ? 'clocking'
        : judgeClocking(order, clocking_rad),
    bolts === null ? 'bolts' : judgeCount('bolts', order.bolts, bolts),
    washers === null ? 'washers' : judgeCount('washers', order.washers, washers),
    marking === null
      ? 'marking'
      : marking.trim() === '' && use === 'road'
        ? { item: 'marking', verdict: 'return', reason: { is: 'noMarking' } }
        : accept('marking'),
    dateCode === null ? 'dateCode' : judgeDate(dateCode.trim()),
    boreClear === null
      ? 'bore'
      : boreClear
        ? accept('bore')
        : { item: 'bore', verdict: 'return', reason: { is: 'blocked' } },
  ];
  const findings = looked.filter((one): one is KitFinding => typeof one !== 'string');
  const open = looked.filter((one): one is KitItem => typeof one === 'string');
  const worst = KIT_VERDICTS.findLast((verdict) => findings.some((one) => one.verdict === verdict)) ?? null;
  return { findings, open, verdict: worst === 'return' || open.length === 0 ? worst : null };
}
