import { TANK_SIZES } from '../catalogue/tank-sizes.js';
import { parseQuantity, si } from '../quantity/parse.js';
import { plainFirst } from '../layouts/plain-first.js';
import { parseRig, readRig } from '../rig/read.js';
import { reshapeTank, sizeTank, useTankSize, volumeOf } from './size-tank.js';
import { changeShape } from './tank.js';

const rig = () => {
  const d = plainFirst();
  return { d, t: d.tanks[0] };
};

describe('a tank by what it holds', () => {
  test.each(['box', 'upright-cylinder', 'lying-cylinder', 'elliptical'] as const)('100 gal typed holds 100 gal, as tall as it was: %s', (kind) => {
    const { d, t } = rig();
    changeShape(t, kind);
    const tall = t.shape.kind === 'lying-cylinder' ? t.shape.diameter : t.shape.height;
    sizeTank(d, t.id, si('100 gal', 'volume'));
    expect(volumeOf(t.shape) / si('100 gal', 'volume')).toBeCloseTo(1, 4);
    expect(t.shape.kind === 'lying-cylinder' ? t.shape.diameter : t.shape.height).toBe(tall);
    expect(readRig(d).ok).toBe(true);
  });

  test('every size off the shelf holds what its name says, within 1 %, and is in the order of its volume', () => {
    for (const system of ['us', 'metric'] as const) {
      const volumes = TANK_SIZES.filter((x) => x.system === system).map((x) => {
        const named = parseQuantity(x.name.split(' ').slice(0, 2).join(' '), 'volume');
        expect(named.ok && Math.abs(volumeOf(x.shape) / named.si - 1)).toBeLessThan(0.01);
        return volumeOf(x.shape);
      });
      expect(volumes).toEqual([...volumes].sort((a, b) => a - b));
    }
  });

  test('one off the shelf brings float and start with it', () => {
    const { d, t } = rig();
    useTankSize(d, t.id, '275-gal-tote');
    expect([t.fullLevel, t.startLevel]).toEqual(['37.1 in', '37.1 in']);
    expect(parseRig(d).tanks[0].shape.kind).toBe('box');
    useTankSize(d, t.id, 'none-such');
    expect(t.fullLevel).toBe('37.1 in');
  });
});

describe('float and start', () => {
  const taller = (s: ReturnType<typeof rig>['t']['shape'], height: string) => ({ ...s, height }) as typeof s;

  test('go with the height until they were touched', () => {
    const { t } = rig();
    t.shape = { kind: 'box', length: '36 in', width: '24 in', height: '18 in' };
    [t.fullLevel, t.startLevel] = ['18 in', '18 in'];
    reshapeTank(t, (s) => taller(s, '27 in'));
    expect([t.fullLevel, t.startLevel]).toEqual(['27 in', '27 in']);
  });

  test('a float set lower stays, and the start with it; neither ends above the rim', () => {
    const { t } = rig();
    t.shape = { kind: 'box', length: '36 in', width: '24 in', height: '18 in' };
    [t.fullLevel, t.startLevel] = ['15 in', '15 in'];
    reshapeTank(t, (s) => taller(s, '27 in'));
    expect([t.fullLevel, t.startLevel]).toEqual(['15 in', '15 in']);
    reshapeTank(t, (s) => taller(s, '12 in'));
    expect([t.fullLevel, t.startLevel]).toEqual(['12 in', '12 in']);
  });

  test('a start below a full tank stays where it was set', () => {
    const { t } = rig();
    t.shape = { kind: 'box', length: '36 in', width: '24 in', height: '18 in' };
    [t.fullLevel, t.startLevel] = ['18 in', '9 in'];
    reshapeTank(t, (s) => taller(s, '27 in'));
    expect([t.fullLevel, t.startLevel]).toEqual(['27 in', '9 in']);
  });
});
