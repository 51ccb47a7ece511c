import { assess } from '../assess/assess';
import { LAYOUTS } from '../layouts/layouts';
import { mend } from '../rig/mend';
import { readRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { VERDICTS, type Verdict } from '../subject/verdict';
import { seeded } from '../testing/near';
import { daysVerdict, judgeRig, notChecked, roadFinding, simulateDay, weighDay } from './index';

const rank = (v: Verdict): number => VERDICTS.indexOf(v);
const say = (d: RigDocument) => {
  const read = readRig(d);
  if (!read.ok) throw new Error(read.problems[0].message);
  const a = assess(read.rig);
  return { rig: read.rig, a, said: judgeRig(read.rig, a) };
};

/** Fields that make a rig worse or better at random: a share of what they were. */
const TURN: readonly ((d: RigDocument, x: number) => void)[] = [
  (d, x) => void (d.machines[0] && (d.machines[0].enginePower = `${(4 + 40 * x).toFixed(1)} hp`)),
  (d, x) => void (d.spigots[0] && (d.spigots[0].readings[0].flow = `${(1 + 9 * x).toFixed(1)} gpm`)),
  (d, x) => void (d.platform && (d.platform.gvwr = `${Math.round(1500 + 20000 * x)} lb`)),
  (d, x) => d.batteries?.forEach((b) => (b.capacity = `${Math.round(5 + 150 * x)} Ah`)),
  (d, x) => d.machines.forEach((m) => m.engine?.own && (m.engine.own = `${(0.2 + 6 * x).toFixed(1)} gal`)),
  (d, x) => d.tanks.forEach((t) => x < 0.3 && t.liquid === 'chemical' && (t.startLevel = '3 in')),
  (d, x) => void (x < 0.5 && (d.placements = (d.placements ?? []).slice(1))),
];

test('nothing that power, weight or the days tell is graded lower in the build’s verdict (30 rigs, seed 31)', () => {
  const next = seeded(31);
  const seen = new Set<Verdict>();
  for (let i = 0; i < 30; i++) {
    const d = LAYOUTS[Math.floor(next() * LAYOUTS.length)].make();
    for (const turn of TURN) if (next() < 0.5) turn(d, next());
    mend(d);
    const { rig, a, said } = say(d);
    const all: Verdict[] = a.findings.map((f) => f.verdict);
    const road = roadFinding(rig, weighDay(rig, simulateDay(rig)), a);
    if (road) all.push(road.verdict);
    for (const c of said.sample?.causes ?? [])
      if (said.sample) all.push(daysVerdict({ short: c.chance, tolerance: said.sample.tolerance, farOver: said.sample.farOver }));
    for (const v of all) expect(rank(said.verdict)).toBeGreaterThanOrEqual(rank(v));
    seen.add(said.verdict);
  }
  expect(seen.size).toBeGreaterThan(2);
});

describe('what nobody set', () => {
  test('is named in one line; of every layout all is set', () => {
    for (const l of LAYOUTS) expect([l.id, say(l.make()).said.unchecked]).toEqual([l.id, undefined]);
    const d = LAYOUTS.find((l) => l.id === 'carried-water')!.make();
    delete d.platform!.tow;
    delete d.platform!.coupling!.gross;
    delete d.machines[0].engine;
    delete d.site;
    d.placements = d.placements!.slice(2);
    const { rig } = say(d);
    const words = notChecked(rig)!;
    expect(Object.values(words.values).map((m) => (m as { template: string }).template)).toEqual([
      expect.stringContaining('have no place'),
      expect.stringContaining('tow vehicle'),
      expect.stringContaining('‹coupler›'),
      expect.stringContaining('fuel of'),
      expect.stringContaining('hose reach'),
    ]);
    delete d.platform;
    delete d.placements;
    mend(d);
    expect(Object.values(notChecked(say(d).rig)!.values)[0]).toMatchObject({ template: expect.stringContaining('no platform') });
  });
});

test('stock that runs out counts like water', () => {
  const d = LAYOUTS.find((l) => l.id === 'two-unequal')!.make();
  d.tanks.find((t) => t.id === 'stick-tank')!.startLevel = '10 in';
  const { said } = say(d);
  expect(said.by).toBe('days');
  expect(said.verdict).not.toBe('fed');
  expect(said.headline.template).toMatch(/runs out on/);
});
