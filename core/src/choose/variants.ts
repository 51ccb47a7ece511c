import { spell } from '../locale/spell.js';
import { makeRoom } from '../arrange/make-room.js';
import { withoutOptions } from '../edit/option.js';
import { asWanted } from '../advise/compare-ways.js';
import { growTank } from '../edit/grow-tank.js';
import { addBooster } from '../edit/booster.js';
import { addFuelTank, addReceiver } from '../edit/energy.js';
import { changed } from '../edit/draft.js';
import { unusedId } from '../edit/id.js';
import { convertMix, convertPump } from '../edit/mix-way.js';
import { line } from '../catalogue/build-line.js';
import { dayModel, type DayModel } from '../day/model.js';
import { DAY_FIGURES, sampleChunk } from '../day/sample.js';
import { gardenFill, spigot } from '../layouts/pieces.js';
import { MIX_WAYS, type MixWay, type SoftPumpDocument } from '../rig/schema.js';
import { readRig } from '../rig/read.js';
import { together, type Vessel } from '../solve/vessels.js';
import type { Rig, RigDocument } from '../rig/schema.js';
import { mainVessel } from './sizing.js';
import { joinGuns, splitGun } from '../edit/gun.js';

/** Another way of building the same rig. */
export interface Variant {
  readonly id: string;
  /** The question it answers: water, feed, guns, chemical pump, mixing, power. */
  readonly question: string;
  readonly title: string;
  /** The document of it; a fresh one at every call. */
  readonly make: () => RigDocument;
}

/** What grows gets room on the deck, and what is new a place. */
function withRoom(before: Rig, doc: RigDocument): RigDocument {
  const room = makeRoom(before, doc);
  return room ? changed(doc, (d) => void (d.placements = [...room])) : doc;
}

const WAY_TITLES: Readonly<Record<MixWay, string>> = {
  batch: 'Mixed in the tank',
  'draw-stick': 'Draw stick and buckets',
  proportioner: 'Proportioner',
  downstream: 'Downstream injector',
  nozzle: 'Drawn at the gun',
};
const PUMP_TITLES: Readonly<Record<SoftPumpDocument['kind'], string>> = { electric: '12 V pump', engine: 'Engine-driven pump', air: 'Air-operated pump' };

/** The other schools' ways of building a rig, as far as this rig can be turned to them. */
export function variantsOf(doc: RigDocument): Variant[] {
  const read = readRig(doc);
  if (!read.ok) return [];
  const { rig } = read;
  const out: Variant[] = [];
  const bare = withoutOptions(doc);
  const add = (id: string, question: string, title: string, change: (d: RigDocument) => void, after: (d: RigDocument) => RigDocument = (d) => d): void => {
    const plain = (): RigDocument => after(changed(bare, change));
    // At the ends of what can be typed a change may go past them.
    if (readRig(plain()).ok) out.push({ id, question, title, make: () => withRoom(rig, plain()) });
  };

  waterVariants(rig, doc, add);
  rig.machines.forEach((m, i) => {
    const feeds = rig.lines.filter((l) => l.role === 'feed' && !l.closed && l.to.at === 'machine' && l.to.id === m.id && l.from.at === 'tank').map((l) => l.id);
    if (feeds.length === 1 && rig.boosters.length === 0) add(`booster-${m.id}`, 'Feed', `A booster before ${m.name}`, (d) => addBooster(d, feeds, i));
  });
  if (rig.boosters.some((b) => b.running))
    add('gravity', 'Feed', 'Boosters off, fed by gravity', (d) => {
      for (const b of d.boosters) b.running = false;
    });
  for (const m of rig.machines) {
    const guns = rig.outlets.filter((o) => o.open && rig.lines.some((l) => l.to.at === 'outlet' && l.to.id === o.id && leadsFrom(rig, l.from, m.id)));
    if (guns.length === 1) add(`split-${m.id}`, 'Guns', `Two guns at half flow on ${m.name}`, (d) => void splitGun(d, guns[0].id));
    if (guns.length === 2) add(`join-${m.id}`, 'Guns', `One gun at full flow on ${m.name}`, (d) => joinGuns(d, guns[0].id, guns[1].id));
  }
  for (const p of rig.softPumps)
    for (const kind of ['electric', 'engine', 'air'] as const)
      if (kind !== p.kind)
        add(`pump-${p.id}-${kind}`, 'Chemical pump', `${PUMP_TITLES[kind]} instead of ${p.name}`, (d) => {
          convertPump(d, p.id, kind);
        });
  const mix = rig.mixes[0];
  if (mix)
    for (const way of MIX_WAYS) {
      if (way === mix.way || ((way === 'downstream' || way === 'nozzle') && !rig.outlets.length)) continue;
      add(
        `mix-${way}`,
        'Mixing',
        `${WAY_TITLES[way]} for ${mix.name}`,
        (d) => convertMix(d, mix.id, way, 0.25),
        (d) => asWanted(d, mix.id),
      );
    }
  energyVariants(rig, add);
  return out;
}

