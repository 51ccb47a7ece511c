import { crewOfFour } from '../layouts/crew-of-four';
import { LAYOUTS } from '../layouts/layouts';
import { twoBatchSingleAxle } from '../layouts/two-batch-single-axle';
import { assess } from '../assess/assess';
import { MIX_WAYS } from '../rig/schema';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { near } from '../testing/near';
import { bill } from '../catalogue/bill';
import { changed } from '../edit/draft';
import { asWanted, byWay, compareWays, compareWaysSteps } from './compare-ways';
import { growTank } from '../edit/grow-tank';

const strength = (d: RigDocument, id: string): number => assess(parseRig(d)).chemical.mixes.find((m) => m.mixId === id)!.first.value;

describe('the ways of mixing compared', () => {
  const doc = crewOfFour();
  const rows = compareWays(doc, 'blend');
  test('all five, the one built marked, at no price of its own', () => {
    expect(rows.map((r) => r.way)).toEqual([...MIX_WAYS]);
    expect(rows.filter((r) => r.now)).toMatchObject([{ way: 'proportioner', price: 0 }]);
  });
  test('each is set up as well as it can be: a batch meets what is wanted, the tip at the gun is the one that fits', () => {
    const of = (way: string) => rows.find((r) => r.way === way)!.result;
    near(of('batch').first.value, of('batch').wanted.value, 1e-6);
    // Tips of the shelf stand some 15 to 20 % apart.
    near(of('nozzle').first.value, of('nozzle').wanted.value, 0.18);
  });
  /** Common practice: a batch carries the whole mix, a proportioner only its stock; a downstream injector is never strong. */
  test('what the trade says of them holds', () => {
    const of = (way: string) => rows.find((r) => r.way === way)!;
    expect(of('batch').carriedKg).toBeGreaterThan(of('downstream').carriedKg);
    expect(of('downstream').result.first.value).toBeLessThan(of('proportioner').result.first.value);
    expect(of('proportioner').result.highest - of('proportioner').result.lowest).toBeGreaterThan(of('batch').result.highest - of('batch').result.lowest);
    for (const r of rows) expect(r.canFail.length).toBeGreaterThan(20);
  });
  test('it tells how far it is, changes nothing of the document, and gives nothing for a broken one', () => {
    const before = JSON.stringify(doc);
    const shares: number[] = [];
    const steps = compareWaysSteps(doc, 'blend');
    for (let s = steps.next(); !s.done; s = steps.next()) shares.push(s.value);
    expect(shares).toEqual([0, 0.2, 0.4, 0.6, 0.8]);
    expect(JSON.stringify(doc)).toBe(before);
    expect(compareWays({ ...doc, version: 9 } as never, 'blend')).toEqual([]);
    expect(compareWays(doc, 'nobody')).toEqual([]);
  });
});

describe('a mix set as wanted', () => {
  test('valves of a proportioner are turned to bring the strength', () => {
    const d = crewOfFour();
    for (const l of d.lines) for (const p of l.parts) if (p.kind === 'valve' && p.is === 'metering-valve') p.setting = '50 %';
    expect(strength(d, 'blend')).toBeGreaterThan(0.015);
    near(strength(asWanted(d, 'blend'), 'blend'), 0.01, 5e-3);
  });
  test('a batch, and a mix that is not there, stay as they are', () => {
    const d = twoBatchSingleAxle();
    expect(asWanted(d, 'walls')).toBe(d);
    expect(asWanted(d, 'nobody')).toBe(d);
  });
});

describe('what changes cost and weigh', () => {
  const base = (d: RigDocument) => bill(parseRig(d));
  test('a tank twice as large holds twice as much, to the inch, and costs and weighs more', () => {
    for (const id of ['buffer-skid', 'carried-water', 'two-totes']) {
      const d = LAYOUTS.find((l) => l.id === id)!.make();
      const tank = d.tanks[0].id;
      const before = assess(parseRig(d)).tanks[0].ownVolumeM3;
      const [price, mass] = [base(d).price, base(d).massKg];
      growTank(d, tank, 2);
      const after = assess(parseRig(d)).tanks[0].ownVolumeM3;
      expect(after).toBeGreaterThanOrEqual(2 * before * 0.999);
      expect(after).toBeLessThan(2.2 * before);
      expect(base(d).price).toBeGreaterThan(price);
      expect(base(d).massKg).toBeGreaterThan(mass);
    }
  });
  test('pumps, battery and compressor are on the bill', () => {
    const d = twoBatchSingleAxle();
    const [with_, battery] = [base(d).price, d.batteries![0].capacity];
    d.batteries![0].capacity = '400 Ah';
    expect(base(d).price).toBeGreaterThan(with_);
    d.batteries![0].capacity = battery;
    d.compressors = [{ id: 'compressor', name: 'Compressor', freeAir: '20 cfm', power: '7 hp' }];
    near(base(d).price - with_, 20 * 85, 1e-6);
    d.compressors = [];
    d.softPumps!.pop();
    d.lines = d.lines.filter((l) => l.to.id !== 'pump-roofs' && l.from.id !== 'pump-roofs');
    expect(base(d).price).toBeLessThan(with_);
  });
});

test.each(['crew-of-four', 'mix-tank-truck', 'two-batch', 'winter-split'])('on %s a way that is tried delivers what the table promised', (id) => {
  const made = LAYOUTS.find((l) => l.id === id)!.make();
  for (const mix of made.mixes!)
    for (const row of compareWays(made, mix.id)) {
      if (row.now) continue;
      const built = assess(
        parseRig(changed(made, byWay(made, mix.id, row.way, assess(parseRig(made)).chemical.mixes.find((m) => m.mixId === mix.id)!.dayM3.value))),
      );
      const result = built.chemical.mixes.find((m) => m.mixId === mix.id)!;
      expect([row.way, result.first.value, result.verdict]).toEqual([row.way, row.result.first.value, row.result.verdict]);
    }
});
