import {
  drawHose,
  electricPump,
  hypochlorite,
  injectorFor,
  jet,
  meteredBranch,
  mixSuction,
  plainBranch,
  softDelivery,
  chemicalTank,
} from '../catalogue/chemical-pieces.js';
import { unusedId } from './id.js';
import { bottomLike } from './length.js';
import { type RigDocument } from '../rig/schema.js';

/** A first mix on a rig: an injector behind a washer where there is one, a batch tank with a 12 V pump where there is none. */
export function addMix(d: RigDocument): string {
  const liquids = (d.liquids ??= []);
  const mixes = (d.mixes ??= []);
  let stock = liquids.find((l) => l.kind === 'hypochlorite');
  if (!stock) {
    stock = hypochlorite(unusedId(d, 'sh'));
    liquids.push(stock);
  }
  const id = unusedId(d, 'mix');
  const base = { id, name: `Mix ${mixes.length + 1}`, height: '18 in', surface: 'house', stock: stock.id, flush: 'pump' } as const;
  const gun = d.outlets[0];
  if (gun && !mixes.some((m) => m.injector?.outlet === gun.id)) {
    mixes.push({ ...base, way: 'downstream', injector: injectorFor(gun.id) });
    const tank = unusedId(d, 'drum');
    d.tanks.push(chemicalTank(tank, 'SH drum', stock.id, ['14 in', '14 in', '20 in']));
    d.lines.push(drawHose(unusedId(d, `draw-${id}`), `tank:${tank}@0 in`, id));
    return id;
  }
  mixes.push({ ...base, height: '8 in', way: 'batch' });
  const tank = unusedId(d, 'mix-tank');
  const pump = unusedId(d, 'soft-pump');
  const sprayer = unusedId(d, 'soft-gun');
  d.tanks.push(chemicalTank(tank, 'Mix tank', stock.id, ['30 in', '24 in', '22 in'], { use: 'mixed' }));
  (d.softPumps ??= []).push(electricPump(pump));
  (d.sprayers ??= []).push(jet(sprayer, 'Soft wash gun', '4 mm'));
  d.lines.push(
    plainBranch(unusedId(d, `draw-${id}`), `tank:${tank}@0 in`, id, '1'),
    mixSuction(unusedId(d, `suction-${id}`), id, pump, '1'),
    softDelivery(unusedId(d, `hose-${id}`), pump, sprayer, '12', '150 ft'),
  );
  return id;
}

/** Takes a mix off with its lines, and with pump and gun that nothing else uses. */
export function removeMix(d: RigDocument, id: string): void {
  const pump = d.lines.find((l) => l.from.at === 'mix' && l.from.id === id)?.to.id;
  d.lines = d.lines.filter((l) => !(l.to.at === 'mix' && l.to.id === id) && !(l.from.at === 'mix' && l.from.id === id));
  d.mixes = d.mixes?.filter((m) => m.id !== id);
  if (pump && !d.lines.some((l) => l.to.at === 'soft-pump' && l.to.id === pump)) {
    const guns = d.lines.filter((l) => l.from.at === 'soft-pump' && l.from.id === pump).map((l) => l.to.id);
    d.lines = d.lines.filter((l) => !(l.from.at === 'soft-pump' && l.from.id === pump));
    d.softPumps = d.softPumps?.filter((p) => p.id !== pump);
    d.sprayers = d.sprayers?.filter((s) => !guns.includes(s.id) || d.lines.some((l) => l.to.id === s.id));
  }
  d.reels = d.reels?.filter((r) => d.lines.some((l) => l.id === r.line));
}

/** Soap on or off a mix: the first there is that the mix has not got yet, or one put on the list. On a line of its own it gets one, with a tank. */
export function soapOf(d: RigDocument, mix: number, by: 'none' | 'poured' | 'metered', which: 'soap' | 'second' = 'soap'): void {
  const m = d.mixes![mix];
  const other = which === 'soap' ? m.second : m.soap;
  const now = m[which];
  const ownTanks = d.tanks.filter((t) => now !== undefined && t.holds === now.liquid);
  const isBranch = (l: RigDocument['lines'][number]): boolean =>
    l.role === 'chemical' && l.to.at === 'mix' && l.to.id === m.id && ownTanks.some((t) => t.id === l.from.id);
  if (by !== 'metered') d.lines = d.lines.filter((l) => !isBranch(l));
  if (by === 'none') {
    delete m[which];
    // What is left is the first.
    if (which === 'soap' && m.second) {
      m.soap = m.second;
      delete m.second;
    }
    return;
  }
  const liquids = (d.liquids ??= []);
  let soap = liquids.find((l) => l.id === now?.liquid) ?? liquids.find((l) => l.kind === 'soap' && l.id !== other?.liquid);
  if (!soap) {
    soap = { id: unusedId(d, 'soap'), name: liquids.some((l) => l.kind === 'soap') ? 'Second soap' : 'Soap', kind: 'soap', price: '$26' };
    liquids.push(soap);
  }
  m[which] = { liquid: soap.id, dose: now?.dose ?? '1 oz/gal', by };
  if (by !== 'metered' || m.way !== 'proportioner' || d.lines.some(isBranch)) return;
  let tank = d.tanks.find((t) => t.holds === soap.id && t.use !== 'mixed');
  if (!tank) {
    tank = chemicalTank(unusedId(d, 'soap-tank'), `${soap.name} tank`, soap.id, ['12 in', '12 in', '16 in']);
    d.tanks.push(tank);
  }
  d.lines.push(meteredBranch(unusedId(d, `${soap.id}-${m.id}`), `tank:${tank.id}@${bottomLike(tank.base)}`, m.id, '14', '10 %'));
}
