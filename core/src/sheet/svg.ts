import type { LineRole } from '../rig/schema.js';
import type { Drawing, Stroke } from './deck-drawing.js';

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

const FILL = { water: '#8cc6d4', chemical: '#ecd9e7', machine: '#eeefea', plain: '#ffffff' } as const;
const LINE: Readonly<Record<LineRole, string>> = {
  fill: '#0b6b87',
  tie: '#0b6b87',
  feed: '#0b6b87',
  boost: '#0b6b87',
  pressure: '#17262b',
  bypass: '#516167',
  dump: '#516167',
  chemical: '#8a3d78',
};

/** Millimetres of paper for a metre, at a scale of 1 to so many. */
const paper = (metres: number, scale: number): string => ((metres * 1000) / scale).toFixed(2);

/**
 * A drawing as an SVG file to scale: printed at its own size, a metre is 1000/scale millimetres.
 * @param scale 20 for 1:20
 */
export function svgOf(drawing: Drawing, scale = 20): string {
  const { x0, y0, x1, y1 } = drawing.bounds;
  const mm = (v: number): string => paper(v, scale);
  const x = (v: number): string => mm(v - x0);
  const y = (v: number): string => mm(y1 - v);
  const one = (s: Stroke): string => {
    const width = s.layer === 'platform' ? 0.5 : s.layer === 'lines' ? 0.7 : s.layer === 'dimensions' ? 0.18 : 0.3;
    switch (s.kind) {
      case 'line': {
        const colour = s.role ? LINE[s.role] : s.layer === 'dimensions' ? '#516167' : '#17262b';
        const points = s.points.map(([a, b]) => `${x(a)},${y(b)}`).join(' ');
        const tag = s.closed ? 'polygon' : 'polyline';
        return `<${tag} points="${points}" fill="${s.closed && s.fill ? FILL[s.fill] : 'none'}"${s.layer === 'liquid' ? ' fill-opacity="0.8"' : ''} stroke="${colour}" stroke-width="${width}"/>`;
      }
      case 'circle':
        return `<circle cx="${x(s.at[0])}" cy="${y(s.at[1])}" r="${mm(s.radius)}" fill="#ffffff" stroke="#17262b" stroke-width="${width}"/>`;
      case 'text':
        return `<text x="${x(s.at[0])}" y="${y(s.at[1])}" font-size="${mm(s.size)}" text-anchor="${s.anchor}" fill="#17262b">${escaped(s.text)}</text>`;
    }
  };
  const layers = [...new Set(drawing.strokes.map((s) => s.layer))];
  // In the order drawn: what lies over another is drawn after it.
  const body = drawing.strokes.map(one).join('\n');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(x1 - x0)}mm" height="${mm(y1 - y0)}mm" viewBox="0 0 ${mm(x1 - x0)} ${mm(y1 - y0)}" font-family="Barlow, Arial, sans-serif">
<title>${escaped(drawing.title)}</title>
<desc>Scale 1:${scale}. Layers: ${layers.join(', ')}.</desc>
${body}
</svg>
`;
}
