import { type Dimension, findUnit } from '../quantity/dimension.js';
import { typeableQuantity } from '../quantity/format.js';
import { parseQuantity } from '../quantity/parse.js';
import type { Problem } from './read.js';
import { RIG_FORMAT, RIG_VERSION } from './version.js';

type Raw = Record<string, unknown>;

/** One step each: from the version that is the key to the next. A step never changes what it was given. */
export type Upgrades = Readonly<Record<number, (old: Raw) => Raw>>;

const isTree = (x: unknown): x is Raw => typeof x === 'object' && x !== null && !Array.isArray(x);

/** Each entry of a list that is one, changed; anything else is left for the schema to tell. */
const each = (list: unknown, change: (entry: Raw) => Raw): unknown => (Array.isArray(list) ? list.map((x: unknown) => (isTree(x) ? change(x) : x)) : list);

const named = (x: Raw, pattern: RegExp): boolean => typeof x['name'] === 'string' && pattern.test(x['name']);

/** Fields of `x` with those of `next`; a field that was never there stays away. */
const withFields = (x: Raw, next: Raw): Raw => {
  const out = { ...x };
  for (const [key, value] of Object.entries(next)) if (value !== undefined || key in x) out[key] = value;
  return out;
};

/**
 * Version 2: what names decided before, a `use` decides. A hose called a whip is one; a tank of chemicals whose name
 * begins with "Mix" holds finished mix.
 */
function usesFromNames(old: Raw): Raw {
  return withFields(old, {
    lines: each(old['lines'], (line) =>
      withFields(line, { parts: each(line['parts'], (part) => (part['kind'] === 'hose' && named(part, /whip/i) ? { ...part, use: 'whip' } : part)) }),
    ),
    tanks: each(old['tanks'], (tank) => (tank['holds'] !== undefined && named(tank, /^\s*Mix/) ? { ...tank, use: 'mixed' } : tank)),
  });
}

/** Versions that only add what may be left out: 3 drives, inlet pressures, ratings of parts; 4 the platform, what stands on it, and unloaders by their sheet; 7 what a device, a pipe, a strap, a cable and a socket are; 8 cable by its copper. */
const asItWas = (old: Raw): Raw => old;

/** Ids of everything that a document has a list of. */
const idsOf = (old: Raw): Set<unknown> =>
  new Set(Object.values(old).flatMap((list) => (Array.isArray(list) ? list.map((x: unknown) => (isTree(x) ? x['id'] : undefined)) : [])));

/** A quantity that says there is some of it; what cannot be read is left for the schema to tell. */
const some = (text: unknown, dimension: Dimension): boolean => {
  if (text === undefined) return false;
  const read = typeof text === 'string' ? parseQuantity(text, dimension) : undefined;
  return !read?.ok || read.si > 0;
};

const burnsFuel = (m: unknown): m is Raw => isTree(m) && (m['drive'] === undefined || m['drive'] === 'petrol' || m['drive'] === 'diesel');

/**
 * Version 5: battery, compressor, receiver and fuel are things of their own. The one fuel volume becomes the tank on the
 * engine where there is one engine; a tank with a line to each where there are several. What stood on the deck stands there
 * still.
 */
function powerAsThings(old: Raw): Raw {
  const { power, ...rest } = old;
  if (!isTree(power)) return power === undefined ? rest : old;
  const taken = idsOf(old);
  const free = (stem: string): string => {
    for (let i = 1; ; i++) {
      const id = i === 1 ? stem : `${stem}-${i}`;
      if (taken.has(id)) continue;
      taken.add(id);
      return id;
    }
  };
  const out: Raw = { ...rest };
  const now: Record<string, string> = {};
  const battery = free('battery');
  now['power/battery'] = battery;
  out['batteries'] = [{ id: battery, name: 'Battery', capacity: power['battery'], chemistry: power['chemistry'] }];
  if (some(power['charging'], 'current'))
    out['chargers'] = [{ id: free('charging'), name: 'Charging while working', kind: 'alternator', battery, current: power['charging'] }];
  const receiver = some(power['receiver'], 'volume');
  if (some(power['freeAir'], 'airFlow') || receiver) {
    const compressor = free('compressor');
    now['power/compressor'] = compressor;
    out['compressors'] = [
      withFields({ id: compressor, name: 'Compressor', freeAir: power['freeAir'], power: power['compressorPower'] }, { cutOut: power['cutOut'] }),
    ];
    if (receiver) {
      now['power/receiver'] = free('receiver');
      out['receivers'] = [{ id: now['power/receiver'], name: 'Air receiver', volume: power['receiver'], compressor }];
    }
  }
  if (power['mains'] !== undefined) out['mains'] = { from: power['mains'] };
  if (power['fuel'] !== undefined) withFuel(out, power['fuel'], free);
  out['placements'] = each(old['placements'], (p) => (typeof p['thing'] === 'string' && p['thing'] in now ? { ...p, thing: now[p['thing']] } : p));
  if (Array.isArray(out['placements']))
    out['placements'] = (out['placements'] as unknown[]).filter((p) => !(isTree(p) && typeof p['thing'] === 'string' && p['thing'].startsWith('power/')));
  else delete out['placements'];
  return out;
}

