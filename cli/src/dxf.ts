import { type Drawing, DRAWING_LAYERS } from '@pozzo/core';
import DxfWriter from 'dxf-writer';

/** Colours by their number in DXF: 7 is ink. */
const COLOURS: Readonly<Record<(typeof DRAWING_LAYERS)[number], number>> = { platform: 7, things: 8, liquid: 4, lines: 5, labels: 7, dimensions: 8 };

/** A drawing as a DXF file, 1:1 in metres, a layer each for platform, things, liquids, lines, labels and dimensions. */
export function dxfOf(drawing: Drawing): string {
  const d = new DxfWriter();
  d.setUnits('Meters');
  for (const layer of DRAWING_LAYERS) d.addLayer(layer, COLOURS[layer], 'CONTINUOUS');
  for (const s of drawing.strokes) {
    d.setActiveLayer(s.layer);
    if (s.kind === 'line')
      d.drawPolyline(
        s.points.map(([x, y]): [number, number] => [x, y]),
        s.closed === true,
      );
    else if (s.kind === 'circle') d.drawCircle(s.at[0], s.at[1], s.radius);
    else d.drawText(s.at[0], s.at[1], s.size, 0, s.text, s.anchor === 'middle' ? 'center' : 'left', 'baseline');
  }
  return d.toDxfString();
}
