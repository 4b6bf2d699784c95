/** An order as it leaves: the same facts in every form, and on paper nothing outside its frame. */
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { HydraulicsEntry, JobDetail, OrderDocument, VehicleDetail } from '@zephyrcombe/contract';
import { hydraulicsOf } from '@zephyrcombe/contract';
import { createWriter } from '@zephyrcombe/messages';
import { fromCsvCell, hardLineSheet, orderSheet, templateSheet, textWidth_m } from '@zephyrcombe/documents';
import type { FlatDrawing } from '@zephyrcombe/core';
import { developed, EXAMPLE_BUILD, exampleBanjo, exampleThreaded, METRIC } from '@zephyrcombe/core';
import { csvParse } from 'd3-dsv';
import PDFDocument from 'pdfkit';
import { demoId } from '../../demo/identity.ts';
import { readPdf } from '../../testing/poppler.ts';
import { HARD_LINE } from '../../testing/samples.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const OUTFIT = demoId('job/petrelle-bars');
const file = (name: string) => server.ask('GET', `/api/jobs/${OUTFIT}/order/${name}`);

test('number, date, shop with address and phone, vehicle, need-by date and finish stand in PDF, CSV and JSON alike', async () => {
  const lead = await server.signInAs('ottoline');
  const detail = await server.job('petrelle-bars');
  await server.ask(
    'PATCH',
    '/api/shop',
    { version: detail.shop.version, address: 'Quay 3', phone: '214' },
    lead,
  );
  const reply = await server.ask('PATCH', `/api/jobs/${OUTFIT}`, {
    version: detail.job.version,
    orderTerms: { needBy: '2026-12-04', finish: 'clear cover, bright fittings' },
  });
  expect(reply.statusCode).toBe(200);
  const json = (await file('json')).json<OrderDocument>();
  expect(json).toMatchObject({
    writtenOn: '2026-11-23',
    needBy: '2026-12-04',
    finish: 'clear cover, bright fittings',
    shopAddress: 'Quay 3',
    shopPhone: '214',
    vehicle: { name: 'Petrelle 700 outfit', plate: 'SKR 07' },
  });
  expect(json.number).toMatch(/^2026-\d{4}$/);
  for (const row of csvParse((await file('csv')).body))
    expect(row).toMatchObject({
      order: json.number,
      written_on: '2026-11-23',
      need_by: '2026-12-04',
      shop: json.shop,
      shop_address: 'Quay 3',
      shop_phone: '214',
      vehicle: json.vehicle.name,
      finish: json.finish,
    });
  // What begins like a formula is text in the table, and comes back as it was.
  const formula = '=HYPERLINK("http://x")';
  const { version } = reply.json<JobDetail>().job;
  const orderTerms = { needBy: '2026-12-04', finish: formula };
  await server.ask('PATCH', `/api/jobs/${OUTFIT}`, { version, orderTerms });
  for (const { finish = '' } of csvParse((await file('csv')).body)) {
    expect(finish.startsWith("'=")).toBe(true);
    expect(fromCsvCell(finish)).toBe(formula);
  }
  await server.ask('PATCH', `/api/jobs/${OUTFIT}`, {
    version: version + 1,
    orderTerms: { needBy: '2026-12-04', finish: json.finish },
  });
  const { text } = readPdf((await file('pdf')).rawPayload);
  for (const said of [
    json.number,
    '23 November 2026',
    '4 December 2026',
    'Quay 3',
    '214',
    'SKR 07',
    json.finish,
  ])
    expect(text).toContain(said);
});

test('two jobs never bear one number', async () => {
  const numbers = await Promise.all(
    [1, 2, 3].map(async () => {
      const reply = await server.ask('POST', '/api/jobs', {
        id: randomUUID(),
        vehicleId: demoId('wick'),
        circuitIds: [demoId('wick/front/circuit')],
        title: 'Front hose',
        reason: '',
        hoseIds: [demoId('wick/front/hose')],
      });
      return reply.json<JobDetail>().job.number;
    }),
  );
  expect(new Set(numbers).size).toBe(3);
});

/** A job on a vehicle of the pattern's own, its flare hose specified past what stands open. */
async function flareOrder(change: (circuit: HydraulicsEntry) => HydraulicsEntry): Promise<OrderDocument> {
  const { items } = (await server.ask('GET', '/api/vehicles')).json<{ items: { id: string }[] }>();
  for (const { id } of items) {
    const { circuits } = (await server.ask('GET', `/api/vehicles/${id}`)).json<VehicleDetail>();
    for (const circuit of circuits) {
      const hose = circuit.hoses.find(
        (line) =>
          line.kind === 'hose' && (line.endA.family === 'threaded' || line.endB.family === 'threaded'),
      );
      if (!hose) continue;
      const saved = await server.ask('PUT', `/api/vehicles/${id}/circuits/${circuit.id}`, {
        version: circuit.version,
        hydraulics: change(hydraulicsOf(circuit)),
      });
      if (saved.statusCode !== 200) throw new Error(saved.body);
      const job = (
        await server.ask('POST', '/api/jobs', {
          id: randomUUID(),
          vehicleId: id,
          circuitIds: [circuit.id],
          title: 'Flare hose',
          reason: '',
          hoseIds: [hose.id],
        })
      ).json<JobDetail>();
      const { models } = server.database;
      await models.JobHose.update({ order_m: 0.35, specified: true }, { where: { jobId: job.job.id } });
      return (await server.ask('GET', `/api/jobs/${job.job.id}/order/json`)).json();
    }
  }
  throw new Error('no flare hose in the demo');
}

