import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as v from 'valibot';
import { assumptionValues } from '../assumption/register';
import { waterAt } from '../fluid/water';
import { fullyTurbulentFactor } from '../hydraulics/friction';
import { si } from '../quantity/parse';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import { FITTING_KINDS, HOSE_KINDS, type Part, PartSchema, VALVE_KINDS } from '../rig/schema';
import { near } from '../testing/near';
import { bill } from './bill';
import { CATALOGUE, findItem, nearOnShelf, partName, priceAndMass, resize, siblings, takePart } from './items';
import { fittingK, lineVolume, localLoss, partHeadLoss, runOf, squeezeK, tightestBore } from './part-loss';

const values = assumptionValues();
const water = waterAt(293.15);
const part = (id: string, changes: Record<string, string> = {}): Part => v.parse(PartSchema, takePart(id, 'p', changes));
const GPM = si('1 gpm', 'flow');

describe('the shelf', () => {
  test.each(CATALOGUE.map((i) => [i.id, i] as const))('%s is a part that a rig file takes, with a price, a mass and a source', (_id, item) => {
    expect(v.safeParse(PartSchema, item.part).success).toBe(true);
    expect(item.price).toBeGreaterThan(0);
    expect(item.massKg).toBeGreaterThan(0);
    expect(item.source).toMatch(/estimate|Crane/);
    expect(item.part.item).toBe(item.id);
  });
  test('a larger size never loses more than a smaller one of its family', () => {
    const q = 6 * GPM;
    const seen = new Set<string>();
    for (const item of CATALOGUE) {
      if (seen.has(item.id)) continue;
      const family = siblings(item.part);
      family.forEach((x) => seen.add(x.id));
      const losses = family.map((x) =>
        partHeadLoss(v.parse(PartSchema, { ...x.part, ...(x.part.kind === 'hose' ? { length: '10 ft' } : {}) }), q, water, values, true),
      );
      losses.slice(1).forEach((loss, i) => expect(loss).toBeLessThanOrEqual(losses[i]));
    }
  });
  test('dirty strainers lose more than clean ones', () => {
    for (const item of CATALOGUE.filter((x) => x.part.kind === 'strainer')) {
      const p = part(item.id);
      expect(partHeadLoss(p, 4 * GPM, water, values, true)).toBeGreaterThan(2 * partHeadLoss(p, 4 * GPM, water, values, false));
    }
  });
  test('what is not on it is said', () => {
    expect(findItem('unobtainium')).toBeUndefined();
    expect(findItem(undefined)).toBeUndefined();
    expect(() => takePart('unobtainium', 'p')).toThrow('The catalogue has no "unobtainium".');
  });
  test('hose is paid by the metre, fittings by the piece', () => {
    near(priceAndMass({ item: 'hose-pressure-38', kind: 'hose', is: 'smooth-hose', bore: 0.0095, lengthM: 30 }).price, 5.6 * 30, 1e-9);
    near(priceAndMass({ item: 'elbow-90-1', kind: 'fitting', is: 'elbow-90', bore: 0.0254, count: 4 }).price, 20, 1e-9);
  });
});