/** The fuel on board, at the engines that burn it. */
function withFuel(out: Raw, volume: unknown, free: (stem: string) => string): void {
  const engines = (Array.isArray(out['machines']) ? (out['machines'] as unknown[]) : []).filter(burnsFuel);
  if (engines.length === 1) {
    out['machines'] = each(out['machines'], (m) => (m === engines[0] ? { ...m, engine: { own: volume } } : m));
    return;
  }
  const id = free('fuel');
  const fuel = engines.length > 0 && engines.every((m) => m['drive'] === 'diesel') ? 'diesel' : 'petrol';
  out['fuelTanks'] = [{ id, name: 'Fuel', fuel, volume, base: '0 in', vented: true }];
  out['fuelLines'] = engines.map((m) => ({ id: free(`fuel-${String(m['id'])}`.slice(0, 36)), from: id, to: m['id'], bore: '1/4 in' }));
}

/** Version 6: a bulkhead's height is told from its tank's bottom, no longer from what the tank stands on. It adds a second soap of a mix. */
function bulkheadsInside(old: Raw): Raw {
  const bases = new Map<unknown, number>();
  each(old['tanks'], (tank) => {
    const read = typeof tank['base'] === 'string' ? parseQuantity(tank['base'], 'length') : undefined;
    if (read?.ok) bases.set(tank['id'], read.si);
    return tank;
  });
  const inside = (end: unknown): unknown => {
    if (!isTree(end) || end['at'] !== 'tank' || typeof end['height'] !== 'string') return end;
    const [base, read] = [bases.get(end['id']), parseQuantity(end['height'], 'length')];
    if (!base || !read.ok) return end;
    return { ...end, height: typeableQuantity(read.si - base, 'length', findUnit('length', read.unit) ? read.unit : 'in', 6) };
  };
  return withFields(old, { lines: each(old['lines'], (line) => withFields(line, { from: inside(line['from']), to: inside(line['to']) })) });
}

const UPGRADES: Upgrades = { 1: usesFromNames, 2: asItWas, 3: asItWas, 4: powerAsThings, 5: bulkheadsInside, 6: asItWas, 7: asItWas };

export type Lifted = { readonly ok: true; readonly document: Raw } | { readonly ok: false; readonly problem: Problem };

const refuse = (code: string, path: string, bound: string, message: string): Lifted => ({ ok: false, problem: { code, path, bound, message } });

/**
 * Lifts a document of any older version to the current one.
 * @param upgrades steps to use; the register's own unless a test plants others
 */
export function upgrade(input: unknown, upgrades: Upgrades = UPGRADES, current: number = RIG_VERSION): Lifted {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) return refuse('type', '', 'object', 'A rig file holds one JSON object.');
  let document = input as Raw;
  if (document['format'] !== RIG_FORMAT) return refuse('format', 'format', RIG_FORMAT, `This is not a rig file: "format" must be "${RIG_FORMAT}".`);
  let version = document['version'];
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
    return refuse('version', 'version', `1 to ${current}`, 'The version of a rig file is a whole number.');
  if (version > current)
    return refuse('version', 'version', `≤ ${current}`, `This file is of version ${version}; this Pozzo reads up to ${current}. Update Pozzo to open it.`);
  while ((version as number) < current) {
    const step = upgrades[version as number];
    if (!step) return refuse('version', 'version', `1 to ${current}`, `Version ${String(version)} of the rig file is not known.`);
    document = lift(document, step, version as number);
    version = (version as number) + 1;
  }
  return { ok: true, document };
}

/** One step for a document and for every option kept beside it: an option holds a whole rig with a version of its own. */
function lift(document: Raw, step: (old: Raw) => Raw, version: number): Raw {
  const of = (x: Raw): Raw => ({ ...step(x), version: version + 1 });
  return withFields(of(document), {
    options: each(document['options'], (o) => withFields(o, { rig: isTree(o['rig']) && o['rig']['version'] === version ? of(o['rig']) : o['rig'] })),
  });
}
