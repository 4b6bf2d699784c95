/** Flat drawings as PDF: a page each at its own size, lines as lines, text as text in fonts that travel with the file. */
import type { PaperSheet } from '@zephyrcombe/documents';
import { BOX_WIDTH, CAPITALS } from '@zephyrcombe/documents';
import type { FlatDrawing, Mark } from '@zephyrcombe/core';
import PDFDocument from 'pdfkit';
import { FACES, runsOf } from './faces.ts';
import { STROKES } from './pens.ts';

/** 72 points are an inch. */
const POINTS_PER_m = 72 / 0.0254;
const points = (value_m: number) => value_m * POINTS_PER_m;

type Document = InstanceType<typeof PDFDocument>;

export function pdfOf(sheet: PaperSheet, made: Date): Promise<Buffer> {
  const document = new PDFDocument({
    autoFirstPage: false,
    compress: true,
    info: { Title: sheet.title, Creator: 'Zephyrcombe', CreationDate: made, ModDate: made },
  });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => resolve(Buffer.concat(chunks)));
    document.on('error', reject);
  });
  // Only those that set something go into the file.
  for (const { name, bytes } of FACES) document.registerFont(name, bytes);
  for (const page of sheet.pages) drawPage(document, page);
  document.end();
  return done;
}

function drawPage(document: Document, { width_m, height_m, marks }: FlatDrawing): void {
  document.addPage({ size: [points(width_m), points(height_m)], margin: 0 });
  const at = ([x, y]: readonly [number, number]): readonly [number, number] => [
    points(x),
    points(height_m - y),
  ];
  for (const mark of marks)
    if (mark.kind === 'text') drawText(document, mark, at(mark.at_m));
    else {
      const { width_mm, dash_mm, grey } = STROKES[mark.pen];
      document.save();
      document.lineWidth(points(width_mm / 1000)).strokeColor(`#${grayHex(grey)}`);
      if (dash_mm.length > 0)
        document.dash(points((dash_mm[0] ?? 0) / 1000), {
          space: points((dash_mm[1] ?? 0) / 1000),
        });
      trace(document, mark, at);
      (mark.pen === 'solid' ? document.fill('black') : document.stroke()).restore();
    }
}

const grayHex = (grey: number): string =>
  Math.round(255 * grey)
    .toString(16)
    .padStart(2, '0')
    .repeat(3);

function trace(
  document: Document,
  mark: Exclude<Mark, { kind: 'text' }>,
  at: (place: readonly [number, number]) => readonly [number, number],
): void {
  if (mark.kind === 'arc') {
    const { centre_m, radius_m, from_rad, to_rad } = mark;
    const [x, y] = at(centre_m);
    const r = points(radius_m);
    if (to_rad - from_rad >= 2 * Math.PI - 1e-9) {
      document.circle(x, y, r);
      return;
    }
    // The page's y runs down: anticlockwise on the drawing is the sweep that SVG calls 0.
    const on = (angle: number) => `${x + r * Math.cos(angle)} ${y - r * Math.sin(angle)}`;
    document.path(`M${on(from_rad)}A${r} ${r} 0 ${to_rad - from_rad > Math.PI ? 1 : 0} 0 ${on(to_rad)}`);
    return;
  }
  for (const [index, place] of mark.points_m.entries()) {
    const [x, y] = at(place);
    if (index === 0) document.moveTo(x, y);
    else document.lineTo(x, y);
  }
  if (mark.closed) document.closePath();
}

function drawText(
  document: Document,
  { text, height_m, anchor, turn_rad }: Extract<Mark, { kind: 'text' }>,
  [x, y]: readonly [number, number],
): void {
  const size = points(height_m) / CAPITALS;
  const box = (BOX_WIDTH / 1000) * size;
  document.fontSize(size).fillColor('black');
  const runs = runsOf(text).map(({ text: piece, face }) => ({
    piece,
    face,
    width: face === null ? box : document.font(face.name).widthOfString(piece),
  }));
  const width = runs.reduce((sum, run) => sum + run.width, 0);
  let left = x - (anchor === 'middle' ? width / 2 : anchor === 'end' ? width : 0);
  document.save();
  if (turn_rad !== 0) document.rotate((-turn_rad * 180) / Math.PI, { origin: [x, y] });
  for (const run of runs) {
    if (run.face === null) drawBox(document, left, y, box, points(height_m));
    else document.font(run.face.name).text(run.piece, left, y, { lineBreak: false, baseline: 'alphabetic' });
    left += run.width;
  }
  document.restore();
}

/** For a letter that no face has. */
function drawBox(document: Document, x: number, y: number, width: number, height: number): void {
  const line = height / 12;
  document
    .lineWidth(line)
    .strokeColor('black')
    .rect(x + 1.5 * line, y - height + line / 2, width - 3 * line, height - line)
    .stroke();
}