describe('a part that is not on the shelf', () => {
  const inch = 0.0254;
  test('lies between the sizes of its kind next to it, and beyond them as its bore is to the last', () => {
    const at = (bore: number) => nearOnShelf('elbow-90', bore);
    const [one, wide, two] = ['1', '1-14', '2'].map((s) => findItem(`elbow-90-${s}`)!);
    near(at(inch).price, one.price, 1e-9);
    near(at(inch).massKg, one.massKg, 1e-9);
    near(at(1.125 * inch).price, (one.price + wide.price) / 2, 1e-9);
    near(at(1.125 * inch).massKg, (one.massKg + wide.massKg) / 2, 1e-9);
    near(at(4 * inch).price, 2 * two.price, 1e-9);
    near(at(0.25 * inch).massKg, findItem('elbow-90-12')!.massKg / 2, 1e-9);
  });
  test('costs and weighs something, whatever it is; only an exit is no piece', () => {
    for (const is of [...FITTING_KINDS, ...HOSE_KINDS, ...VALVE_KINDS])
      for (const bore of [0.003, 0.01, 0.02, 0.04, 0.2]) {
        const { price, massKg } = nearOnShelf(is, bore);
        expect([is, bore, price > 0, massKg > 0]).toEqual([is, bore, is !== 'exit', is !== 'exit']);
      }
  });
  /** ASTM A53, schedule 40, 1 in: 1.68 lb/ft (from memory). */
  test('steel pipe weighs about what its standard says', () => {
    const { massKg } = nearOnShelf('steel-pipe', inch);
    expect(massKg).toBeGreaterThan(0.7 * 2.5);
    expect(massKg).toBeLessThan(1.4 * 2.5);
  });
  test('counts for the rig: hose of another bore is carried and paid for', () => {
    const d = LAYOUTS.find((l) => l.id === 'small-buffer')!.make();
    const hose = d.lines.flatMap((l) => l.parts).find((p) => p.kind === 'hose' && p.is === 'smooth-hose')!;
    const before = bill(parseRig(d));
    delete hose.item;
    const after = bill(parseRig(d));
    expect(after.massKg).toBeGreaterThan(before.massKg * 0.95);
    d.lines.forEach((l) => (l.parts = l.parts.filter((p) => p !== hose)));
    expect(bill(parseRig(d)).massKg).toBeLessThan(after.massKg);
  });
});

test('an id that a file may name stays: each that the shelf ever had is there, or has one in its place', () => {
  const ever = JSON.parse(readFileSync(join(__dirname, '../../testdata/catalogue-ids.json'), 'utf8')) as readonly string[];
  expect(ever.filter((id) => !findItem(id))).toEqual([]);
  // New ones are written down when they come.
  expect(CATALOGUE.map((x) => x.id).filter((id) => !ever.includes(id))).toEqual([]);
});

describe('another bore', () => {
  test('brings inner bore, coefficient, name and price of that size', () => {
    const barb = resize(takePart('barb-1', 'p7', { count: '2' }), '3/4 in');
    expect(barb).toMatchObject({ id: 'p7', item: 'barb-34', name: 'Hose barb 3/4 in', count: '2', reducedBore: '0.6 in', bore: '3/4 in' });
    const hose = resize(takePart('hose-pressure-38', 'p', { length: '150 ft', coiledLength: '40 ft', coilDiameter: '16 in' }), '1/2 in');
    expect(hose).toMatchObject({ item: 'hose-pressure-12', length: '150 ft', coiledLength: '40 ft', coilDiameter: '16 in' });
    expect(resize(takePart('strainer-1', 'p'), '1 1/2 in')).toMatchObject({ cvClean: '60 Cv', cvDirty: '27 Cv' });
  });
  test('that the shelf has not keeps the part, no longer as one from the shelf', () => {
    const odd = resize(takePart('hose-pressure-38', 'p'), '11 mm');
    expect(odd.item).toBeUndefined();
    expect(odd.name).toBe('Pressure hose 11 mm');
    expect(odd.bore).toBe('11 mm');
  });
  test('typed another way is the same size', () => expect(resize(takePart('hose-helix-1', 'p'), '25.4 mm').item).toBe('hose-helix-1'));
});

