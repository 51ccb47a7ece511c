import { LAYOUTS } from '../layouts/index';
import { parseRig, type Rig } from '../rig/index';
import { bill } from './bill';
import { nearOnShelf, priceAndMass } from './items';
import { CATALOGUE_PRICES, equipmentOn, massOf, type Piece, pieces } from './pieces';

const rigs = LAYOUTS.map((l) => [l.id, parseRig(l.make())] as const);
const count = (rig: Rig, what: Piece['what']): number => pieces(rig).filter((p) => p.what === what).length;

test.each(rigs)('%s: every part, piece of gear and platform is a piece once, and the bill is their sum', (_id, rig) => {
  expect(count(rig, 'part')).toBe(rig.lines.reduce((n, l) => n + l.parts.length + (l.taps ?? []).reduce((k, t) => k + (t.length > 0 ? 2 : 1), 0), 0));
  expect(count(rig, 'gear')).toBe(rig.gear.length);
  expect(count(rig, 'platform')).toBe(rig.platform ? 1 : 0);
  expect(count(rig, 'equipment')).toBe(equipmentOn(rig).length);
  const sum = (of: (p: Piece) => number): number => pieces(rig).reduce((s, p) => s + of(p), 0);
  expect(bill(rig).price).toBeCloseTo(sum(CATALOGUE_PRICES.of), 6);
  expect(bill(rig).massKg).toBeCloseTo(sum(massOf), 6);
  // Whatever is bought costs and weighs something; spare hose is cut off what is there.
  for (const p of pieces(rig))
    if (!(p.what === 'gear' && p.gear.kind === 'spare-hose') && !(p.what === 'part' && p.part.is === 'exit'))
      expect([p, CATALOGUE_PRICES.of(p) > 0]).toEqual([p, true]);
});

test('prices are a value handed in: with others the bill is another, the weight the same', () => {
  const rig = rigs[0][1];
  const twice = bill(rig, { of: (p) => 2 * CATALOGUE_PRICES.of(p) });
  expect(twice.price).toBeCloseTo(2 * bill(rig).price, 6);
  expect(twice.massKg).toBe(bill(rig).massKg);
  expect(bill(rig, { of: () => 0 }).price).toBe(0);
});

test('hose under pressure that is not on the shelf costs and weighs as pressure hose does', () => {
  const shelf = (item: string, bore: number) => priceAndMass({ item, kind: 'hose', is: 'smooth-hose', bore, lengthM: 1 });
  const bore = 0.0111125;
  const [low, high] = [shelf('hose-pressure-38', 0.009525), shelf('hose-pressure-12', 0.0127)];
  const near = nearOnShelf('smooth-hose', bore, 'pressure');
  expect(near.price).toBeCloseTo((low.price + high.price) / 2, 6);
  expect(near.massKg).toBeCloseTo((low.massKg + high.massKg) / 2, 6);
  expect(near.price).toBeGreaterThan(nearOnShelf('smooth-hose', bore, 'fill').price);
  expect(nearOnShelf('smooth-hose', bore, 'chemical').price).not.toBe(near.price);
});
