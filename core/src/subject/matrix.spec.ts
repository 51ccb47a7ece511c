import { line as drawn, parts } from '../catalogue/build-line';
import { LIQUID_KINDS, type LiquidKind } from '../chemistry/compatibility';
import { addBurner } from '../edit/energy';
import { setPlatform } from '../edit/place';
import { platformOf } from '../catalogue/platforms';
import { LAYOUTS } from '../layouts/layouts';
import { mend } from '../rig/mend';
import { OF_CHEMICALS, type RigDocument } from '../rig/schema';
import { judged } from '../testing/judge';

/*
 * Every liquid against every way in which it may get where it must not, and every source of fire or gas against every thing that
 * may stand beside it: a silent cell is seen. `.` says nothing, `t` tight, `S` a stop.
 */
const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const graded = (before: RigDocument, after: RigDocument): string => {
  const known = new Set(judged(before).findings.map((f) => `${f.code} ${f.subject.id} ${f.verdict}`));
  const news = judged(after).findings.filter((f) => !known.has(`${f.code} ${f.subject.id} ${f.verdict}`));
  return news.some((f) => f.verdict === 'stop') ? 'S' : news.some((f) => f.verdict === 'starved') ? 's' : news.some((f) => f.verdict === 'tight') ? 't' : '.';
};

/** Two tied tanks of water and a tank that holds the liquid, on a bare truck. */
function rig(kind: LiquidKind): RigDocument {
  const d = layout('tied-tanks');
  const t = d.tanks.find((x) => x.id === 'sh-tank')!;
  d.lines = d.lines.filter((l) => l.from.id !== 'sh-tank' && l.from.id !== 'soap-tank');
  d.tanks = d.tanks.filter((x) => x.id !== 'soap-tank');
  if (kind === 'water') {
    t.liquid = 'water';
    for (const own of OF_CHEMICALS) delete t[own];
  } else if (kind === 'antifreeze') {
    t.liquid = 'antifreeze';
    for (const own of OF_CHEMICALS) delete t[own];
  } else {
    d.liquids!.push({
      id: 'own',
      name: 'Own',
      kind,
      price: '$5',
      ...(kind === 'hypochlorite' ? { strength: { bought: '12 %', as: 'trade', age: '0 d', kept: '70 °F' } } : {}),
    });
    t.holds = 'own';
  }
  mend(d);
  return d;
}
const WAYS: Readonly<Record<string, (d: RigDocument) => void>> = {
  'open tie into water': (d) => void d.lines.push(drawn('x', 'tie', 'tank:sh-tank@2 in', 'tank:right@2 in', parts('bulkhead-1', 'hose-helix-1', 'bulkhead-1'))),
  'pumped into water': (d) => {
    d.softPumps!.push({
      id: 'moves',
      name: 'Moves',
      kind: 'engine',
      height: '10 in',
      openFlow: '5 gpm',
      limit: '60 psi',
      body: 'polypropylene',
      seals: 'fluororubber',
      engine: { own: '1 gal' },
    });
    d.lines.push(
      drawn('x', 'chemical', 'tank:sh-tank@0 in', 'soft-pump:moves', parts('hose-chemical-12')),
      drawn('y', 'chemical', 'soft-pump:moves', 'tank:right', parts('hose-chemical-12')),
    );
  },
  'a washer’s inlet': (d) =>
    void d.lines.push(drawn('x', 'feed', 'tank:sh-tank@0 in', 'machine:washer-a', parts('bulkhead-1', 'ball-valve-full-1', 'strainer-1', 'hose-helix-1'))),
  'a washer’s return': (d) => void (d.lines.find((l) => l.id === 'return-a')!.to = { at: 'tank', id: 'sh-tank' }),
  'a blend without checks': (d) => {
    d.lines.push(drawn('x', 'chemical', 'tank:sh-tank@0 in', 'mix:blend', parts('bulkhead-12', 'hose-chemical-12')));
    const w = d.lines.find((l) => l.id === 'blend-water')!;
    w.parts = w.parts.filter((p) => p.is !== 'check-valve');
  },
  'a spigot under its surface': (d) =>
    void d.lines.push(drawn('x', 'fill', `spigot:${d.spigots[0].id}`, 'tank:sh-tank@2 in', parts('hose-garden-34', 'float-valve-34'))),
  'the street': (d) => void d.lines.push(drawn('x', 'dump', 'tank:sh-tank@0 in', 'open@-6 in', parts('bulkhead-1', 'ball-valve-full-1'))),
  'open in a van': (d) => void (d.tanks.find((t) => t.id === 'sh-tank')!.lid = 'open'),
};
/** What may go anywhere: water. */
const HARMLESS: ReadonlySet<LiquidKind> = new Set(['water', 'pure-water']);

