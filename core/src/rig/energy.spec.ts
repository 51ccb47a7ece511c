import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { produce } from 'immer';
import { addBurner, addCharger, addFuelTank, addLoad, addPanel, addReceiver, lineAir, wireFrom } from '../edit/energy';
import { changed } from '../edit/draft';
import { removeMachine } from '../edit/machine';
import { LAYOUTS } from '../layouts/layouts';
import { smallBuffer } from '../layouts/small-buffer';
import { PLACED_LISTS } from './drop-places';
import { mend } from './mend';
import { readRig } from './read';
import { RIG_VERSION } from './version';
import type { RigDocument } from './schema';

const old = (name: string): Record<string, unknown> =>
  JSON.parse(readFileSync(join(__dirname, '../../testdata/rigs-v4', `${name}.json`), 'utf8')) as Record<string, unknown>;
const read = (d: unknown): RigDocument => {
  const r = readRig(d);
  if (!r.ok) throw new Error(JSON.stringify(r.problems));
  return r.document;
};
const problem = (d: unknown) => {
  const r = readRig(d);
  return r.ok ? undefined : r.problems[0];
};

describe('the one fuel volume and the loose battery of version 4 become things', () => {
  test('battery, charger, compressor, receiver, fuel and mains are there, and stand where they stood', () => {
    const before = old('power-all') as { placements: { thing: string; x: string }[] };
    const d = read(before);
    expect(d.batteries).toEqual([{ id: 'battery', name: 'Battery', capacity: '100 Ah', chemistry: 'agm' }]);
    expect(d.chargers).toMatchObject([{ kind: 'alternator', battery: 'battery', current: '15 A' }]);
    expect(d.compressors).toEqual([{ id: 'compressor', name: 'Compressor', freeAir: '22 cfm', power: '9 hp', cutOut: '125 psi' }]);
    expect(d.receivers).toMatchObject([{ volume: '20 gal', compressor: 'compressor' }]);
    expect(d.machines[0].engine).toEqual({ own: '17 gal' });
    const at = (thing: string) => d.placements!.find((p) => p.thing === thing)?.x;
    expect(at('battery')).toBe(before.placements.find((p) => p.thing === 'power/battery')!.x);
    expect(at('receiver')).toBe('60 in');
    expect(d.placements!.some((p) => p.thing.startsWith('power/'))).toBe(false);
    expect(d).not.toHaveProperty('power');
  });
  test('of two engines the fuel is a tank with a line to each, in an option as well', () => {
    const option = read(old('power-all')).options![0].rig;
    expect(option.version).toBe(RIG_VERSION);
    expect(option.fuelTanks).toMatchObject([{ volume: '5 gal', fuel: 'petrol', vented: true }]);
    expect(option.fuelLines!.map((l) => l.to)).toEqual(['washer-a', 'washer-b']);
  });
  test('ids that are taken are left alone', () => {
    const d = old('small-buffer') as { tanks: { id: string }[]; lines: unknown[] };
    const text = JSON.stringify(d).replaceAll('"buffer"', '"battery"').replaceAll('"id":"battery","at":"tank"', '"id":"battery","at":"tank"');
    const lifted = read(JSON.parse(text));
    expect(lifted.batteries![0].id).toBe('battery-2');
    expect(lifted.tanks[0].id).toBe('battery');
  });
  test('no power, nothing made', () => {
    const d = old('crew-of-four');
    delete d['power'];
    (d as { placements: { thing: string }[] }).placements = (d as { placements: { thing: string }[] }).placements.filter((p) => !p.thing.startsWith('power/'));
    const r = read(d);
    expect([r.batteries, r.compressors, r.fuelTanks]).toEqual([undefined, undefined, undefined]);
  });
  test('power that is no power is told, not dropped', () =>
    expect(problem({ ...old('crew-of-four'), placements: [], power: 'much' })).toMatchObject({ path: 'power' }));
});

