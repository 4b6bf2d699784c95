/** Counting over several nipples: they all drink from one reservoir. */
export const OUTFLOWS = ['bubbles', 'blackTea', 'tea', 'honey', 'straw'] as const;
/** What comes out of a nipple: air, or fluid on its own scale from old to new. */
export type Outflow = (typeof OUTFLOWS)[number];

/** What is done or seen at a nipple. */
export const BLEED_EVENTS = ['stroke', 'volume', 'topUp', 'outflow', 'clear', 'drewBack', 'ranDry'] as const;
export type BleedEventKind = (typeof BLEED_EVENTS)[number];

export type BleedEvent =
  | { readonly kind: 'stroke'; readonly at: string }
  /** Caught at the nipple by a way that has no strokes. */
  | { readonly kind: 'volume'; readonly at: string; readonly volume_m3: number }
  | { readonly kind: 'topUp'; readonly at: string }
  | { readonly kind: 'outflow'; readonly at: string; readonly outflow: Outflow }
  | { readonly kind: 'clear'; readonly at: string }
  /** The lever came back, or the suction off, while the nipple was open. */
  | { readonly kind: 'drewBack'; readonly at: string }
  /** The reservoir was found empty. */
  | { readonly kind: 'ranDry'; readonly at: string };

/** Strokes since the reservoir was last topped up, over all nipples that it feeds, in the order given. */
export function strokesSinceTopUp(events: readonly BleedEvent[]): number {
  return events.reduce(
    (strokes, event) => (event.kind === 'topUp' ? 0 : event.kind === 'stroke' ? strokes + 1 : strokes),
    0,
  );
}

/** What was caught since then by ways without strokes, cubic metres. */
export function caughtSinceTopUp(events: readonly BleedEvent[]): number {
  return events.reduce(
    (caught_m3, event) =>
      event.kind === 'topUp' ? 0 : event.kind === 'volume' ? caught_m3 + event.volume_m3 : caught_m3,
    0,
  );
}

const UNDOES_CLEAR: ReadonlySet<BleedEventKind> = new Set<BleedEventKind>([
  'stroke',
  'volume',
  'drewBack',
  'ranDry',
]);

/** Whether a nipple has been declared clear, and nothing was moved there since. */
export function isClear(events: readonly BleedEvent[]): boolean {
  const last = events.findLast(({ kind }) => kind === 'clear' || UNDOES_CLEAR.has(kind));
  return last?.kind === 'clear';
}
