import { advise, applyFix } from '../../advise/advise';
import { bigTankTrailer } from '../../layouts/big-tank-trailer';
import { crewOfFour } from '../../layouts/crew-of-four';
import { mixTankBoxTruck } from '../../layouts/mix-tank-box-truck';
import { tiedTanksTruck } from '../../layouts/tied-tanks-truck';
import { winterSplit } from '../../layouts/winter-split';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';
import { near } from '../../testing/near';
import { say } from '../../working/figure';
import type { ChemicalTankResult } from './result';

const GALLON = 0.003785411784;
const POUND = 0.45359237;
const tankOf = (d: RigDocument, id: string): ChemicalTankResult => judged(d).chemical.tanks.find((t) => t.tankId === id)!;
const tank = (d: RigDocument, id: string) => d.tanks.find((t) => t.id === id)!;
const words = (d: RigDocument, code: string): string | undefined => {
  const f = judged(d).findings.find((x) => x.code === code);
  return f && say(f.message, 'us');
};

describe('a tank of chemicals', () => {
  test('SH of 12.5 % weighs about 10 lb a gallon (common practice)', () => {
    const d = tiedTanksTruck();
    const t = tankOf(d, 'sh-tank');
    const pounds = t.mass.value / POUND / (t.fullM3 / GALLON);
    expect(pounds).toBeGreaterThan(9.7);
    expect(pounds).toBeLessThan(10.3);
  });
  test('a mix made in a tank weighs between water and its stock, and is all taken out of it', () => {
    const d = mixTankBoxTruck();
    const a = judged(d);
    const t = a.chemical.tanks[0];
    const [mix] = a.chemical.mixes;
    expect(t.mixId).toBe(mix.mixId);
    const [sh] = a.chemical.liquids;
    // C₁V₁ = C₂V₂: the share of stock is the ratio of the strengths.
    near(t.stockShare, mix.wanted.value / sh.today.value, 1e-12);
    const density = t.mass.value / t.fullM3;
    expect(density).toBeGreaterThan(998.2);
    expect(density).toBeLessThan(sh.densityKgM3);
    near(t.perDay.value, mix.dayM3.value, 1e-12);
    near(t.lastsDays, t.drawableM3 / mix.dayM3.value, 1e-12);
  });
  test('what the tanks give in a day is what the liquids are used up by, on every layout with stock in tanks', () => {
    for (const d of [tiedTanksTruck(), bigTankTrailer(), crewOfFour()]) {
      const { tanks, liquids } = judged(d).chemical;
      for (const l of liquids.filter((x) => x.tanks.length > 0 && x.perDay.value > 0)) {
        const own = tanks.filter((t) => l.tanks.includes(t.tankId));
        // What a batch is mixed of stands in no tank before.
        if (own.some((t) => t.mixId)) continue;
        near(
          own.reduce((sum, t) => sum + t.perDay.value, 0),
          l.perDay.value,
          1e-9,
        );
      }
    }
  });
  test('the end of the draw line leaves a heel: 24 × 24 in by 2 in is 1152 cubic inches', () => {
    const d = tiedTanksTruck();
    const sh = tank(d, 'sh-tank');
    sh.shape = { kind: 'box', length: '24 in', width: '24 in', height: '24 in' };
    Object.assign(sh, { fullLevel: '24 in', startLevel: '20 in', base: '10 in' });
    for (const l of d.lines) if (l.from.id === 'sh-tank') l.from.height = '2 in';
    const t = tankOf(d, 'sh-tank');
    near(t.heelM3, (1152 / 231) * GALLON, 1e-9);
    near(t.drawableM3, ((24 * 24 * 18) / 231) * GALLON, 1e-9);
    near(judged(d).tanks.find((x) => x.tankId === 'sh-tank')!.heelVolumeM3, t.heelM3, 1e-12);
    near(judged(d).chemical.liquids[0].lastsDays, t.lastsDays, 1e-12);
  });
  test('the working behind what a day uses gives what it says, of tanks and liquids alike', () => {
    const { tanks, liquids } = judged(crewOfFour()).chemical;
    for (const { value, working } of [...tanks, ...liquids].map((x) => x.perDay)) {
      const of = (symbol: string): number[] => working.inputs.filter((x) => x.symbol === symbol).map((x) => x.value);
      const jobs = of('n');
      expect(Math.abs(of('V_job').reduce((sum, v, i) => sum + v * jobs[i], 0) - value)).toBeLessThan(1e-12);
    }
    for (const { weekTank } of liquids) {
      const [day, days, reserve] = weekTank.working.inputs.map((x) => x.value);
      near(weekTank.value, day * days * (1 + reserve), 1e-12);
    }
    expect(tanks.every((t) => t.perDay.value > 0)).toBe(true);
  });
  test('a tank for a day holds the day, the reserve and the heel', () => {
    const d = tiedTanksTruck();
    d.assumptions['chem-reserve'] = '50 %';
    const t = tankOf(d, 'sh-tank');
    near(t.dayTank.value, 1.5 * t.perDay.value + t.heelM3, 1e-12);
  });
});

