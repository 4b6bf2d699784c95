/** Labels read back by another library: the code says what the words say. */
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { labelAddress } from '@zephyrcombe/contract';
import {
  BinaryBitmap,
  DataMatrixReader,
  DecodeHintType,
  HybridBinarizer,
  RGBLuminanceSource,
} from '@zxing/library';
import { readPdf } from '../../testing/poppler.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

/** Grey values of the first page, by poppler: a portable grey map. */
function pixelsOf(
  pdf: Buffer,
  perInch: number,
): {
  readonly width: number;
  readonly height: number;
  readonly grey: Uint8ClampedArray;
} {
  const folder = mkdtempSync(join(tmpdir(), 'zephyrcombe-label-'));
  try {
    writeFileSync(join(folder, 'label.pdf'), pdf);
    execFileSync('/usr/bin/pdftoppm', [
      '-gray',
      '-r',
      String(perInch),
      '-singlefile',
      join(folder, 'label.pdf'),
      join(folder, 'label'),
    ]);
    const file = readFileSync(join(folder, 'label.pgm'));
    const [, width = '', height = ''] = /^P5\s+(\d+)\s+(\d+)\s+\d+\s/.exec(file.toString('latin1')) ?? [];
    const count = Number(width) * Number(height);
    return {
      width: Number(width),
      height: Number(height),
      grey: Uint8ClampedArray.from(file.subarray(file.length - count)),
    };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** The code on the left of the label; ten pixels a square, for each number of squares that the standard has about this size. */
function readCode(pdf: Buffer): string | null {
  for (const squares of [18, 20, 22, 24, 26]) {
    const { width, height, grey } = pixelsOf(pdf, (25.4 * squares * 10) / 13.5);
    const code = new RGBLuminanceSource(grey, Math.floor(width * 0.34), height, width, height, 0, 0);
    const pure = new Map([[DecodeHintType.PURE_BARCODE, true]]);
    try {
      return new DataMatrixReader().decode(new BinaryBitmap(new HybridBinarizer(code)), pure).getText();
    } catch {
      // Another number of squares.
    }
  }
  return null;
}

const ids = async () => {
  const { job, hoses } = await server.job('petrelle-bars');
  return [job.id, hoses[0]?.hoseId ?? ''] as const;
};

test('the code of the printed label names the job, the hose and the day; the words are there as text', async () => {
  const [jobId, hoseId] = await ids();
  const reply = await server.ask('GET', labelAddress(jobId, hoseId, 'pdf'));
  const pdf = readPdf(reply.rawPayload);
  expect(pdf.pages).toBe(1);
  expect(pdf.size_pt).toEqual([expect.closeTo(141.73, 1), expect.closeTo(51.02, 1)]);
  for (const words of ['Left hose', 'Petrelle 700 outfit', '742 mm', '23 November 2026'])
    expect(pdf.text).toContain(words);
  expect(readCode(reply.rawPayload)).toBe(
    `${jobId.slice(0, 8)}/${hoseId.slice(0, 8)}/2026-11-23`.toUpperCase(),
  );
});

test('as SVG it is 50 by 18 mm, and its squares are filled', async () => {
  const [jobId, hoseId] = await ids();
  const svg = (await server.ask('GET', labelAddress(jobId, hoseId, 'svg'))).body;
  expect(svg).toContain('width="50mm" height="18mm"');
  expect(svg.match(/fill="black"/g)?.length).toBeGreaterThan(50);
});

test('the printer answers, refuses, says nonsense, or is not there: each is told', async () => {
  const [jobId, hoseId] = await ids();
  const print = () => server.ask('POST', `/api/jobs/${jobId}/hoses/${hoseId}/label`);
  expect(problemOf(await print())).toMatchObject({ status: 502, code: 'printer-silent' });
  const replies = ['{"type":"printed","number":4}', '{"type":"refused","reason":"outOfPaper"}', 'beep', ''];
  const printer = createServer((socket) => {
    socket.on('error', () => socket.destroy());
    socket.write('{"type":"hello","kind":"labelPrinter"}\n');
    socket.once('data', () => {
      const reply = replies.shift() ?? '';
      if (reply === '') socket.end();
      else socket.write(`${reply}\n`);
    });
  });
  await new Promise<void>((resolve) => {
    printer.listen(0, '127.0.0.1', () => resolve());
  });
  server.config.labelPrinterPort = (printer.address() as AddressInfo).port;
  try {
    expect((await print()).json<{ number: number }>()).toEqual({ number: 4 });
    const empty = await print();
    expect(problemOf(empty)).toMatchObject({ code: 'printer-silent' });
    expect(empty.json<{ detail: string }>().detail).toContain('no labels left');
    expect(problemOf(await print())).toMatchObject({ code: 'printer-silent' });
    expect(problemOf(await print())).toMatchObject({ code: 'printer-silent' });
  } finally {
    server.config.labelPrinterPort = null;
    await new Promise<void>((resolve) => {
      printer.close(() => resolve());
    });
  }
});

test('of a hose that is not in the job there is no label', async () => {
  const [jobId] = await ids();
  expect(problemOf(await server.ask('GET', labelAddress(jobId, jobId, 'pdf')))).toMatchObject({
    code: 'not-found',
  });
});
