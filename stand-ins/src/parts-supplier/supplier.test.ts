/** The simulated supplier: what he quotes adds up, and what he sends is wrong in the one way he was asked for. */
import type { OrderDocument } from '@zephyrcombe/contract';
import { MISDELIVERIES } from '@zephyrcombe/contract';
import { judgeKit } from '@zephyrcombe/core';
import { serveSupplier } from './serve.ts';
import { packed, quoteFor } from './supplier.ts';

const END = {
  family: 'banjo',
  neckAngle_rad: 0,
  takeOff_m: 0.032,
  thread: 'M10×1.0',
  at: 'Front master',
  material: 'stainless',
  bendPlane: 'acrossEye',
  direction_rad: null,
  eyeBore_m: 0.0102,
  turnable: null,
  tab: false,
  bracket: false,
  knurled: false,
  supportWasher: false,
  gender: null,
  kind: 'banjo',
  seat: 'flatWasherFace',
  hexagon_m: null,
  beyondBend_m: 0.016,
} as const;
const ORDER: OrderDocument = {
  format: 'zephyrcombe.order',
  schemaVersion: 1,
  reference: '6f1d6c2e-6a50-4a52-9f5e-0b8a5f0b5b11',
  number: '2026-0007',
  writtenOn: '2026-11-26',
  needBy: null,
  finish: '',
  shop: 'Skerrow Isle Post Garage',
  shopAddress: 'The Old Slip 4, Skerrow Isle',
  shopPhone: 'Skerrow Isle 214',
  vehicle: { name: 'Wick 200 shore bike', plate: null, kind: 'motorcycle', use: 'road' },
  hoses: [
    {
      id: '0b9f0c7e-8d5a-4f4e-9c57-3f8f3e1a2b10',
      name: 'Front hose',
      length_m: 0.905,
      datum: { endA: 'eyeCentre', endB: 'eyeCentre' },
      sealingLength_m: 0.905,
      freeLength_m: 0.841,
      tolerance_m: 0.003,
      bore_m: 0.0032,
      outside_m: 0.0075,
      liner: 'ptfe',
      braid: 'stainless',
      cover: 'clear',
      fixing: 'crimped',
      endA: END,
      endB: { ...END, at: 'Front caliper' },
      clocking_rad: null,
      clocking: 'notGiven',
      along: [],
    },
  ],
  parts: [{ key: 'washer', text: 'Crush washer', count: 6 }],
};
const [HOSE] = ORDER.hoses;
if (!HOSE) throw new Error('no hose');

test('a quote adds up; what he does not make is refused with its reason', () => {
  const quote = quoteFor(ORDER, 7);
  expect(quote.quote).toBe('SIM-Q7');
  expect(quote.total).toBe(quote.lines.reduce((sum, { count, each }) => sum + count * each, 0));
  expect(quote.refused).toEqual([]);
  const screwed = quoteFor({ ...ORDER, hoses: [{ ...HOSE, fixing: 'screwed' }] }, 1);
  expect(screwed.lines.map(({ text }) => text)).toEqual(['Crush washer']);
  expect(screwed.refused.map(({ text }) => text)).toEqual(['Front hose']);
});

test.each(MISDELIVERIES)('a box that is wrong by “%s” is found out by the check-in', (wrong) => {
  const end = { ...END, bolt_m: 0.01 };
  const { verdict, findings } = judgeKit(
    {
      length_m: HOSE.length_m,
      tolerance_m: HOSE.tolerance_m,
      longest_m: 0.95,
      endA: end,
      endB: end,
      clocking_rad: null,
      bolts: 2,
      washers: 4,
      use: 'road',
    },
    packed(HOSE, 2, 4, wrong).found,
  );
  const bad = findings.filter((found) => found.verdict !== 'accept');
  if (wrong === 'none') expect(verdict).toBe('accept');
  // Six come where four are used: one missing is covered by the spares.
  else if (wrong === 'fewWashers') expect(bad).toMatchObject([{ item: 'washers', verdict: 'adapt' }]);
  else expect(bad).toHaveLength(1);
});

test('over HTTP: quote, order, delivery; nonsense is refused, and nobody else is let in', async () => {
  const served = await serveSupplier(0, () => new Date('2026-11-26T10:00:00Z'));
  try {
    const ask = async (path: string, body: unknown) => {
      const reply = await fetch(`http://127.0.0.1:${served.port}${path}`, {
        method: 'POST',
        body: typeof body === 'string' ? body : JSON.stringify(body),
      });
      return [reply.status, (await reply.json()) as Record<string, unknown>] as const;
    };
    const [created, quote] = await ask('/quotes', {
      order: ORDER,
      counts: [{ hoseId: HOSE.id, bolts: 2, washers: 4 }],
    });
    expect(created).toBe(201);
    const [, order] = await ask('/orders', { quote: quote.quote });
    expect(order).toEqual({ order: 'SIM-O1', confirmedOn: '2026-11-26', expectedOn: '2026-11-30' });
    // The reply was lost on its way: asked again, it is the same order.
    expect((await ask('/orders', { quote: quote.quote }))[1]).toEqual(order);
    const [, parcel] = await ask('/deliveries', { order: 'SIM-O1', wrong: 'short' });
    expect(parcel).toMatchObject({ items: [{ hoseId: HOSE.id, found: { length_m: 0.89 } }] });
    expect((await ask('/orders', { quote: 'SIM-Q9' }))[0]).toBe(404);
    expect((await ask('/quotes', 'no json'))[0]).toBe(400);
    expect((await ask('/quotes', { order: { ...ORDER, hoses: 'none' } }))[0]).toBe(400);
  } finally {
    await served.stop();
  }
});