describe('losses', () => {
  // Crane TP-410 (from memory): K = n·f_T; 90° elbow 30, gate 8, full ball 3, tee branch 60.
  test.each([
    ['elbow-90-1', 30],
    ['elbow-45-1', 16],
    ['tee-branch-1', 60],
    ['tee-run-1', 20],
    ['ball-valve-full-1', 3],
    ['check-valve-1', 100],
  ])('%s has K = %p f_T', (id, n) => near(fittingK(part(id) as Extract<Part, { kind: 'fitting' }>), n * fullyTurbulentFactor(0.0254), 1e-12));
  // Crane TP-410: entrance 0.5 flush, 0.78 projecting.
  test('entrances', () => {
    expect(fittingK(part('bulkhead-1') as Extract<Part, { kind: 'fitting' }>)).toBe(0.5);
    expect(fittingK(part('bulkhead-projecting-1') as Extract<Part, { kind: 'fitting' }>)).toBe(0.78);
  });
  test('no squeeze, no loss; a pin hole takes 0.5 in and 1 out', () => {
    expect(squeezeK(0.02, 0.02)).toBe(0);
    near(squeezeK(1, 1e-6), 1.5, 1e-6);
  });
  test('the bore of the barb is the restriction, not the hose', () => {
    expect(tightestBore(part('barb-1'))).toBeCloseTo(0.84 * 0.0254, 9);
    expect(partHeadLoss(part('barb-34'), 8 * GPM, water, values, false)).toBeGreaterThan(partHeadLoss(part('barb-1'), 8 * GPM, water, values, false) * 3);
  });
  test('a K of the rig’s own stands in for the family’s', () => near(fittingK(part('elbow-90-1', { k: '2' }) as Extract<Part, { kind: 'fitting' }>), 2, 1e-12));
  test('Cv: 7 gpm through Cv 7 lose 1 psi, and the spring its own', () => {
    const rhoG = water.densityKgM3 * 9.80665;
    near(partHeadLoss(part('filter-34'), 7 * GPM, water, values, false) * rhoG, si('1 psi', 'pressure'), 2e-3);
    near(partHeadLoss(part('backflow-34'), 7 * GPM, water, values, false) * rhoG, si('4 psi', 'pressure'), 2e-3);
    expect(partHeadLoss(part('backflow-34'), 0, water, values, false)).toBe(0);
    expect(localLoss(part('backflow-34'), false).oneWay).toBe(true);
  });
  test('four elbows lose four times one', () =>
    near(
      partHeadLoss(part('elbow-90-1', { count: '4' }), 8 * GPM, water, values, false),
      4 * partHeadLoss(part('elbow-90-1'), 8 * GPM, water, values, false),
      1e-12,
    ));
  test('corrugated hose loses two to three times a smooth one', () => {
    const ratio = partHeadLoss(part('hose-corrugated-1'), 8 * GPM, water, values, false) / partHeadLoss(part('hose-helix-1'), 8 * GPM, water, values, false);
    expect(ratio).toBeGreaterThan(1.8);
    expect(ratio).toBeLessThan(3.2);
  });
  test('roughness of the hose’s own wins over the assumption', () => {
    expect(runOf(part('hose-helix-1', { roughness: '1 mm' }) as Extract<Part, { kind: 'hose' }>, values).roughnessM).toBeCloseTo(1e-3, 12);
    expect(runOf(part('pipe-1') as Extract<Part, { kind: 'hose' }>, values).roughnessM).toBe(values['roughness-smooth']);
  });
  /** Common practice: 300 ft of 1/2 in hose holds about 3 gal. */
  test('300 ft of 1/2 in hold 3 gal', () => near(lineVolume([part('hose-pressure-12', { length: '300 ft' }), part('barb-1')]) / (60 * GPM), 3.06, 0.01));
});

test('a part that still has its name from the shelf is called by the reader’s sizes, one with a typed name as typed', () => {
  const hose = takePart('hose-helix-1-12', 'h');
  expect([partName(hose, 'us'), partName(hose, 'metric')]).toEqual(['Suction hose 1 1/2 in', 'Suction hose 38 mm']);
  expect(partName({ ...hose, name: 'My 1 1/2 in hose' }, 'metric')).toBe('My 1 1/2 in hose');
  expect(partName(resize(hose, '2 in'), 'metric')).toBe('Suction hose 51 mm');
});
