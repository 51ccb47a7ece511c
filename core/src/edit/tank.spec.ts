import { LAYOUTS } from '../layouts/layouts';
import { readRig } from '../rig/read';
import { OF_CHEMICALS } from '../rig/schema';
import { changeLiquid } from './tank';

test('a tank of chemicals that becomes one of water says nothing any more that only chemicals have', () => {
  const d = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
  const tank = d.tanks.find((t) => t.liquid === 'chemical' && t.holds)!;
  Object.assign(tank, { use: 'mixed', ventTo: 'outside', dropTube: true, bund: '80 gal' });
  changeLiquid(tank, 'rinse');
  expect(OF_CHEMICALS.filter((field) => field in tank)).toEqual([]);
  expect(tank.liquid).toBe('rinse');
});

test('one that stays a tank of chemicals keeps all that it said', () => {
  const d = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
  const tank = d.tanks.find((t) => t.liquid === 'chemical' && t.holds)!;
  const before = { ...tank };
  changeLiquid(tank, 'chemical');
  expect(tank).toEqual(before);
  expect(readRig(d).ok).toBe(true);
});
