import { shelf } from '../message-parts.js';
import { message } from '../../working/figure.js';
import { drawHose } from '../../catalogue/chemical-pieces.js';
import { takePart } from '../../catalogue/items.js';
import { eachPart } from '../../edit/draft.js';
import { like } from '../../edit/length.js';
import { sizeUp } from '../../edit/part.js';
import type { Candidate, Rule } from '../rule.js';
import { percent, unused } from '../../edit/share-text.js';
import { ownBase } from '../../edit/tank.js';
import type { RigDocument } from '../../rig/schema.js';

/** Valves set for the wanted strength; for injectors the soap nozzle, the draw hose and the tank's height. */
export const mixRules: Rule = (finding, rig, doc, now) => {
  const i = rig.mixes.findIndex((x) => x.id === finding.subject.id);
  const result = now.chemical.mixes.find((x) => x.mixId === finding.subject.id);
  const mix = doc.mixes?.[i];
  if (!mix || !result) return [];
  const out: Candidate[] = [];
  if (result.settings.length && result.reachable)
    out.push({
      id: 'valves',
      title: `Set the valves: ${result.settings.map((s) => `${s.name} ${percent(s.wanted)}`).join(', ')}`,
      change: (d) => {
        for (const s of result.settings) {
          const part = d.lines.find((l) => l.id === s.lineId)!.parts.find((p) => p.id === s.partId);
          if (part?.kind === 'valve') part.setting = percent(s.wanted);
        }
      },
    });
  if (result.settings.length) {
    const branches = doc.lines.filter((l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === mix.id);
    const stock = branches.find((l) => doc.tanks.some((t) => t.id === l.from.id && t.holds === mix.stock));
    const tank = doc.tanks.findIndex((t) => t.id === stock?.from.id);
    if (tank >= 0)
      for (const more of [0.3048, 0.6096])
        out.push({
          id: `raise-${Math.round(more * 100)}`,
          title: message('Raise {tank} by {h}', { tank: doc.tanks[tank].name, h: shelf(more) }),
          change: (d) => {
            d.tanks[tank].base = like(d.tanks[tank].base, ownBase(d, d.tanks[tank].id) + more);
          },
        });
  }
  if (mix.injector && (finding.code === 'mix-weak' || finding.code === 'mix-strays')) {
    const size = rig.mixes[i].injector!.soapNozzle;
    for (const factor of [1.5, 2])
      out.push({
        id: `soap-nozzle-${factor}`,
        title: `Soap nozzle number ${Math.round(size * factor)}`,
        change: (d) => void (d.mixes![i].injector!.soapNozzle = String(Math.round(size * factor))),
      });
    const hoses = now.outlets.find((o) => o.outletId === mix.injector!.outlet)?.lineIds ?? [];
    out.push({
      id: 'hose-wider',
      title: 'Pressure hose one size wider',
      change: (d) => eachPart(d, hoses, (p) => (p.kind === 'hose' ? sizeUp(p) : undefined)),
    });
    const draw = doc.lines.find((l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === mix.id);
    if (draw)
      out.push({
        id: 'draw-wider',
        title: 'Draw hose 3/8 in',
        change: (d) =>
          eachPart(d, [draw.id], (p) =>
            p.kind === 'hose' ? ({ ...takePart('hose-chemical-38', p.id), length: p.length, name: 'Draw hose 3/8 in' } as never) : undefined,
          ),
      });
  }
  return out;
};

/** Where the flush water comes in. */
export const flushRules: Rule = (finding, rig) => {
  const i = rig.mixes.findIndex((x) => x.id === finding.subject.id);
  return [{ id: 'through', title: 'Let flush water in before valves and checks', change: (d) => void (d.mixes![i].flush = 'through') }];
};

export const checkRules: Rule = (finding, _rig, doc) => {
  const line = doc.lines.find((l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === finding.subject.id);
  if (!line) return [];
  return [
    {
      id: 'check',
      title: 'Check valve in the draw line',
      change: (d) =>
        void d.lines
          .find((l) => l.id === line.id)!
          .parts.push(
            ...drawHose('x', 'tank:x', 'x')
              .parts.filter((p) => p.item === 'check-valve-12')
              .map((p) => ({ ...p, id: unused(d, line.id) })),
          ),
    },
  ];
};

/** Something that shuts between tank and gun. */
export const siphonRules: Rule = (finding, _rig, doc) => {
  const suction = doc.lines.find((l) => l.role === 'chemical' && l.from.at === 'mix' && l.from.id === finding.subject.id);
  const delivery = doc.lines.find((l) => l.role === 'chemical' && l.from.at === 'soft-pump' && l.from.id === suction?.to.id);
  if (!delivery) return [];
  return ['soft-gun-12', 'ball-valve-full-12'].map((item) => ({
    id: item,
    title: item === 'soft-gun-12' ? 'A ball gun at the end of the hose' : 'A ball valve at the end of the hose',
    change: (d: RigDocument) => void d.lines.find((l) => l.id === delivery.id)!.parts.push(takePart(item, unused(d, delivery.id))),
  }));
};