describe('a bund', () => {
  const withBund = (bund: string | undefined): RigDocument => {
    const d = mixTankBoxTruck();
    tank(d, 'batch-tank').bund = bund;
    return d;
  };
  test('of 110 % of the tank is enough (common practice); a smaller one is told, with what it would take', () => {
    // 36 × 30 × 24 in are 112.2 gal; 110 % of them 123.4 gal.
    near(tankOf(withBund('125 gal'), 'batch-tank').bundWanted.value / GALLON, 123.43, 1e-4);
    expect(words(withBund('125 gal'), 'bund-small')).toBeUndefined();
    expect(words(withBund('120 gal'), 'bund-small')).toMatch(/^The containment tray under Mix tank holds 120.gal; a full spill needs 123.gal\.$/);
    expect(words(withBund('60 gal'), 'bund-small')).toMatch(/holds 60.gal/);
  });
  test('none is no finding: whether there is to be one is for local rules', () => {
    expect(words(withBund(undefined), 'bund-small')).toBeUndefined();
    expect(words(withBund('0 gal'), 'bund-small')).toBeUndefined();
  });
  test('the one offered holds it, costs and weighs something, and the rig is fed again', () => {
    const d = withBund('60 gal');
    const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'bund-small')!;
    expect(say(fix.title, 'us')).toBe('A containment tray of 125\u00a0gal');
    expect(fix.cures).toBe(true);
    expect(fix.price).toBeGreaterThan(0);
    expect(fix.massKg).toBeGreaterThan(0);
    near(fix.gain.after - fix.gain.before, 65 * GALLON, 1e-9);
    expect(words(applyFix(d, fix), 'bund-small')).toBeUndefined();
  });
  test('what it ought to hold follows the assumption', () => {
    const d = withBund('125 gal');
    d.assumptions['bund-share'] = '150 %';
    expect(words(d, 'bund-small')).toBeDefined();
    d.assumptions['bund-share'] = '100 %';
    tank(d, 'batch-tank').bund = '112.3 gal';
    expect(words(d, 'bund-small')).toBeUndefined();
  });
});

describe('antifreeze on board', () => {
  test('short of what the winter takes is told, and a fuller tank mends it', () => {
    const d = winterSplit();
    expect(words(d, 'antifreeze-short')).toBeUndefined();
    tank(d, 'antifreeze').startLevel = '2 in';
    // 16 × 12 × 2 in are 1.66 gal.
    expect(words(d, 'antifreeze-short')).toMatch(/^Antifreeze holds 1\.66.gal; a night of .* needs 2\.\d+.gal/);
    const fixes = advise(d, parseRig(d), judged(d)).filter((f) => f.code === 'antifreeze-short');
    expect(fixes.map((f) => say(f.title, 'us'))).toContain('Start the day with Antifreeze full');
    for (const fix of fixes) if (fix.cures) expect(words(applyFix(d, fix), 'antifreeze-short')).toBeUndefined();
    expect(fixes.some((f) => f.cures)).toBe(true);
  });
  test('an empty tank is told too, and filling it is offered', () => {
    const d = winterSplit();
    tank(d, 'antifreeze').startLevel = '0 in';
    expect(words(d, 'antifreeze-short')).toMatch(/^Antifreeze holds 0.gal; /);
    const fixes = advise(d, parseRig(d), judged(d)).filter((f) => f.code === 'antifreeze-short');
    expect(fixes.map((f) => [say(f.title, 'us'), f.cures])).toEqual([['Start the day with Antifreeze full', true]]);
  });
  test('no tank for it, or no frost, is no finding', () => {
    const d = winterSplit();
    tank(d, 'antifreeze').startLevel = '1 in';
    delete d.brief.coldest;
    expect(words(d, 'antifreeze-short')).toBeUndefined();
    expect(judged(mixTankBoxTruck()).chemical.winter?.onBoardM3).toBeUndefined();
  });
});

test('a tank of stock that is empty is told, and what is offered for it is a rig that reads', () => {
  const d = tiedTanksTruck();
  tank(d, 'sh-tank').startLevel = '0 in';
  expect(words(d, 'stock-short')).toMatch(/lasts 0% of a day/);
  const fixes = advise(d, parseRig(d), judged(d)).filter((f) => f.code === 'stock-short');
  expect(fixes.map((f) => say(f.title, 'us'))).toEqual(['Start the day with SH tank full']);
  expect(fixes[0].cures).toBe(true);
});

test('a round tank of stock that does not last the day is made larger too', () => {
  const d = tiedTanksTruck();
  const sh = tank(d, 'sh-tank');
  sh.shape = { kind: 'upright-cylinder', diameter: '6 in', height: '8 in' };
  Object.assign(sh, { fullLevel: '8 in', startLevel: '3 in' });
  expect(words(d, 'stock-short')).toMatch(/lasts [\d.]+% of a day/);
  const fixes = advise(d, parseRig(d), judged(d)).filter((f) => f.code === 'stock-short');
  expect(fixes.some((f) => f.cures && / larger$/.test(say(f.title, 'us')))).toBe(true);
  expect(fixes.some((f) => say(f.title, 'us') === 'Start the day with SH tank full')).toBe(true);
  for (const f of fixes.filter((x) => x.cures)) expect(words(applyFix(d, f), 'stock-short')).toBeUndefined();
});
