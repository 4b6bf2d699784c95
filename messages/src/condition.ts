/** Words for what is found on hoses and joints, and for what to do about it. */
import type {
  Condition,
  DateCodeReading,
  Degree,
  FindingSubject,
  HoseAge,
  Recommendation,
} from '@zephyrcombe/core';
import { writeDate } from './writer.ts';

/** In a sentence: "Rear hose stays on: cracked". */
export const CONDITION_WORDS: Readonly<Record<Condition, string>> = {
  sound: 'sound',
  aged: 'over its age',
  cracked: 'cracked',
  swollen: 'swollen',
  chafed: 'chafed',
  frayed: 'braid frayed',
  kinked: 'kinked',
  leaking: 'leaking',
  collapsed: 'collapsed inside',
  corroded: 'corroded',
  seizedNut: 'nut seized',
  roundedHexagon: 'hexagon rounded',
  damagedThread: 'thread damaged',
  reRouted: 'route changed',
};

/** What to look for, beside the choice. */
export const CONDITION_SIGNS: Readonly<Record<Condition, string>> = {
  sound: 'Looked at along its whole length, bent by hand, ends and marking seen.',
  aged: 'Read the date code on the hose, not the year of the vehicle.',
  cracked: 'Bend it sharply by hand: cracks open on the outside of the bend, first beside the ferrules.',
  swollen: 'Somebody pulls hard while you feel along it: it grows, or shows a blister.',
  chafed: 'Bright braid, worn cover or a flat: find what it touched as well.',
  frayed: 'Broken strands at a ferrule or clip. They cut: gloves on.',
  kinked: 'A flat or a sharp bend that stays when the hose is free. Inside, the liner has folded.',
  leaking: 'Wipe dry, hold pressure for a minute, wipe again with clean paper.',
  collapsed: 'Wheel drags after the brake is let go and frees when its nipple is opened.',
  corroded: 'Scale, pits or flakes under clips and where salt lies. Scrape before you judge.',
  seizedNut:
    'The nut turns its pipe, or not at all. Penetrating oil, time, a flare-nut wrench and a second one behind.',
  roundedHexagon: 'The wrench slips, corners are bright.',
  damagedThread: 'Crests torn or pulled, a bolt that starts hard. Find which thread it was first.',
  reRouted: 'Bars, guard, fork or lift changed: the old length says nothing any more.',
};

export const DEGREE_WORDS: Readonly<Record<Degree, string>> = {
  slight: 'slight: seen when looked for',
  marked: 'marked: plain to see',
  severe: 'severe: failing',
};

export const RECOMMENDATION_WORDS: Readonly<Record<Recommendation, string>> = {
  replace: 'Replace it',
  lookDeeper: 'Look deeper first',
  watch: 'Watch it, look again at the next service',
  keep: 'Stays as it is',
};

/** What looking deeper means for this finding. */
export const DEEPER_WORDS: Partial<Readonly<Record<Condition, string>>> = {
  swollen:
    'Measure the travel of lever or pedal at two forces: a hose goes on growing where air has closed up.',
  frayed: 'Part the strands under a lamp: a broken one means a new hose.',
  kinked: 'Off the vehicle, blow through it or pass a rod: it must be free from end to end.',
  collapsed: 'Open the nipple of the wheel that drags, then slacken the line at the master.',
  leaking:
    'Find the wet face: washers of this joint are renewed in any case, eye and port are looked at for scratches.',
  seizedNut:
    'Oil, an hour, a flare-nut wrench. If it turns its pipe, stop: the other end of the hose may come off first.',
  roundedHexagon: 'Find the size that fits, metric or inch, before anything is forced.',
  damagedThread: 'Take two readings to the thread finder, then a gauge bolt by hand.',
};

export const SUBJECT_WORDS: Readonly<Record<FindingSubject, string>> = {
  hose: 'hose',
  hardLine: 'hard line',
  joint: 'joint',
};

/** What the age of a hose says. */
export function hoseAgeText({ months, verdict }: HoseAge): string {
  const years = Math.floor(months / 12);
  const rest = months % 12;
  const age =
    years === 0
      ? `${rest} ${rest === 1 ? 'month' : 'months'}`
      : `${years} ${years === 1 ? 'year' : 'years'}${rest === 0 ? '' : ` ${rest} months`}`;
  switch (verdict) {
    case 'fresh':
      return `${age} old`;
    case 'soon':
      return `${age} old, due within half a year`;
    case 'over':
      return `${age} old: older than the 4-year guide for rubber hose (common practice, no published source)`;
    case 'inspect':
      return `${age} old; braided hose goes by inspection, it has no agreed life`;
  }
}

export function dateCodeText({ kind, from, to }: DateCodeReading): string {
  switch (kind) {
    case 'day':
      return writeDate(from);
    case 'month':
      return writeDate(from).replace(/^\S+ /, '');
    case 'week':
      return `the week from ${writeDate(from)}`;
    case 'quarter':
      return `${writeDate(from).replace(/^\S+ /, '')} to ${writeDate(to).replace(/^\S+ /, '')}`;
    case 'year':
      return `the year ${from.slice(0, 4)}`;
  }
}
