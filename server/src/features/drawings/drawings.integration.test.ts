/** Files at true size, read back by poppler and by another DXF reader: what they say is measured, not believed. */
import { drawingAddress } from '@zephyrcombe/contract';
import { CAPITALS, notOnPaper, textWidth_m } from '@zephyrcombe/documents';
import { developed, EXAMPLE_BUILD, exampleBanjo } from '@zephyrcombe/core';
import DxfParser from 'dxf-parser';
import { readPdf } from '../../testing/poppler.ts';
import { HARD_LINE, TEMPLATES } from '../../testing/samples.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';
import { dxfOf } from './dxf.ts';
import { FACES, runsOf } from './faces.ts';
import { svgOf } from './svg.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

type Line = readonly (readonly [number, number])[];
const lengthOf = (line: Line) =>
  line.slice(1).reduce((sum, [x, y], index) => {
    const [ax, ay] = line[index] ?? [x, y];
    return sum + Math.hypot(x - ax, y - ay);
  }, 0);
const direction = (line: Line) => {
  const [from, to] = [line[0] ?? [0, 0], line.at(-1) ?? [0, 0]];
  return Math.atan2(from[1] - to[1], to[0] - from[0]);
};
/** The one nearest in length. */
const lineOf = (lines: readonly Line[], length_mm: number): Line =>
  [...lines].sort((a, b) => Math.abs(lengthOf(a) - length_mm) - Math.abs(lengthOf(b) - length_mm))[0] ?? [];

const file = async (of: 'templates' | 'hard-line', format: 'pdf' | 'svg' | 'dxf', body: object, page = 1) => {
  const reply = await server.ask('POST', `${drawingAddress(of, format)}?page=${page}`, body);
  expect(reply.statusCode).toBe(200);
  return reply;
};

describe('letters', () => {
  const paper = async (title: string) =>
    readPdf((await file('templates', 'pdf', { ...TEMPLATES, title })).rawPayload);

  test.each([
    'Łódź Ωμέγα Привет',
    'Ťažké Ǻřňůő ẞ Vĩnh Ơ ẻ',
    'Ἀθῆναι, ᾧ πᾶσα',
    'Їжак, ґанок, Ҷумъа, ѣ',
    'x\u0301 (a mark of its own)',
  ])('“%s” stands on paper as it was typed, in faces that the file carries', async (title) => {
    expect(notOnPaper(title)).toEqual([]);
    const { text, fonts } = await paper(title);
    expect(text.normalize('NFC')).toContain(title.normalize('NFC'));
    expect(fonts.length).toBeGreaterThan(0);
    for (const { embedded } of fonts) expect(embedded).toBe(true);
  });

  test('a letter that no face has is told before, and is a box as wide as was reckoned', async () => {
    const title = 'Hose 🛠 水 end';
    expect(notOnPaper(title)).toEqual(['🛠', '水']);
    expect((await paper(title)).text).toMatch(/Hose\s+end/);
    const boxes = runsOf(title).filter(({ face }) => face === null);
    expect(boxes.map(({ text }) => text)).toEqual(['🛠', '水']);
    const without = textWidth_m('Hose   end', 0.0028);
    expect(textWidth_m(title, 0.0028) - without).toBeCloseTo((2 * 0.6 * 0.0028) / CAPITALS, 9);
  });

  test('the widths that lines are broken by are those of the faces, for every letter', () => {
    let letters = 0;
    for (const { font } of FACES)
      for (const point of font.characterSet) {
        const letter = String.fromCodePoint(point);
        // Composed letters are measured as what they are composed to.
        if (letter.normalize('NFC') !== letter || notOnPaper(letter).length > 0 || /\p{C}/u.test(letter))
          continue;
        const [run] = runsOf(letter);
        const glyph = run?.face?.font.glyphForCodePoint(point);
        expect([letter, textWidth_m(letter, CAPITALS)]).toEqual([
          letter,
          expect.closeTo((glyph?.advanceWidth ?? NaN) / 1000, 3),
        ]);
        letters += 1;
      }
    expect(letters).toBeGreaterThan(2_200);
  });
});