describe('what leads nowhere is told by name', () => {
  const with_ = (change: (d: RigDocument) => void): RigDocument => {
    const d = JSON.parse(JSON.stringify(smallBuffer())) as RigDocument;
    change(d);
    return d;
  };
  test.each<[string, (d: RigDocument) => void, string]>([
    ['a fuel line from no tank', (d) => void (d.fuelLines = [{ id: 'f', from: 'x', to: 'washer-a', bore: '1/4 in' }]), 'fuelLines.0.from'],
    [
      'a fuel line to a tank',
      (d) => void (addFuelTank(d, []), (d.fuelLines = [{ id: 'f', from: 'fuel-tank', to: 'buffer', bore: '1/4 in' }])),
      'fuelLines.0.to',
    ],
    ['a charger of nothing', (d) => void addCharger(d, 'x', 'shore'), 'chargers.0.battery'],
    ['a load of no engine', (d) => void addLoad(d, 'ignition', { engine: 'buffer' }), 'loads.0.engine'],
    ['a cable to a gun', (d) => void wireFrom(d, 'battery', d.outlets[0].id), 'wires.0.to'],
    ['a cable from a pump', (d) => void wireFrom(d, 'air-pump', 'compressor'), 'wires.0.from'],
    ['a receiver of nothing', (d) => void addReceiver(d, 'x'), 'receivers.0.compressor'],
    ['an air line to a washer', (d) => void lineAir(d, 'compressor', 'washer-a'), 'airLines.0.to'],
    ['a burner of nothing', (d) => void addBurner(d, 'x'), 'burners.0.machine'],
    ['two burners on one', (d) => void (addBurner(d, 'washer-a'), addBurner(d, 'washer-a')), 'burners.1.machine'],
    ['a change-over to itself', (d) => void (d.batteries![0].changeover = 'battery'), 'batteries.0.changeover'],
    ['a cut-in over the cut-out', (d) => void Object.assign(d.compressors![0], { cutIn: '150 psi', cutOut: '120 psi' }), 'compressors.0.cutIn'],
  ])('%s', (_words, change, path) => expect(problem(with_(change))).toMatchObject({ path }));
  test('cables in a circle', () => {
    const d = with_((x) => {
      const [a, b] = [addPanel(x, 'battery'), addPanel(x, 'battery')];
      wireFrom(x, b, a);
      wireFrom(x, a, b);
    });
    expect(problem(d)).toMatchObject({ code: 'itself' });
  });
});

const LOSABLE = [...PLACED_LISTS, 'loads'] as const;

describe('mending', () => {
  test('takes away what hung on a machine that is gone, and nothing else', () => {
    const d = LAYOUTS.find((l) => l.id === 'tied-tanks')!.make();
    addBurner(d, 'washer-a');
    wireFrom(d, 'battery', 'washer-a');
    const after = changed(d, (x) => removeMachine(x, 'washer-a'));
    expect(after.fuelLines!.map((l) => l.to)).toEqual(['washer-b']);
    expect(after.burners).toEqual([]);
    expect(after.chargers).toEqual([]);
    expect(after.wires!.some((w) => w.to === 'washer-a')).toBe(false);
    expect(after.wires!.length).toBe(3);
    expect(readRig(after).ok).toBe(true);
  });
  test('of a rig in order changes nothing', () => {
    for (const l of LAYOUTS) {
      const d = l.make();
      const before = JSON.stringify(d);
      mend(d);
      expect(JSON.stringify(d)).toBe(before);
    }
  });
  test('of a draft is that of the document, whatever has gone from it; a list with nothing loose stays the very object', () => {
    let loose = 0;
    for (const l of LAYOUTS) {
      const whole = changed(l.make(), (x) => void (x.machines.length && wireFrom(x, x.batteries?.[0]?.id ?? addPanel(x, ''), x.machines[0].id)));
      for (const list of LOSABLE)
        for (let i = 0; i < (whole[list]?.length ?? 0); i++) {
          const take = (x: RigDocument): void => void (x[list] as unknown[]).splice(i, 1);
          const plain = structuredClone(whole);
          take(plain);
          const bare = JSON.stringify(plain);
          mend(plain);
          if (JSON.stringify(plain) !== bare) loose++;
          const drafted = produce(whole, (x) => {
            take(x);
            mend(x);
          });
          expect(drafted).toEqual(plain);
          for (const other of LOSABLE)
            if (other !== list && JSON.stringify(whole[other]) === JSON.stringify(drafted[other])) expect(drafted[other]).toBe(whole[other]);
        }
    }
    expect(loose).toBeGreaterThan(40);
  });
  test('a battery that goes takes its cables and chargers along', () => {
    const d = LAYOUTS.find((l) => l.id === 'tied-tanks')!.make();
    d.batteries = [];
    mend(d);
    expect([d.wires!.filter((w) => w.from === 'battery'), d.chargers]).toEqual([[], []]);
    expect(d.placements!.some((p) => p.thing === 'battery')).toBe(false);
    expect(readRig(d).ok).toBe(true);
  });
});