test.each(LIQUID_KINDS.map((k) => [k]))('%s: every way in which it may get where it must not', (kind) => {
  const cells = Object.entries(WAYS).map(([way, change]): [string, string] => {
    const before = rig(kind);
    if (way === 'open in a van') {
      setPlatform(before, { ...platformOf('enclosed-14') });
    }
    const after = structuredClone(before);
    change(after);
    mend(after);
    return [way, graded(before, after)];
  });
  const row = Object.fromEntries(cells);
  const harmless = HARMLESS.has(kind);
  for (const way of ['open tie into water', 'pumped into water', 'the street'] as const) expect([way, row[way]]).toEqual([way, harmless ? '.' : 'S']);
  if (harmless) {
    expect(row['a blend without checks']).not.toBe('S');
    expect(row['a spigot under its surface']).not.toBe('S');
    expect(row['open in a van']).toBe('.');
    return;
  }
  for (const way of ['a washer’s inlet', 'a washer’s return', 'a blend without checks'] as const) expect([way, row[way]]).toEqual([way, 'S']);
  expect(['spigot', row['a spigot under its surface']]).toEqual(['spigot', 'S']);
  expect(['van', row['open in a van']]).toEqual(['van', ['hypochlorite', 'acid', 'ammonia'].includes(kind) ? 'S' : '.']);
});

describe('fuel beside what may set it on fire, half an inch off', () => {
  const BESIDE = ['engine', 'generator', 'compressor', 'burner', 'battery', 'SH', 'oxygen bleach', 'soap', 'water'] as const;
  const deck = (fuel: 'petrol' | 'diesel', beside: (typeof BESIDE)[number]): RigDocument => {
    const d = layout('big-tank');
    d.placements = [];
    d.gear = [{ id: 'can', name: 'Can', kind: 'fuel-can', length: '10 in', width: '10 in', height: '12 in', mass: '3 lb', volume: '5 gal', fuel }];
    const tank = d.tanks.find((t) => t.id === 'drum')!;
    const liquid = (kind: LiquidKind): string => {
      d.liquids!.push({ id: 'own', name: 'Own', kind, price: '$5' });
      tank.holds = 'own';
      return 'drum';
    };
    const id = {
      engine: () => 'washer-a',
      generator: () => (
        d.gear!.push({ id: 'set', name: 'Set', kind: 'generator', length: '24 in', width: '20 in', height: '20 in', mass: '100 lb', running: '2 kW' }),
        'set'
      ),
      compressor: () => ((d.compressors = [{ id: 'air', name: 'Air', freeAir: '10 cfm', power: '6 hp' }]), 'air'),
      burner: () => addBurner(d, 'washer-a', { set: '120 °F' }),
      battery: () => ((d.batteries = [...(d.batteries ?? []), { id: 'cell', name: 'Cell', capacity: '50 Ah', chemistry: 'agm' }]), 'cell'),
      SH: () => 'drum',
      'oxygen bleach': () => liquid('oxygen-bleach'),
      soap: () => liquid('soap'),
      water: () => 'water',
    }[beside]();
    d.placements = [
      { thing: id, x: '10 in', y: '10 in', size: { length: '30 in', width: '30 in', height: '24 in' } },
      { thing: 'can', x: '40.5 in', y: '20 in' },
    ];
    return d;
  };
  const grades = (fuel: 'petrol' | 'diesel'): Record<string, string> =>
    Object.fromEntries(
      BESIDE.map((beside) => {
        const found = judged(deck(fuel, beside)).findings.filter((f) => ['fuel-hot', 'battery-fuel', 'fuel-oxidiser'].includes(f.code));
        return [beside, found.some((f) => f.verdict === 'stop') ? 'S' : found.some((f) => f.verdict === 'tight') ? 't' : '.'];
      }),
    );
  test('gasoline', () =>
    expect(grades('petrol')).toEqual({
      engine: 'S',
      generator: 'S',
      compressor: 'S',
      burner: 'S',
      battery: 'S',
      SH: 'S',
      'oxygen bleach': 'S',
      soap: '.',
      water: '.',
    }));
  test('diesel', () =>
    expect(grades('diesel')).toEqual({
      engine: '.',
      generator: '.',
      compressor: '.',
      burner: '.',
      battery: 't',
      SH: 't',
      'oxygen bleach': 't',
      soap: '.',
      water: '.',
    }));
});
