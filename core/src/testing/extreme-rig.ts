import { LAYOUTS } from '../layouts/layouts';
import { ASSUMPTIONS } from '../assumption/register';
import { assumptionRule } from '../rig/assumption-values';
import { quantityRule, readRig } from '../rig/read';
import { type RigDocument, THINGS } from '../rig/schema';
import { addTap, addTransfer } from '../edit/index';
import { changed, leaves } from './tree';

/** A rig grown to the most of everything that a file may hold: every list doubled until it is full. */
export function fullRig(layout: string): RigDocument {
  let d = JSON.parse(JSON.stringify(LAYOUTS.find((l) => l.id === layout)!.make())) as RigDocument;
  const lists = ['spigots', 'tanks', 'manifolds', 'boosters', 'machines', 'outlets', 'softPumps', 'sprayers', 'mixes', 'reels'] as const;
  for (let copy = 1; copy < 9; copy++) {
    const next = JSON.parse(JSON.stringify(d)) as RigDocument;
    const first = LAYOUTS.find((l) => l.id === layout)!.make();
    const rename = (text: string | undefined): string | undefined => (text === undefined ? undefined : `${text.slice(0, 34)}-${copy}`);
    for (const list of lists)
      for (const x of (first[list] ?? []) as { id: string; line?: string; injector?: { outlet: string } }[])
        (next[list] as unknown[]).push({
          ...x,
          id: rename(x.id),
          ...(x.line ? { line: rename(x.line) } : {}),
          ...(x.injector ? { injector: { ...x.injector, outlet: rename(x.injector.outlet) } } : {}),
        });
    for (const l of first.lines) next.lines.push({ ...l, id: rename(l.id)!, from: { ...l.from, id: rename(l.from.id) }, to: { ...l.to, id: rename(l.to.id) } });
    if (!readRig(JSON.parse(JSON.stringify(next))).ok) break;
    d = JSON.parse(JSON.stringify(next)) as RigDocument;
  }
  return d;
}

/** As {@link fullRig}, and then each list by itself filled up with twins of what is in it, joined to the same things. */
export function fullestRig(layout: string): RigDocument {
  let d = fullRig(layout);
  for (const list of ['lines', ...Object.values(THINGS).map((t) => t.list)] as const)
    for (let n = 0; ; n++) {
      const own = d[list] as readonly { readonly id: string }[] | undefined;
      if (!own?.length || n > 80) break;
      const next = JSON.parse(JSON.stringify(d)) as RigDocument;
      (next[list] as unknown[]).push({ ...own[n % own.length], id: `${own[n % own.length].id.slice(0, 30)}-x${n}` });
      const read = readRig(next);
      if (read.ok) d = next;
      else if (read.problems[0].code === 'max_length') break;
    }
  return d;
}

/** A seeded source of numbers in [0, 1). */
export function seeded(seed: number): () => number {
  let s = (seed * 2654435761) % 2147483647 || 1;
  return () => (s = (s * 48271) % 2147483647) / 2147483647;
}

/**
 * A rig that reads, with many of its quantities at the ends of what can be typed, lists grown and shrunk, things joined
 * oddly: what a careless or hostile hand could make of a starting layout.
 */
export function extremeRig(random: () => number): RigDocument {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  let d = JSON.parse(JSON.stringify(pick(LAYOUTS).make())) as RigDocument;
  if (readRig(d).ok === false) throw new Error('A layout that does not read.');
  const accept = (next: RigDocument): void => {
    if (readRig(next).ok) d = next;
  };
  // A hand hose and a pump from tank to tank, for their quantities to be pulled about too.
  if (random() < 0.3) {
    const next = JSON.parse(JSON.stringify(d)) as RigDocument;
    const fill = next.lines.find((l) => l.role === 'fill' && l.from.at === 'spigot' && l.to.at === 'tank');
    if (fill) addTap(next, fill.id, random() < 0.5 ? 'hose' : 'bucket');
    if (next.tanks.length > 1) addTransfer(next, pick(next.tanks).id, pick(next.tanks).id);
    accept(next);
  }
  const paths = [...leaves(d)].map(([path]) => path);
  const changes = 1 + Math.floor(random() * 40);
  for (let i = 0; i < changes; i++) {
    const path = pick(paths);
    const rule = quantityRule(path);
    if (rule) accept(changed(d, path, random() < 0.5 ? rule.min : rule.max));
    else accept(changed(d, path, pick([true, false])));
  }
  const water = ['spigots', 'tanks', 'boosters', 'machines', 'outlets', 'lines', 'reels', 'softPumps', 'sprayers', 'mixes', 'liquids'] as const;
  const power = ['fuelTanks', 'fuelLines', 'batteries', 'chargers', 'panels', 'wires', 'loads', 'compressors', 'receivers', 'airLines', 'burners'] as const;
  const lists = [...water, ...power];
  for (let i = Math.floor(random() * 4); i > 0; i--) {
    const list = pick(lists);
    const next = JSON.parse(JSON.stringify(d)) as RigDocument;
    const entries = next[list] as { id: string; name?: string }[] | undefined;
    if (!entries?.length) continue;
    const at = Math.floor(random() * entries.length);
    if (random() < 0.4) entries.splice(at, 1);
    else {
      const twin = { ...entries[at], id: `${entries[at].id.slice(0, 30)}-${i}` };
      entries.push(twin);
    }
    accept(next);
  }
  if (random() < 0.3) {
    const next = JSON.parse(JSON.stringify(d)) as RigDocument;
    const line = pick(next.lines);
    const other = pick(next.lines);
    if (line && other) {
      line.from = other.from;
      accept(next);
    }
  }
  if (random() < 0.5) {
    const own = Object.fromEntries(Array.from({ length: 8 }, () => pick(ASSUMPTIONS)).map((a) => [a.id, assumptionRule(a)[random() < 0.5 ? 'min' : 'max']]));
    accept({ ...d, assumptions: { ...d.assumptions, ...own } });
  }
  if (random() < 0.2) {
    const next = JSON.parse(JSON.stringify(d)) as RigDocument;
    if (next.brief.washes?.length) next.brief.washes = next.brief.washes.map((w) => ({ ...w, area: '1000000 ft²', perDay: '40' }));
    accept(next);
  }
  return d;
}
