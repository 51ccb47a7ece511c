import { typed } from '../message-parts.js';
import { message } from '../../working/figure.js';
import { eachPart } from '../../edit/draft.js';
import { m, nextSize } from '../../edit/length.js';
import { sizeUp } from '../../edit/part.js';
import type { Candidate, Rule } from '../rule.js';
import { typeableQuantity } from '../../quantity/format.js';
import type { RigDocument } from '../../rig/schema.js';

/** Another tip, a wider hose, more pump. */
export const jetRules: Rule = (finding, rig, _doc, now) => {
  const p = now.chemical.softPumps.find((x) => x.pumpId === finding.subject.id);
  const pump = rig.softPumps.findIndex((x) => x.id === finding.subject.id);
  const sprayer = rig.sprayers.findIndex((s) => s.id === p?.sprayerId);
  if (!p || pump < 0 || sprayer < 0) return [];
  const bore = rig.sprayers[sprayer].nozzleBore * 1000;
  return [
    ...[0.7, 0.8, 0.9, 1.15, 1.3].map((f) => {
      const mm = Math.round(bore * f * 10) / 10;
      return {
        id: `tip-${mm}`,
        title: message('Jet tip {d}', { d: { value: mm / 1000, dimension: 'length', unit: 'mm' } }),
        change: (d: RigDocument) => void (d.sprayers![sprayer].nozzleBore = `${mm} mm`),
      };
    }),
    {
      id: 'hose',
      title: 'Soft wash hose one size wider',
      change: (d) => eachPart(d, p.lineIds.slice(-1), (x) => (x.kind === 'hose' && m(x.length) > 5 ? sizeUp(x) : undefined)),
    },
    {
      id: 'pump',
      title: 'A pump of half as much again in flow and pressure',
      change: (d) => {
        d.softPumps![pump].openFlow = typeableQuantity(rig.softPumps[pump].openFlow * 1.5, 'flow', 'gpm', 2);
        d.softPumps![pump].limit = typeableQuantity(rig.softPumps[pump].limit * 1.5, 'pressure', 'psi', 2);
      },
    },
  ];
};

/** More pressure, a wider hose, valves opened. */
export const liftRules: Rule = (finding, rig, doc, now) => {
  const p = now.chemical.softPumps.find((x) => x.pumpId === finding.subject.id);
  const i = rig.softPumps.findIndex((x) => x.id === finding.subject.id);
  if (!p || i < 0) return [];
  const lines = doc.lines.filter((l) => p.lineIds.includes(l.id));
  const out: Candidate[] = [1.5, 2, 3].map((f) => {
    const limit = nextSize(rig.softPumps[i].limit * Math.max(p.liftM / p.liftsM, 1) * f, 'pressure', 'psi', 5);
    return {
      id: `psi-${f}`,
      title: message('A pump of {p}', { p: typed(limit, 'pressure') }),
      change: (d: RigDocument) => void (d.softPumps![i].limit = limit),
    };
  });
  out.push({
    id: 'hose',
    title: 'Hose to the gun one size wider',
    change: (d) => eachPart(d, p.lineIds.slice(-1), (x) => (x.kind === 'hose' && m(x.length) > 5 ? sizeUp(x) : undefined)),
  });
  const metered = lines.filter((l) => l.parts.some((x) => x.kind === 'valve' && x.is === 'metering-valve'));
  if (metered.length)
    out.push({
      id: 'open',
      title: 'Open the metering valves halfway',
      change: (d) => {
        for (const l of metered)
          for (const x of d.lines.find((y) => y.id === l.id)!.parts) if (x.kind === 'valve' && x.is === 'metering-valve') x.setting = '50 %';
      },
    });
  return out;
};
