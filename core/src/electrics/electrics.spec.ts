import { near, seeded } from '../testing/near';
import { peukertCurrent, peukertSeconds } from './battery';
import { ampacityOf, awgArea, awgDiameter, cableSize, cablesOf, chooseCable, fuseFor, gaugeName, gaugeOf, sizesOf, voltageDrop, wireResistance } from './cable';
import { type Branch, nodeVoltages } from './circuit';

describe('wire', () => {
  // ASTM B258 wire table, from memory: diameter in mils, ohms for 1000 ft at 20 °C.
  test.each([
    [0, 324.9, 0.0983],
    [2, 257.6, 0.1563],
    [4, 204.3, 0.2485],
    [6, 162.0, 0.3951],
    [8, 128.5, 0.6282],
    [10, 101.9, 0.9989],
    [12, 80.8, 1.588],
    [14, 64.1, 2.525],
    [16, 50.8, 4.016],
    [18, 40.3, 6.385],
  ])('AWG %p is %p mils, %p Ω for 1000 ft', (gauge, mils, ohms) => {
    near(awgDiameter(gauge) / 2.54e-5, mils, 2e-3);
    near(wireResistance(gauge) * 304.8, ohms, 3e-3);
  });
  test('six gauges on, a wire has about twice the resistance four times over', () => near(awgArea(10) / awgArea(16), 4.01, 0.01));
  // 12 V, 20 A, 10 ft one way: AWG 10 loses 0.40 V, 3.3 %, so AWG 8 is taken; worked by hand.
  test('20 A over 10 ft lose 0.40 V in AWG 10; 3 % wants AWG 8', () => {
    near(2 * 3.048 * wireResistance(10) * 20, 0.4, 5e-3);
    // Its copper at 30 + 30 · (20 / 30)² = 43.3 °C.
    near(voltageDrop(10, 3.048, 20), 0.4 * (1 + 0.00393 * 23.33), 5e-3);
    expect(chooseCable(20, 3.048, 12, 0.03)).toMatchObject({ gauge: 8, fuseA: 25 });
  });
  test('the cable always carries its fuse, the fuse its load (400 loads, seed 2)', () => {
    const next = seeded(2);
    let none = 0;
    for (let i = 0; i < 400; i++) {
      const [amps, length] = [0.5 + 110 * next(), 0.3 + 12 * next()];
      const c = chooseCable(amps, length, 12, 0.03);
      if (!c) {
        none++;
        continue;
      }
      expect(c.fuseA).toBeGreaterThanOrEqual(1.25 * amps - 1e-6);
      expect(c.ampacityA).toBeGreaterThanOrEqual(c.fuseA);
      expect(c.dropV / 12).toBeLessThanOrEqual(0.03 + 1e-9);
    }
    expect(none).toBeGreaterThan(0);
    expect(none).toBeLessThan(300);
  });
  test('what no fuse is sold for has none', () => {
    expect(fuseFor(241)).toBeUndefined();
    expect(fuseFor(0.1)).toBe(2);
    expect(chooseCable(300, 1, 12, 0.03)).toBeUndefined();
  });
});

describe('a battery', () => {
  // Peukert: 100 Ah at 20 h, exponent 1.2, 20 A: 3.79 h; worked by hand.
  test('of 100 Ah gives 20 A for 3.79 h, and its own rate for its own hours', () => {
    near(peukertSeconds(360000, 20, 1.2) / 3600, 3.79, 1e-3);
    near(peukertSeconds(360000, 5, 1.2), 72000, 1e-12);
    expect(peukertSeconds(360000, 0, 1.2)).toBe(Infinity);
  });
  test('hard drawn on it gives more than the current, gently less; without an exponent the current itself', () => {
    expect(peukertCurrent(360000, 20, 1.2)).toBeGreaterThan(20);
    expect(peukertCurrent(360000, 1, 1.2)).toBeLessThan(1);
    near(peukertCurrent(360000, 20, 1), 20, 1e-12);
  });
});

describe('a circuit', () => {
  test('of one load agrees with Ohm', () => near(nodeVoltages(2, [{ from: 0, to: 1, ohms: 0.02 }], [{ node: 1, amps: 20 }], 12)![1], 11.6, 1e-12));
  test('two loads on one cable: the far one loses on both stretches', () => {
    const v = nodeVoltages(
      3,
      [
        { from: 0, to: 1, ohms: 0.01 },
        { from: 1, to: 2, ohms: 0.02 },
      ],
      [
        { node: 1, amps: 10 },
        { node: 2, amps: 5 },
      ],
      12,
    )!;
    near(v[1], 12 - 15 * 0.01, 1e-12);
    near(v[2], v[1] - 5 * 0.02, 1e-12);
  });
  test('currents balance at every node of random trees to 1e-9, as summed down the branches (120 trees, seed 7)', () => {
    const next = seeded(7);
    for (let t = 0; t < 120; t++) {
      const nodes = 2 + Math.floor(14 * next());
      const parent = Array.from({ length: nodes }, (_, i) => (i ? Math.floor(i * next()) : 0));
      const branches: Branch[] = parent.slice(1).map((p, i) => ({ from: p, to: i + 1, ohms: 0.001 + 0.05 * next() }));
      const amps = Array.from({ length: nodes }, (_, i) => (i ? 15 * next() : 0));
      const v = nodeVoltages(
        nodes,
        branches,
        amps.map((a, node) => ({ node, amps: a })),
        12,
      )!;
      // Down a tree each branch carries all that hangs on it.
      const below = [...amps];
      for (let i = nodes - 1; i > 0; i--) below[parent[i]] += below[i];
      for (const b of branches) near((v[b.from] - v[b.to]) / b.ohms + 1, below[b.to] + 1, 1e-9);
    }
  });
  test('a node that hangs on nothing has no voltage', () => expect(nodeVoltages(3, [{ from: 0, to: 1, ohms: 1 }], [], 12)).toBeUndefined());
});

describe('cable that goes by its copper', () => {
  // IEC 60228: 10 mm² of class 2 is at most 1.83 Ω/km at 20 °C, 4 mm² 4.61; pure copper of that area is a little under (from memory).
  test.each([
    ['4 mm²', 4.61],
    ['10 mm²', 1.83],
    ['35 mm²', 0.524],
  ])('%s has %p Ω a kilometre at most', (name, ohms) => {
    const own = wireResistance(gaugeOf(name)) * 1000;
    expect(own).toBeLessThanOrEqual(ohms);
    near(own, ohms, 0.07);
  });
  test('its name reads back, and it is none of AWG', () => {
    expect(gaugeName(gaugeOf('6 mm²'))).toBe('6 mm²');
    expect([sizesOf(gaugeOf('6 mm²')), sizesOf(10), cableSize(10), cableSize(-1)]).toEqual(['mm2', 'awg', 'AWG 10', 'AWG 2/0']);
    near(awgArea(gaugeOf('6 mm²')), 6e-6, 1e-12);
    expect(ampacityOf(gaugeOf('6 mm²'), '75')).toBe(45);
  });
  test('is chosen from what is sold so, thinnest first', () => {
    expect(gaugeName(chooseCable(20, 3.048, 12, 0.03, 25, '60', 30, 'mm2')!.gauge)).toBe('10 mm²');
    const areas = cablesOf('mm2').map(awgArea);
    expect(areas).toEqual([...areas].sort((a, b) => a - b));
  });
});
