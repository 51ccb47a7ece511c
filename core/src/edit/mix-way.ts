import type { MixDocument, MixWay, RigDocument, TankDocument } from '../rig/schema.js';
import { addCompressor } from './energy.js';
import { unusedId } from './id.js';
import { bottomLike } from './length.js';
import { formatInches } from '../quantity/format.js';
import { si } from '../quantity/parse.js';
import type { EndText } from '../catalogue/build-line.js';
import {
  airPump,
  chemicalTank,
  drawHose,
  electricPump,
  injectorFor,
  jet,
  meteredBranch,
  mixSuction,
  plainBranch,
  softDelivery,
} from '../catalogue/chemical-pieces.js';

const low = (t: TankDocument): EndText => `tank:${t.id}@${bottomLike(t.base)}`;
const cube = (m3: number): [string, string, string] => {
  const side = formatInches(Math.ceil(Math.cbrt(m3) / 0.0254) * 0.0254).replace(/\u00a0/g, ' ');
  return [side, side, side];
};

/**
 * Turns a mix to another way of mixing, with the lines and parts that the way usually has. Tanks, pump, hose and gun that are
 * there are kept; what is missing is added. Drafts a document in place.
 * @param dayM3 finished mix wanted in a day: sizes a tank of finished mix
 */
export function convertMix(d: RigDocument, mixId: string, way: MixWay, dayM3: number): void {
  const mix = d.mixes?.find((m) => m.id === mixId);
  if (!mix || mix.way === way) return;
  const before = mix.way;
  const tankOf = (holds: string | undefined): TankDocument | undefined => d.tanks.find((t) => holds !== undefined && t.holds === holds && t.use !== 'mixed');
  d.lines = d.lines.filter((l) => !(l.role === 'chemical' && l.to.at === 'mix' && l.to.id === mixId));
  mix.way = way;
  mix.flush = way === 'proportioner' ? 'through' : mix.flush;
  const water = d.tanks.find((t) => t.liquid === 'water');
  let stockTank = tankOf(mix.stock);
  const finished = way === 'batch' || way === 'draw-stick';
  if (!stockTank && !finished) {
    const id = unusedId(d, 'stock');
    stockTank = chemicalTank(id, 'Stock', mix.stock, cube(Math.max(dayM3 * 0.35, 0.04)));
    d.tanks.push(stockTank);
  }
  if (way === 'downstream' || way === 'nozzle') {
    const outlet = d.outlets[0];
    if (!outlet || !stockTank) return;
    mix.injector ??= injectorFor(outlet.id);
    if (way === 'nozzle') {
      // A nozzle injector draws at the gun from a bucket carried along: short, level, stronger.
      mix.injector.drawRatio = '25 %';
    }
    d.lines = d.lines.filter((l) => !(l.role === 'chemical' && l.from.at === 'mix' && l.from.id === mixId));
    d.lines.push(drawHose(unusedId(d, `draw-${mixId}`), low(stockTank), mixId, way === 'nozzle' ? '3 ft' : '6 ft'));
    return;
  }
  delete mix.injector;
  ensurePump(d, mix, before);
  if (finished) {
    let tank = d.tanks.find((t) => t.holds === mix.stock && t.use === 'mixed');
    if (!tank) {
      tank = chemicalTank(unusedId(d, 'mix-tank'), 'Mix tank', mix.stock, cube(way === 'batch' ? dayM3 * 1.15 : Math.min(dayM3, 0.12)), { use: 'mixed' });
      d.tanks.push(tank);
    }
    d.lines.push(plainBranch(unusedId(d, `draw-${mixId}`), low(tank), mixId, '1'));
    return;
  }
  const source: EndText | undefined = water ? low(water) : d.spigots[0] ? `spigot:${d.spigots[0].id}` : undefined;
  if (source) d.lines.push(meteredBranch(unusedId(d, `water-${mixId}`), source, mixId, '34', '100 %'));
  if (stockTank) d.lines.push(meteredBranch(unusedId(d, `stock-${mixId}`), low(stockTank), mixId, '12', '40 %'));
  for (const soap of [mix.soap, mix.second]) {
    const soapTank = soap && tankOf(soap.liquid);
    if (soapTank) {
      soap.by = 'metered';
      d.lines.push(meteredBranch(unusedId(d, `soap-${mixId}`), low(soapTank), mixId, '14', '20 %'));
    } else if (soap) soap.by = 'poured';
  }
}

/** A pump, a hose and a gun where the mix had none. */
function ensurePump(d: RigDocument, mix: MixDocument, before: MixWay): void {
  if (before !== 'downstream' && before !== 'nozzle') return;
  const pumps = (d.softPumps ??= []);
  const sprayers = (d.sprayers ??= []);
  const pump = electricPump(unusedId(d, 'soft-pump'));
  pumps.push(pump);
  const gun = jet(unusedId(d, 'soft-gun'), 'Soft wash gun', '4 mm');
  sprayers.push(gun);
  d.lines.push(
    mixSuction(unusedId(d, `suction-${mix.id}`), mix.id, pump.id),
    softDelivery(unusedId(d, `soft-hose-${mix.id}`), pump.id, gun.id, '12', '200 ft'),
  );
}

/** Another kind of pump in a soft wash pump's place, with the usual figures of its kind. */
export function convertPump(d: RigDocument, pumpId: string, kind: 'electric' | 'engine' | 'air'): void {
  const i = d.softPumps?.findIndex((p) => p.id === pumpId) ?? -1;
  const pump = d.softPumps?.[i];
  if (!pump || pump.kind === kind) return;
  const usual = kind === 'air' ? airPump(pump.id) : electricPump(pump.id);
  const next = kind === 'engine' ? { ...usual, name: 'Engine soft wash pump', kind, openFlow: '12 gpm', limit: '250 psi' } : usual;
  d.softPumps![i] = { ...next, height: pump.height };
  if (kind !== 'air') return;
  // A compressor that gives enough is there already, or comes with it.
  const [compressor] = d.compressors ?? [];
  if (!compressor) addCompressor(d, ENOUGH_AIR.freeAir, ENOUGH_AIR.power);
  else if (si(compressor.freeAir, 'airFlow') < si(ENOUGH_AIR.freeAir, 'airFlow')) Object.assign(compressor, ENOUGH_AIR);
}

const ENOUGH_AIR = { freeAir: '26 cfm', power: '9 hp' } as const;

/** A mix for another surface: a strength that was typed for the one before goes with it. Gives what was dropped. */
export function washSurface(d: RigDocument, mixId: string, surface: MixDocument['surface']): string | undefined {
  const mix = d.mixes?.find((m) => m.id === mixId);
  if (!mix || mix.surface === surface) return undefined;
  const { wanted } = mix;
  mix.surface = surface;
  delete mix.wanted;
  return wanted;
}
