/** Counting strokes over several nipples: they all drink from one reservoir. */
export const OUTFLOWS = ['bubbles', 'blackTea', 'tea', 'honey', 'straw'] as const;
/** What comes out of a nipple: air, or fluid on its own scale from old to new. */
export type Outflow = (typeof OUTFLOWS)[number];

export type BleedEvent =
  | { readonly kind: 'stroke'; readonly at: string }
  | { readonly kind: 'topUp'; readonly at: string }
  | { readonly kind: 'outflow'; readonly at: string; readonly outflow: Outflow }
  | { readonly kind: 'clear'; readonly at: string };

/** Strokes since the reservoir was last topped up, over all nipples that it feeds, in the order given. */
export function strokesSinceTopUp(events: readonly BleedEvent[]): number {
  return events.reduce(
    (strokes, event) => (event.kind === 'topUp' ? 0 : event.kind === 'stroke' ? strokes + 1 : strokes),
    0,
  );
}

/** Whether a nipple has been declared clear and nothing was pumped there since. */
export function isClear(events: readonly BleedEvent[]): boolean {
  const last = [...events].reverse().find((event) => event.kind === 'clear' || event.kind === 'stroke');
  return last?.kind === 'clear';
}
