/**
 * What hose for the road has to show, by family of standards. Written from memory of the published texts, in general words:
 * the standard in force where the vehicle is registered decides, and this is no legal advice.
 */
export interface MarkingNote {
  readonly family: string;
  readonly shows: string;
  readonly basis: string;
}

export const MARKING_NOTES: readonly MarkingNote[] = [
  {
    family: 'United States and where its rules are taken over',
    shows:
      'The hose carries a stripe or print along it with DOT, who made it, when, and its size; the assembly says who put it together. The maker certifies it himself: nobody approves it beforehand.',
    basis: 'FMVSS 106 (49 CFR 571.106); SAE J1401 for hydraulic hose. From memory.',
  },
  {
    family: 'International standard for non-petroleum brake fluid',
    shows:
      'The hose names the standard, its maker and the date it was made. The standard tests the hose; whether it may be fitted is for the country to say.',
    basis: 'ISO 3996. From memory.',
  },
  {
    family: 'Countries with a type approval of parts',
    shows:
      'A hose that is not the vehicle maker’s own comes with an approval or a parts certificate for this vehicle, carries its number, and may have to be entered in the vehicle’s papers.',
    basis: 'National rules; common practice, no published source here.',
  },
  {
    family: 'Made up in a shop, screwed ends',
    shows:
      'In many places for competition only. Where it is allowed on the road, whoever makes it up may count as its maker, with the marking and the proof that go with that.',
    basis: 'National rules; common practice, no published source here.',
  },
];

export const MARKING_QUESTION =
  'Ask before ordering: whoever registers or inspects the vehicle where it is used, and the hose maker for the paper that comes with the hose. Write down what they said.';
