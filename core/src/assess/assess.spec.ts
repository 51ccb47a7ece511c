import { findAssumption } from '../assumption/register';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { EQUATIONS } from '../subject/equations';
import { worstOf } from '../subject/verdict';
import { codes, judge, judged } from '../testing/judge';
import { say } from '../working/figure';
import { assess } from './assess';

describe('the marina’s skid', () => {
  test('is fed on a 5 gpm spigot', () => {
    const a = judge();
    expect(a.verdict).toBe('fed');
    expect(say(a.headline, 'us')).toBe('Washer A is fed, all through the job.');
  });

  test('every figure names an equation and assumptions that exist', () => {
    let figures = 0;
    const walk = (x: unknown): void => {
      if (Array.isArray(x)) x.forEach(walk);
      else if (x && typeof x === 'object') {
        const f = x as { working?: { equation: keyof typeof EQUATIONS; assumptions: string[] }; value?: number };
        if (f.working) {
          figures++;
          expect(EQUATIONS[f.working.equation].source).toBeTruthy();
          f.working.assumptions.forEach((id) => expect(findAssumption(id)).toBeDefined());
          expect(Number.isNaN(f.value)).toBe(false);
        } else Object.values(x).forEach(walk);
      }
    };
    walk(judge());
    expect(figures).toBeGreaterThan(25);
  });
});

describe('broken rigs are explained, not crashed on', () => {
  test.each<[string, (d: RigDocument) => void, string]>([
    ['a shut valve before the only pump', (d) => void (d.lines[1].closed = true), 'no-feed'],
    ['no feed line', (d) => void d.lines.splice(1, 1), 'no-feed'],
    ['an outlet above the tank’s top', (d) => void (d.lines[1].from.height = '80 in'), 'outlet-outside'],
    [
      'a pump loop without a tank',
      (d) => {
        d.manifolds.push({ id: 'header', name: 'Header', height: '3 in' });
        d.lines[1].from = { at: 'manifold', id: 'header' };
      },
      'no-feed',
    ],
    ['no gun', (d) => void Object.assign(d, { lines: d.lines.filter((l) => l.role !== 'pressure'), reels: [] }), 'no-gun'],
    ['the gun shut off for good', (d) => void (d.outlets[0].open = false), 'no-machine-or-fed'],
    ['nothing at all', (d) => void Object.assign(d, { spigots: [], tanks: [], machines: [], outlets: [], lines: [], reels: [] }), 'no-machine'],
    ['a line of no parts', (d) => void (d.lines[1].parts = []), 'no-machine-or-fed'],
    [
      'a millimetre of hose',
      (d) => void (d.lines[1].parts = [{ id: 'p', name: 'Hose', kind: 'hose', is: 'smooth-hose', bore: '1 in', length: '1 mm' }]),
      'no-machine-or-fed',
    ],
    ['a spigot below the float', (d) => void (d.spigots[0].staticPressure = '1 psi'), 'no-fill-or-dry'],
  ])('%s', (_name, change, code) => {
    const a = judge(change);
    if (!code.includes('-or-')) expect(codes(a)).toContain(code);
    for (const f of a.findings) expect(say(f.message, 'us')).not.toMatch(/NaN|undefined|\{|Infinity/);
    expect(JSON.stringify(a)).not.toContain('NaN');
  });
});

describe('every layout', () => {
  test.each(LAYOUTS.map((l) => [l.id, l] as const))('%s: flows balance, each machine is judged, nothing is undefined', (_id, layout) => {
    const rig = parseRig(layout.make());
    const a = assess(rig);
    expect(a.feeds).toHaveLength(rig.machines.length);
    expect(a.machines).toHaveLength(rig.machines.length);
    expect(a.tanks).toHaveLength(rig.tanks.length);
    for (const m of rig.machines) {
      const guns = a.outlets.filter((o) => o.machineIds.includes(m.id)).reduce((s, o) => s + o.flow.value, 0);
      const result = a.machines.find((x) => x.machineId === m.id)!;
      expect(guns + result.returned.value).toBeCloseTo(m.flow, 8);
    }
    expect(a.verdict).toBe(worstOf(a.findings.map((f) => f.verdict)));
    expect(JSON.parse(JSON.stringify(a))).toBeTruthy();
  });
});

test('no layout falls into danger, and every one reads back', () => {
  expect(LAYOUTS).toHaveLength(15);
  // The single axle with two batch tanks is over when both are full: that is its lesson.
  for (const l of LAYOUTS)
    expect([
      l.id,
      judged(l.make())
        .findings.filter((f) => f.verdict === 'stop')
        .map((f) => f.code),
    ]).toEqual([l.id, l.id === 'two-batch' ? ['over-gross'] : []]);
});
