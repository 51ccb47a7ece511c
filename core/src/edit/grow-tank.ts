import type { RigDocument } from '../rig/schema.js';
import { like, m } from './length.js';

/** Scales a tank to hold `factor` times as much, to the next full inch: longer and taller in equal parts. */
export function growTank(d: RigDocument, tankId: string, factor: number): void {
  const t = d.tanks.find((x) => x.id === tankId)!;
  const wasTall = shapeTall(t.shape);
  const each = Math.sqrt(factor);
  const up = (text: string, by: number): string => like(text, Math.ceil((m(text) * by) / 0.0254 - 1e-6) * 0.0254);
  const s = t.shape;
  if (s.kind === 'box') Object.assign(s, { length: up(s.length, each), height: up(s.height, each) });
  else if (s.kind === 'upright-cylinder') Object.assign(s, { diameter: up(s.diameter, factor ** (1 / 3)), height: up(s.height, factor ** (1 / 3)) });
  else s.length = up(s.length, factor);
  const ratio = m(shapeTall(t.shape)) / m(wasTall);
  t.fullLevel = like(t.fullLevel, m(t.fullLevel) * ratio);
  t.startLevel = like(t.startLevel, m(t.startLevel) * ratio);
  for (const l of d.lines)
    if ((l.role === 'fill' || l.role === 'bypass') && l.to.id === tankId && l.to.height) l.to.height = like(l.to.height, m(l.to.height) * ratio);
}

const shapeTall = (s: RigDocument['tanks'][number]['shape']): string => (s.kind === 'lying-cylinder' ? s.diameter : s.height);