describe('templates', () => {
  test('as PDF: two pages of A4, text that can be selected, its font inside, bars and bends to 0.2 mm', async () => {
    const reply = await file('templates', 'pdf', TEMPLATES);
    expect(reply.headers['content-type']).toBe('application/pdf');
    const pdf = readPdf(reply.rawPayload);
    expect(pdf.pages).toBe(2);
    expect(pdf.size_pt).toEqual([expect.closeTo(595.28, 1), expect.closeTo(841.89, 1)]);
    expect(pdf.fonts.length).toBeGreaterThan(0);
    for (const { embedded } of pdf.fonts) expect(embedded).toBe(true);
    expect(pdf.text).toContain('Front hose, left');
    expect(pdf.text).toContain('must measure 100 and 50 mm');
    const [page = [], gauge = []] = pdf.lines_mm;
    // Measured on the file: the bars, the axis of the hose up to the apex, the axis of the bent neck.
    expect(lengthOf(lineOf(page, 100))).toBeCloseTo(100, 1);
    expect(lengthOf(lineOf(page, 50))).toBeCloseTo(50, 1);
    const { ferruleToApex_m, apexToPoint_m } = exampleBanjo(45);
    const axis = page.filter((line) => Math.abs(lengthOf(line) - (ferruleToApex_m * 1000 + 26)) < 0.2);
    const neck = page.filter(
      (line) =>
        Math.abs(lengthOf(line) - (apexToPoint_m * 1000 + EXAMPLE_BUILD.eyeOutside_m * 500 + 6)) < 0.2,
    );
    const bends = axis.flatMap((a) => neck.map((b) => ((direction(b) - direction(a)) * 180) / Math.PI));
    expect(Math.min(...bends.map((bend) => Math.abs(bend - 45)))).toBeLessThan(0.1);
    const rays = gauge
      .filter((line) => line.length === 2 && Math.abs(lengthOf(line) - 65) < 0.2)
      .map((line) => Math.round((direction(line) * 180) / Math.PI));
    expect(rays.sort((a, b) => a - b)).toEqual([0, 20, 30, 45, 60, 75, 90]);
  });

  test('on letter paper the page is letter, and everything lies within it', async () => {
    const pdf = readPdf((await file('templates', 'pdf', { ...TEMPLATES, paper: 'letter' })).rawPayload);
    expect(pdf.size_pt).toEqual([expect.closeTo(612, 1), expect.closeTo(792, 1)]);
    for (const [x, y] of pdf.lines_mm.flat(2)) {
      expect(x).toBeGreaterThan(11.9);
      expect(x).toBeLessThan(215.9 - 11.9);
      expect(y).toBeGreaterThan(11.9);
      expect(y).toBeLessThan(279.4 - 11.9);
    }
  });

  test('as SVG: millimetres, and names are escaped', async () => {
    const reply = await file('templates', 'svg', { ...TEMPLATES, title: 'A <b> & "c"' });
    expect(reply.headers['content-type']).toContain('image/svg+xml');
    expect(reply.body).toContain('width="210mm" height="297mm" viewBox="0 0 210 297"');
    expect(reply.body).toContain('A &lt;b&gt; &amp; &quot;c&quot;');
    expect(reply.body).not.toContain('<b>');
  });
});

