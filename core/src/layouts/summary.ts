import { bill } from '../catalogue/bill.js';
import { parseRig } from '../rig/read.js';
import { volumeOf } from '../edit/size-tank.js';
import type { Layout } from './layouts.js';

/** What a starting layout is, for choosing among them. */
export interface LayoutSummary {
  readonly id: string;
  readonly title: string;
  readonly spigots: number;
  /** Volumes m³. */
  readonly tanks: readonly { readonly volumeM3: number; readonly water: boolean }[];
  /** Each with the guns that it serves, and its flow, m³/s. */
  readonly machines: readonly { readonly guns: number; readonly flowM3s: number }[];
  readonly mixes: number;
  readonly softPumps: number;
  /** Parts and equipment by the workshop's list, $. Estimate. */
  readonly price: number;
}

export function summaryOf(layout: Layout): LayoutSummary {
  const doc = layout.make();
  const rig = parseRig(doc);
  const outletsOf = (at: string, id: string, seen: Set<string>): string[] =>
    rig.lines.flatMap((l) => {
      if (l.role !== 'pressure' || l.from.at !== at || l.from.id !== id || seen.has(l.id)) return [];
      seen.add(l.id);
      return l.to.at === 'outlet' ? [l.to.id!] : outletsOf(l.to.at, l.to.id!, seen);
    });
  return {
    id: layout.id,
    title: layout.title,
    spigots: rig.spigots.length,
    tanks: doc.tanks.map((t) => ({ volumeM3: volumeOf(t.shape), water: t.liquid === 'water' })),
    machines: rig.machines.map((m) => ({ guns: new Set(outletsOf('machine', m.id, new Set())).size, flowM3s: m.flow })),
    mixes: rig.mixes.length,
    softPumps: rig.softPumps.length,
    price: bill(rig).price,
  };
}
