/** A flat drawing as SVG in millimetres. */
import { oneLine } from '@zephyrcombe/contract';
import type { FlatDrawing, Mark, Place } from '@zephyrcombe/core';
import { STROKES } from './pens.ts';

const mm = (value_m: number): string => String(Number((value_m * 1000).toFixed(4)));
const escaped = (text: string): string =>
  oneLine(text).replace(
    /[&<>"]/g,
    (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign,
  );
const CAPITALS = 0.67;

export function svgOf({ width_m, height_m, marks }: FlatDrawing, title: string): string {
  const size = `width="${mm(width_m)}mm" height="${mm(height_m)}mm" viewBox="0 0 ${mm(width_m)} ${mm(height_m)}"`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" ${size}>`,
    `<title>${escaped(title)}</title>`,
    ...marks.map((mark) => elementOf(mark, height_m)),
    '</svg>',
    '',
  ].join('\n');
}

function elementOf(mark: Mark, height_m: number): string {
  const at = ([x, y]: Place) => `${mm(x)} ${mm(height_m - y)}`;
  if (mark.kind === 'text') {
    const turn =
      mark.turn_rad === 0 ? '' : ` rotate(${Number(((-mark.turn_rad * 180) / Math.PI).toFixed(4))})`;
    return `<text transform="translate(${at(mark.at_m)})${turn}" text-anchor="${mark.anchor}" font-family="sans-serif" font-size="${mm(mark.height_m / CAPITALS)}">${escaped(mark.text)}</text>`;
  }
  const { width_mm, dash_mm, grey } = STROKES[mark.pen];
  const tone = `rgb(${Array(3)
    .fill(Math.round(255 * grey))
    .join(',')})`;
  if (mark.kind === 'path' && mark.pen === 'solid')
    return `<path d="M${mark.points_m.map(at).join('L')}Z" fill="black" shape-rendering="crispEdges"/>`;
  const style = `fill="none" stroke="${tone}" stroke-width="${width_mm}"${dash_mm.length > 0 ? ` stroke-dasharray="${dash_mm.join(' ')}"` : ''}`;
  if (mark.kind === 'path')
    return `<path d="M${mark.points_m.map(at).join('L')}${mark.closed ? 'Z' : ''}" ${style}/>`;
  const { centre_m, radius_m, from_rad, to_rad } = mark;
  const on = (angle: number): Place => [
    centre_m[0] + radius_m * Math.cos(angle),
    centre_m[1] + radius_m * Math.sin(angle),
  ];
  if (to_rad - from_rad >= 2 * Math.PI - 1e-9)
    return `<circle cx="${mm(centre_m[0])}" cy="${mm(height_m - centre_m[1])}" r="${mm(radius_m)}" ${style}/>`;
  const large = to_rad - from_rad > Math.PI ? 1 : 0;
  return `<path d="M${at(on(from_rad))}A${mm(radius_m)} ${mm(radius_m)} 0 ${large} 0 ${at(on(to_rad))}" ${style}/>`;
}
