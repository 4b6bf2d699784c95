/** PDF files read by other people's tools (Debian's poppler-utils): what a test says of a file does not rest on what wrote it. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export interface ReadPdf {
  readonly pages: number;
  /** Points, width by height, of the first page. */
  readonly size_pt: readonly [number, number];
  readonly fonts: readonly { readonly name: string; readonly embedded: boolean }[];
  readonly text: string;
  /** Of each page its stroked paths: places in millimetres from the upper left corner; curves by their ends. */
  readonly lines_mm: readonly (readonly (readonly (readonly [number, number])[])[])[];
}

const MM_PER_PT = 25.4 / 72;

export function readPdf(bytes: Buffer): ReadPdf {
  const folder = mkdtempSync(join(tmpdir(), 'pdf-'));
  const file = join(folder, 'read.pdf');
  try {
    writeFileSync(file, bytes);
    const run = (tool: string, ...args: readonly string[]) => execFileSync(tool, args, { encoding: 'utf8' });
    const info = run('pdfinfo', file);
    const pages = Number(/^Pages:\s+(\d+)/m.exec(info)?.[1]);
    const size = /^Page size:\s+([\d.]+) x ([\d.]+)/m.exec(info);
    return {
      pages,
      size_pt: [Number(size?.[1]), Number(size?.[2])],
      fonts: run('pdffonts', file)
        .split('\n')
        .slice(2)
        .filter((line) => line.trim() !== '')
        .map((line) => {
          const [name = '', ...rest] = line.trim().split(/\s+/);
          // … emb sub uni object ID (two figures)
          return { name, embedded: rest.at(-5) === 'yes' };
        }),
      text: run('pdftotext', '-layout', file, '-'),
      lines_mm: Array.from({ length: pages }, (_none, index) =>
        linesOf(
          run(
            'pdftocairo',
            '-svg',
            '-noshrink',
            '-origpagesizes',
            '-f',
            `${index + 1}`,
            '-l',
            `${index + 1}`,
            file,
            '-',
          ),
        ),
      ),
    };
  } finally {
    rmSync(folder, { recursive: true });
  }
}

function linesOf(svg: string): readonly (readonly (readonly [number, number])[])[] {
  return [...svg.matchAll(/<path style="fill:none;[^"]*" d="([^"]*)" transform="matrix\(([^)]*)\)"/g)].map(
    ([, d = '', matrix = '']) => {
      const [a = 1, b = 0, c = 0, e = 1, x = 0, y = 0] = matrix.split(',').map(Number);
      return [...d.matchAll(/([MLC]) ([^MLCZ]*)/g)].map(([, , figures = '']): readonly [number, number] => {
        const [px = 0, py = 0] = figures.trim().split(/\s+/).map(Number).slice(-2);
        return [(a * px + c * py + x) * MM_PER_PT, (b * px + e * py + y) * MM_PER_PT];
      });
    },
  );
}
