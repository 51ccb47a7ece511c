import { LAYOUTS } from '../layouts/index';
import { mend } from './mend';
import { listsTo } from './refers';
import type { RigDocument } from './schema';
import { wiringProblems } from './wiring';
import type { ThingKind } from './thing/kind';
import { type Thing, THINGS } from './thing/index';

const KINDS = Object.entries(THINGS) as [Thing, ThingKind][];
const REFERENCES = KINDS.flatMap(([kind, k]) => k.refers.map((r) => [kind, k, r] as const));

test('what an entry may name is there to be named', () => {
  for (const [kind, , r] of REFERENCES) {
    for (const to of r.to) expect([kind, to, to in THINGS || ['line', 'burns', 'draws'].includes(to)]).toEqual([kind, to, true]);
    expect(listsTo(r).length).toBeGreaterThan(0);
  }
});

/** Every layout with an entry of each kind that names something. */
/** A layout with one of each thing that no layout has: each names what is there. */
function grown(): RigDocument {
  const d = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
  const [machine, pump, mix] = [d.machines[0].id, d.softPumps![0], d.mixes![0]];
  pump.kind = 'air';
  mix.second = { liquid: d.liquids![0].id, dose: '1 %' } as never;
  mix.soap = { ...mix.soap, liquid: d.liquids![0].id } as never;
  mix.injector = { outlet: d.outlets[0].id } as never;
  d.compressors = [{ id: 'air', name: 'Compressor', freeAir: '6 cfm' } as never];
  d.receivers = [{ id: 'receiver', name: 'Receiver', volume: '8 gal', compressor: 'air' }];
  d.airLines = [{ id: 'air-line', from: 'air', to: pump.id, bore: '3/8 in' }];
  d.burners = [{ id: 'burner', name: 'Burner', machine, heat: '90 kW', set: '180 °F', fuel: 'diesel' }];
  d.fuelTanks = [...(d.fuelTanks ?? []), { id: 'diesel', name: 'Diesel', volume: '10 gal', fuel: 'diesel' } as never];
  d.fuelLines = [...(d.fuelLines ?? []), { id: 'to-burner', from: 'diesel', to: 'burner', bore: '1/4 in' }];
  d.batteries = [...(d.batteries ?? []), { id: 'one', name: 'One', changeover: 'two' } as never, { id: 'two', name: 'Two' } as never];
  d.chargers = [...(d.chargers ?? []), { id: 'charger', name: 'Charger', kind: 'alternator', battery: 'one', current: '20 A', engine: machine } as never];
  d.loads = [...(d.loads ?? []), { id: 'load', name: 'Lamp', kind: 'light', current: '2 A', engine: machine } as never];
  d.placements = [...(d.placements ?? []), { thing: 'burner', x: '1 ft', y: '1 ft' }];
  return d;
}
const rigs = [...LAYOUTS.map((l) => l.make()), grown()];
const entryWith = (list: string, field: string): [RigDocument, number] | undefined => {
  for (const d of rigs) {
    const at = ((d as unknown as Record<string, Record<string, unknown>[]>)[list] ?? []).findIndex(
      (x) => field.split('.').reduce<unknown>((o, k) => (o as Record<string, unknown> | undefined)?.[k], x) !== undefined,
    );
    if (at >= 0) return [JSON.parse(JSON.stringify(d)) as RigDocument, at];
  }
  return undefined;
};

test.each(REFERENCES.map(([, k, r]) => [`${k.list}.${r.field}`, k, r] as const))(
  '%s that names nothing is a problem in words, and mend sees to it where it should',
  (_name, k, r) => {
    const found = entryWith(k.list, r.field)!;
    const [d, at] = found;
    const entry = (d as unknown as Record<string, Record<string, unknown>[]>)[k.list][at];
    const keys = r.field.split('.');
    const last = keys.pop()!;
    const inside = keys.reduce<Record<string, unknown>>((o, key) => o[key] as Record<string, unknown>, entry);
    inside[last] = 'nobody';
    const lists = Object.fromEntries([...Object.values(THINGS).map((t) => t.list), 'placements'].map((list) => [list, []]));
    const path = `${k.list}.${at}.${r.field}`;
    const problem = wiringProblems({ ...lists, ...d } as never).find((p) => p.path === path && p.code === 'nowhere');
    expect(problem?.message).toBe(r.says((entry['name'] as string | undefined) ?? (entry['id'] as string), 'nobody'));
    expect(problem?.bound).toBe(r.bound);
    mend(d);
    const left = (d as unknown as Record<string, Record<string, unknown>[]>)[k.list];
    if (r.gone === 'goes') expect(left).not.toContain(entry);
    else if (r.gone === 'lets go') expect(left[at]).not.toHaveProperty(r.field);
    else expect(left[at]).toBe(entry);
  },
);

test('what goes takes with it what hung on that, to the end of the chain', () => {
  const d = grown();
  const burner = d.burners!.find((b) => d.fuelLines!.some((l) => l.to === b.id))!;
  d.machines = d.machines.filter((m) => m.id !== burner.machine);
  mend(d);
  expect(d.burners!.some((b) => b.id === burner.id)).toBe(false);
  expect(d.fuelLines!.some((l) => l.to === burner.id)).toBe(false);
  expect((d.placements ?? []).some((p) => p.thing === burner.id)).toBe(false);
});