test('a threaded end says its gender, its seat and its hexagon, or that nobody has measured it', async () => {
  const order = await flareOrder((circuit) => ({
    ...circuit,
    joints: circuit.joints.map((joint) => ({ ...joint, hexagon_m: 0.011 })),
  }));
  const ends = order.hoses.flatMap(({ endA, endB }) => [endA, endB]);
  const threaded = ends.filter(({ family }) => family === 'threaded');
  expect(threaded.length).toBeGreaterThan(0);
  for (const end of threaded) {
    expect(['male', 'female']).toContain(end.gender);
    expect(end.seat).not.toBeNull();
    expect(end.hexagon_m).toBe(0.011);
  }
  for (const end of ends.filter(({ family }) => family === 'banjo')) expect(end.gender).toBeNull();
});

describe('on paper', () => {
  const write = createWriter(METRIC, 'UTC');
  const require = createRequire(import.meta.url);
  const font = readFileSync(
    require.resolve('@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff'),
  );
  const pdf = new PDFDocument({ autoFirstPage: true });
  pdf.registerFont('text', font);
  /** As the PDF sets it, metres: another measure than the one that broke the lines. */
  const setWidth_m = (text: string, height_m: number) =>
    (pdf
      .font('text')
      .fontSize((height_m / 0.67) * (72 / 0.0254))
      .widthOfString(text) *
      0.0254) /
    72;

  const outside = ({ width_m, marks }: FlatDrawing): readonly string[] =>
    marks.flatMap((mark) => {
      if (mark.kind !== 'text' || mark.turn_rad !== 0) return [];
      const wide_m = setWidth_m(mark.text, mark.height_m);
      const left =
        mark.at_m[0] - (mark.anchor === 'end' ? wide_m : mark.anchor === 'middle' ? wide_m / 2 : 0);
      // The frame stands 12 mm from each edge.
      const isInside =
        left >= 0.012 - 1e-4 && left + wide_m <= width_m - 0.012 + 1e-4 && mark.at_m[1] >= 0.012;
      return isInside
        ? []
        : [`${mark.text} (${(left * 1000).toFixed(1)} to ${((left + wide_m) * 1000).toFixed(1)} mm)`];
    });

  test('the widths that lines are broken by are those that the PDF sets', () => {
    for (const text of [
      'Drawn from the dimensions entered. Examples of ours',
      'M10×1.0 – 742 mm ± 3 °',
      'WMQ@%',
    ])
      expect(textWidth_m(text, 0.0028)).toBeCloseTo(setWidth_m(text, 0.0028), 3);
  });

  test.each(['A4', 'letter'] as const)('nothing of an order runs out of its frame, %s', async (paper) => {
    const order = (await file('json')).json<OrderDocument>();
    const [hose] = order.hoses;
    if (!hose) throw new Error('no hose');
    const long =
      'A name so long that nobody would give it to a hose of any vehicle in this shop or another one';
    const crowded: OrderDocument = {
      ...order,
      finish: long.slice(0, 110),
      shopAddress: `${long}\n${long}`,
      hoses: [
        ...order.hoses,
        {
          ...hose,
          name: long,
          endA: { ...hose.endA, at: long },
          along: Array.from({ length: 40 }, (_none, index) => ({
            kind: 'label' as const,
            from_m: 0.05 + index * 0.01,
            length_m: 0.008,
            outside_m: null,
            clip_m: null,
            note: long,
          })),
        },
      ],
    };
    for (const sheet of [orderSheet(order, paper, write), orderSheet(crowded, paper, write)])
      expect(sheet.pages.flatMap(outside)).toEqual([]);
  });

  test.each(['A4', 'letter'] as const)('nor of templates and bend tables, %s', (paper) => {
    const long = 'Left front hose of the outfit with the raised bars and the taller mail rack, second try';
    const ends = [
      { name: `End A, ${long}`, end: exampleBanjo(90), build: EXAMPLE_BUILD },
      { name: 'End B', end: exampleThreaded(45), build: EXAMPLE_BUILD },
    ];
    const order = { ...HARD_LINE, name: long };
    const made = developed(order.line);
    if (!made.ok) throw new Error(made.problem.code);
    const bends = hardLineSheet(order, made.value, paper, write);
    expect(bends.pages.flatMap(outside)).toEqual([]);
    expect(templateSheet(long, ends, paper, write).pages.flatMap(outside)).toEqual([]);
  });
});
