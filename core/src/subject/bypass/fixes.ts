import { shelf } from '../message-parts.js';
import { message } from '../../working/figure.js';
import { takePart } from '../../catalogue/items.js';
import { eachPart, lineAt } from '../../edit/draft.js';
import { unusedId } from '../../edit/id.js';
import { ascii, like } from '../../edit/length.js';
import { sizeUp } from '../../edit/part.js';
import type { Candidate, Rule } from '../rule.js';
import { shapeHeight } from '../../rig/tank-shape.js';

export const bypassRules: Rule = (finding, rig, doc, now) => {
  const machine = rig.machines.find((x) => x.id === finding.subject.id)!;
  const own = doc.lines.find((l) => l.role === 'bypass' && l.from.id === machine.id);
  const feed = now.feeds.find((f) => f.machineId === machine.id);
  const out: Candidate[] = [];
  if (finding.code === 'bypass-hot' && feed && !feed.direct) {
    const tank = rig.tanks.find((t) => t.id === feed.sourceId)!;
    out.push({
      id: 'return-to-tank',
      title: message('Return it to {tank}', { tank: tank.name }),
      change: (d) => {
        d.lines = d.lines.filter((l) => !(l.role === 'bypass' && l.from.id === machine.id));
        d.lines.push({
          id: unusedId(d, `return-${machine.id}`),
          role: 'bypass',
          from: { at: 'machine', id: machine.id },
          to: { at: 'tank', id: tank.id, height: like('1 in', shapeHeight(tank.shape) * 0.9), apart: '36 in' },
          parts: [takePart('barb-34', 'p1'), takePart('hose-helix-34', 'p2', { length: '6 ft' })],
        });
      },
    });
  }
  if (finding.code === 'return-tight' && own)
    out.push({ id: 'return-wider', title: 'A return hose one size wider', change: (d) => eachPart(d, [own.id], sizeUp) });
  if (finding.code === 'return-bubbles' && own) {
    const reach = now.bypasses.find((b) => b.machineId === machine.id)?.bubbles?.depth.value ?? 0.3;
    out.push({
      id: 'return-apart',
      title: message('Bring the return down {d} from the outlet', { d: shelf(Math.ceil((reach + 0.1) / 0.0254) * 0.0254) }),
      change: (d) => {
        lineAt(d, own.id).to.apart = ascii(Math.ceil((reach + 0.1) / 0.0254) * 0.0254);
      },
    });
    out.push({
      id: 'return-low',
      title: 'A drop tube, so that the return ends under water',
      change: (d) => {
        lineAt(d, own.id).to.height = like(own.to.height ?? '1 in', 0.05);
      },
    });
  }
  return out;
};