/** Largest fuel tank that is offered for all engines together. */
const SHARED_FUEL = '17 gal';

/** Fuel, charge and air otherwise: one tank for all engines, lithium, a receiver, reels that a motor winds. */
function energyVariants(rig: Rig, add: Add): void {
  const engines = rig.machines.filter((m) => m.drive === undefined || m.drive === 'petrol').map((m) => m.id);
  if (engines.length && !rig.fuelTanks.length)
    add('fuel-tank', 'Power', engines.length > 1 ? 'One fuel tank for all washers' : 'A larger fuel tank on the deck', (d) => {
      for (const m of d.machines) if (engines.includes(m.id) && m.engine) delete m.engine.own;
      addFuelTank(d, engines, { volume: SHARED_FUEL });
    });
  const heavy = rig.batteries.findIndex((b) => b.use === undefined && b.chemistry !== 'lithium' && !b.vehicle);
  if (heavy >= 0) add('lithium', 'Power', `Lithium in place of ${rig.batteries[heavy].name}`, (d) => void (d.batteries![heavy].chemistry = 'lithium'));
  const compressor = rig.compressors.find((c) => c.freeAir > 0 && !rig.receivers.some((r) => r.compressor === c.id));
  if (compressor) add('receiver', 'Power', `An air receiver behind ${compressor.name}`, (d) => void addReceiver(d, compressor.id));
  if (rig.batteries.length && rig.reels.some((r) => r.motor === undefined))
    add('electric-reels', 'Power', 'Reels that a motor winds', (d) => {
      for (const r of d.reels ?? []) r.motor ??= '40 A';
    });
}

/** Whether pressure comes to an end from a machine, over headers; a ring of headers leads nowhere new. */
function leadsFrom(rig: Rig, end: Rig['lines'][number]['from'], machineId: string, seen: ReadonlySet<string> = new Set()): boolean {
  if (end.at === 'machine') return end.id === machineId;
  return rig.lines.some(
    (l) =>
      l.role === 'pressure' && l.to.at === 'manifold' && l.to.id === end.id && !seen.has(l.id) && leadsFrom(rig, l.from, machineId, new Set([...seen, l.id])),
  );
}

const DAYS_LOOKED_AT = 120;
/** Water of the thirstiest of 120 days where none runs short, m³: about one day in a hundred takes more. */
function longDay(model: DayModel): number {
  const endless = { ...model, vessels: model.vessels.map((v) => ({ ...v, start: v.start + 100, full: v.full + 100 })) };
  const { figures } = sampleChunk(endless, 1, 0, DAYS_LOOKED_AT);
  const used = DAY_FIGURES.indexOf('used');
  return Math.max(...figures.subarray(used * DAYS_LOOKED_AT, (used + 1) * DAYS_LOOKED_AT));
}

type Add = (id: string, question: string, title: string, change: (d: RigDocument) => void) => void;

/** Buffer and spigot, or all the day's water carried. */
function waterVariants(rig: Rig, doc: RigDocument, add: Add): void {
  const model = dayModel(rig);
  const v = mainVessel(model);
  if (v < 0) return;
  const vessel = model.vessels[v];
  const sum = (of: (x: Vessel) => number): number => together(model.vessels, v, of);
  const ids = vessel.tied.map((t) => t.id);
  const filled = doc.lines.filter((l) => l.role === 'fill' && l.to.at === 'tank' && ids.includes(l.to.id ?? ''));
  add('larger', 'Water', 'Half as much water again', (d) => ids.forEach((t) => growTank(d, t, 1.5)));
  if (filled.length) {
    add('carry', 'Water', 'Carry all the day’s water', (d) => {
      const factor = (longDay(model) * 1.05 + sum((x) => x.heel)) / sum((x) => x.full);
      d.lines = d.lines.filter((l) => !filled.some((f) => f.id === l.id));
      d.reels = d.reels?.filter((r) => d.lines.some((l) => l.id === r.line));
      d.spigots = d.spigots.filter((s) => d.lines.some((l) => l.from.at === 'spigot' && l.from.id === s.id));
      for (const t of ids) if (factor > 1) growTank(d, t, factor);
      for (const t of d.tanks) if (ids.includes(t.id)) t.startLevel = t.fullLevel;
    });
  } else
    add('buffer', 'Water', 'A smaller tank, filled from the ‹spigot›', (d) => {
      const tank = d.tanks.find((t) => t.id === ids[0])!;
      const id = unusedId(d, 'spigot');
      d.spigots.push(spigot(id, spell('‹Spigot›'), '4.5 gpm'));
      d.lines.push(
        line(
          unusedId(d, 'fill'),
          'fill',
          `spigot:${id}`,
          `tank:${tank.id}@${tank.shape.kind === 'lying-cylinder' ? tank.shape.diameter : tank.shape.height}`,
          gardenFill('34', '100 ft'),
        ),
      );
      for (const t of ids) growTank(d, t, 0.5);
    });
}
