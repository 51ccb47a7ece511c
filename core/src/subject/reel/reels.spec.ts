import { LAYOUTS } from '../../layouts/layouts';
import { pontoonRig } from '../../layouts/first-rig';
import { parseRig, readRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { near } from '../../testing/near';
import { assess } from '../../assess/assess';
import { wind } from './reels';

const withReel = (changes: Partial<NonNullable<RigDocument['reels']>[number]> = {}): RigDocument => ({
  ...pontoonRig(),
  reels: [
    { id: 'reel', name: 'Reel', line: 'hose-a', flange: '20 in', core: '10 in', width: '18 in', place: 'kerb', row: '1', swivel: 'stainless', ...changes },
  ],
  site: { distance: '120 ft', height: '16 ft', corners: '2', spare: '0 ft', traffic: 'left' },
});

test('a file without reels reads as one with none', () => {
  const { reels: _gone, ...without } = pontoonRig();
  expect(parseRig(without).reels).toEqual([]);
});

test('layers hold what the drum formula says, within a layer', () => {
  const d = 0.017;
  const { layers, woundM } = wind(60, 0.25, 26, d);
  const depth = (woundM - 0.25) / 2;
  const formula = (Math.PI * depth * (depth + 0.25) * 26 * d) / d ** 2;
  expect(formula).toBeGreaterThanOrEqual(60);
  expect(formula - 60).toBeLessThan(Math.PI * woundM * 26);
  expect(layers).toBeGreaterThan(1);
  expect(wind(0, 0.25, 26, d)).toEqual({ layers: 0, woundM: 0.25 });
});

test('a reel full of water weighs what its hose holds more', () => {
  const r = assess(parseRig(withReel())).reels[0];
  const litres = (Math.PI / 4) * 0.009525 ** 2 * 45.72 * 1000;
  near(r.fullKg.value - r.dryKg.value, litres * 0.998, 2e-3);
  near(r.empty.value, litres / 1000 / (7.92 * 6.309e-5), 0.01);
  near(r.hoseM, 45.72, 1e-9);
});

test.each(['carried-water', 'two-unequal', 'crew-of-four'])('%s: a hose through which nothing flows is never run through, and not in ages either', (id) => {
  const d = LAYOUTS.find((l) => l.id === id)!.make();
  for (const o of d.outlets) o.open = false;
  const a = assess(parseRig(d));
  const hoses = a.reels.filter((r) => d.lines.find((l) => l.id === r.lineId)!.role === 'pressure');
  expect(hoses.length).toBeGreaterThan(0);
  expect(hoses.map((r) => r.empty.value)).toEqual(hoses.map(() => Infinity));
  expect(a.runs.map((r) => r.changeOver.value)).toEqual(a.runs.map(() => Infinity));
});

/** Common practice: 300 ft of 1/2 in hose holds about 3 gal; at 8 gpm the wrong liquid runs for over 20 s. */
test('a change of liquid takes as long as the hose holds', () => {
  const d = withReel();
  const hose = d.lines.find((l) => l.id === 'hose-a')!;
  hose.parts = hose.parts.map((p) => (p.kind === 'hose' && p.length === '150 ft' ? { ...p, bore: '1/2 in', length: '300 ft' } : p));
  const run = assess(parseRig(d)).runs[0];
  near(run.changeOver.value, (3.1 / 8) * 60, 0.06);
});

test('height comes off the gun, and hose off the reel gives some back', () => {
  const a = assess(parseRig(withReel()));
  const flat = assess(parseRig({ ...withReel(), site: { ...withReel().site!, height: '0 ft' } }));
  near(flat.runs[0].arrives.value - a.runs[0].arrives.value, 16 * 0.3048 * 998.2 * 9.80665, 1e-3);
  expect(flat.runs[0].arrives.value).toBeGreaterThan(flat.outlets[0].pressure.value);
});

test.each([
  ['a line that is not there', withReel({ line: 'nowhere' }), 'reels.0.line'],
  ['a core as wide as its flange', withReel({ core: '20 in' }), 'reels.0.core'],
])('%s is refused', (_name, d, path) => {
  const r = readRig(d);
  expect(r.ok ? [] : r.problems.map((p) => p.path)).toContain(path);
});