describe('a hard line', () => {
  const made = developed(HARD_LINE.line);
  if (!made.ok) throw new Error(made.problem.code);

  test('as DXF, read by another program: millimetres, the middle as long as worked out, both edges of both bends', async () => {
    const reply = await file('hard-line', 'dxf', HARD_LINE, 2);
    const drawing = new DxfParser().parseSync(reply.body);
    if (!drawing) throw new Error('not a DXF');
    // 4: millimetres (AutoCAD DXF reference, $INSUNITS; from memory).
    expect(drawing.header.$INSUNITS).toBe(4);
    expect(Object.keys(drawing.tables.layer.layers)).toEqual(
      expect.arrayContaining(['outline', 'centre', 'dimension', 'text']),
    );
    const arcs = drawing.entities.flatMap((entity) => (entity.type === 'ARC' ? [entity] : [])) as unknown as {
      readonly radius: number;
      readonly angleLength: number;
    }[];
    expect(arcs.map(({ radius }) => radius).sort((a, b) => a - b)).toEqual(
      [12.625, 12.625, 17.375, 17.375].map((radius) => expect.closeTo(radius, 6) as unknown),
    );
    const middle = drawing.entities.flatMap((entity) =>
      entity.type === 'LWPOLYLINE' && entity.layer === 'centre' ? [entity] : [],
    ) as unknown as { readonly vertices: { readonly x: number; readonly y: number }[] }[];
    const line = middle[0]?.vertices.map(({ x, y }) => [x, y] as const) ?? [];
    // Chords of two degrees: some thousandths of a millimetre short.
    expect(lengthOf(line)).toBeCloseTo(made.value.centreline_m * 1000, 1);
  });

  test('as PDF: bend table and order of work on paper, then the line at true size', async () => {
    const pdf = readPdf((await file('hard-line', 'pdf', HARD_LINE)).rawPayload);
    expect(pdf.pages).toBe(2);
    const text = pdf.text.replaceAll(/\s+/g, ' ');
    for (const said of [
      'copper-nickel 90/10',
      'Cut to',
      'Order of work',
      'the other way',
      'Put nut B on',
      'Rear line & tee',
    ])
      expect(text).toContain(said);
    const straights = made.value.straights_m.map((straight_m) => straight_m * 1000);
    const drawn = pdf.lines_mm[1] ?? [];
    for (const straight of straights)
      expect(Math.abs(lengthOf(lineOf(drawn, straight)) - straight)).toBeLessThan(0.2);
    for (const { embedded } of pdf.fonts) expect(embedded).toBe(true);
  });

  test('a line break in a name writes no line of its own into a file', async () => {
    const torn = 'Rear\r\n0\nEOF\n0\nSECTION';
    for (const format of ['svg', 'dxf'] as const) {
      const lines = async (name: string) => {
        const reply = await file('hard-line', format, { ...HARD_LINE, name });
        return reply.body.split(/\r?\n/).length;
      };
      expect(await lines(torn)).toBe(await lines('Rear 0 EOF 0 SECTION'));
    }
    const marks = [
      { kind: 'text', at_m: [0, 0], height_m: 0.003, turn_rad: 0, anchor: 'start', text: torn },
    ] as const;
    const drawing = { width_m: 1, height_m: 1, marks };
    const clean = { ...drawing, marks: [{ ...marks[0], text: 'Rear 0 EOF 0 SECTION' }] };
    expect(dxfOf(drawing)).toBe(dxfOf(clean));
    expect(svgOf(drawing, torn)).toBe(svgOf(clean, 'Rear 0 EOF 0 SECTION'));
  });

  test('a long line in space has its table cut into pages and two views', async () => {
    const bends = Array.from({ length: 20 }, (_none, index) => ({ angle_rad: 0.6, roll_rad: index % 3 }));
    const body = {
      ...HARD_LINE,
      line: { ...HARD_LINE.line, bends, legs_m: Array.from({ length: 21 }, () => 0.06) },
    };
    const pdf = readPdf((await file('hard-line', 'pdf', body)).rawPayload);
    expect(pdf.pages).toBe(5);
    expect(pdf.text.replaceAll(/\s+/g, ' ')).toContain('Bend 20: from the mark');
  });

  test('what cannot be bent, is not understood or is nobody’s to ask is refused in words', async () => {
    const short = { ...HARD_LINE, line: { ...HARD_LINE.line, legs_m: [0.12, 0.01, 0.08] } };
    const refused = await server.ask('POST', drawingAddress('hard-line', 'pdf'), short);
    expect(refused.statusCode).toBe(422);
    expect(problemOf(refused).detail).toContain('Leg 2 is shorter than the bends');
    const wrong = await server.ask('POST', drawingAddress('hard-line', 'pdf'), {
      ...HARD_LINE,
      outside_m: -1,
    });
    expect(wrong.statusCode).toBe(400);
    expect(wrong.body).toContain('outside_m');
    expect((await server.ask('POST', drawingAddress('hard-line', 'pdf'), HARD_LINE, null)).statusCode).toBe(
      401,
    );
    expect(
      (await server.ask('POST', `${drawingAddress('hard-line', 'svg')}?page=9`, HARD_LINE)).statusCode,
    ).toBe(404);
    expect((await server.ask('POST', '/api/drawings/hard-line/doc', HARD_LINE)).statusCode).toBe(400);
  });
});
