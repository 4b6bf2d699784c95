/** A flat drawing as DXF in millimetres: a layer for each meaning of a line, so that a machine can be told which to cut. */
import { oneLine } from '@zephyrcombe/contract';
import type { FlatDrawing } from '@zephyrcombe/core';
import { PENS } from '@zephyrcombe/core';
import { Colors, DxfWriter, point3d, TextHorizontalAlignment, Units } from '@tarikjabiri/dxf';

const mm = (value_m: number) => value_m * 1000;
const degrees = (value_rad: number) => (value_rad * 180) / Math.PI;
const TEXT = 'text';

/** A line of the file holds a value: a break in it would be read as the next one. A caret would begin a control character. */
const plain = (text: string) => oneLine(text).replaceAll('^', '^ ');

export function dxfOf({ marks }: FlatDrawing): string {
  const writer = new DxfWriter();
  writer.setUnits(Units.Millimeters);
  for (const pen of PENS) writer.addLayer(pen, pen === 'cut' ? Colors.Red : Colors.White, 'CONTINUOUS');
  writer.addLayer(TEXT, Colors.White, 'CONTINUOUS');
  for (const mark of marks) {
    if (mark.kind === 'text') {
      writer.addText(point3d(mm(mark.at_m[0]), mm(mark.at_m[1])), mm(mark.height_m), plain(mark.text), {
        layerName: TEXT,
        rotation: degrees(mark.turn_rad),
        ...(mark.anchor === 'start'
          ? {}
          : {
              horizontalAlignment:
                mark.anchor === 'middle' ? TextHorizontalAlignment.Center : TextHorizontalAlignment.Right,
              secondAlignmentPoint: point3d(mm(mark.at_m[0]), mm(mark.at_m[1])),
            }),
      });
      continue;
    }
    const layer = { layerName: mark.pen };
    if (mark.kind === 'path') {
      const vertices = mark.points_m.map(([x, y]) => ({ point: { x: mm(x), y: mm(y) } }));
      writer.addLWPolyline(vertices, { ...layer, flags: mark.closed ? 1 : 0 });
    } else if (mark.to_rad - mark.from_rad >= 2 * Math.PI - 1e-9)
      writer.addCircle(point3d(mm(mark.centre_m[0]), mm(mark.centre_m[1])), mm(mark.radius_m), layer);
    else
      writer.addArc(
        point3d(mm(mark.centre_m[0]), mm(mark.centre_m[1])),
        mm(mark.radius_m),
        degrees(mark.from_rad),
        degrees(mark.to_rad),
        layer,
      );
  }
  return writer.stringify();
}
