import { addGear } from '../../edit/place.js';
import { like, m } from '../../edit/length.js';
import type { RigDocument } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import type { Candidate, Rule } from '../rule.js';
import { shelf, typed } from '../message-parts.js';

const tankAt = (d: RigDocument, id: string | undefined) => d.fuelTanks?.find((t) => t.id === id);

export const ventRules: Rule = (finding): Candidate[] => [
  { id: 'vent', title: 'A vent in its cap', change: (d) => void (tankAt(d, finding.subject.id)!.vented = true) },
];

/** The engine in a document, wherever it stands. */
function engineIn(d: RigDocument, id: string): { engine?: RigDocument['machines'][number]['engine'] } | undefined {
  return [...d.machines, ...(d.softPumps ?? []), ...(d.compressors ?? []), ...(d.gear ?? [])].find((x) => x.id === id);
}

export const wrongRules: Rule = (finding, rig): Candidate[] => {
  const line = rig.fuelLines.find((l) => l.to === finding.subject.id);
  return line ? [{ id: 'off', title: 'Take that line off', change: (d) => void (d.fuelLines = d.fuelLines!.filter((l) => l.id !== line.id)) }] : [];
};

/** Raise the tank, give the engine a pump, a wider hose, or a tank of its own. */
export const lowRules: Rule = (finding, rig, doc, now) => {
  const id = finding.subject.id;
  const own = now.fuel.engines.find((e) => e.engineId === id);
  const tank = tankAt(doc, own?.storeId);
  const line = (doc.fuelLines ?? []).findIndex((l) => l.to === id);
  if (!own || !tank || line < 0) return [];
  const short = Math.max(-(own.headLast?.value ?? 0) - own.liftsM, 0);
  const up = Math.ceil((short + 0.01) / 0.0254) * 0.0254;
  const out: Candidate[] = [
    {
      id: 'raise',
      title: message('{tank} {by} higher, on a shelf or a bracket', { tank: tank.name, by: shelf(up) }),
      change: (d) => {
        const t = tankAt(d, tank.id)!;
        t.base = like(t.base, m(t.base) + up);
      },
    },
  ];
  for (const lift of ['pulse', 'electric'] as const)
    if (own.lift === 'gravity' || (lift === 'electric' && own.lift !== 'electric'))
      out.push({
        id: lift,
        title: lift === 'pulse' ? 'A pulse pump off the crankcase' : 'An electric fuel pump',
        change: (d) => {
          const e = engineIn(d, id);
          if (e) e.engine = { ...e.engine, lift };
        },
      });
  for (const bore of ['5/16 in', '3/8 in'])
    if (m(bore) > rig.fuelLines[line].bore * 1.001)
      out.push({
        id: `bore-${bore.replace(/\W/g, '')}`,
        title: message('A fuel hose of {b}', { b: shelf(m(bore)) }),
        change: (d) => void (d.fuelLines![line].bore = bore),
      });
  return out;
};

export const extinguisherRules: Rule = (): Candidate[] => [
  { id: 'add', title: 'A fire extinguisher on board', change: (d) => void addGear(d, 'extinguisher') },
];

/** A tank on the engine itself. */
export const tankRules: Rule = (finding): Candidate[] => [
  {
    id: 'own',
    title: message('A tank of {v} on the engine', { v: typed('1.5 gal', 'volume') }),
    change: (d) => {
      const e = engineIn(d, finding.subject.id);
      if (e) e.engine = { ...e.engine, own: '1.5 gal' };
    },
  },
];
