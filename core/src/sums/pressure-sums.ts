import { GRAVITY } from '../fluid/air.js';
import { WATER_KG_M3, waterAt } from '../fluid/water.js';
import { coilFactor, runHeadLoss, velocity } from '../hydraulics/friction.js';
import { nozzleSize } from '../hydraulics/nozzle.js';
import { boreForLoss, jetHeight, reelCapacity } from '../hydraulics/outflow.js';
import { deratedPower } from '../hydraulics/plunger-pump.js';
import { si } from '../quantity/parse.js';
import { altitude, bore, flow, length, pressure, roughness, size, temperature } from './inputs.js';
import { found, line } from './line.js';
import { factorOf, G, gpm, hoseLines, P0 } from './shared-lines.js';
import { type Sum, sumInput } from './sum.js';

const pumpPressure = sumInput('pump', 'Pressure at the pump', 'pressure', '1 psi', '15000 psi');
const gunPressure = sumInput('gun', 'Target pressure at the gun', 'pressure', '1 psi', '15000 psi');

/** Flow per width of a surface cleaner that each school asks. Common practice: 20 in from 8 gpm up; or 20 in on 3.5 to 4 gpm, slower. */
const STRICT = si('8 gpm', 'flow') / si('20 in', 'length');
const THRIFTY = si('3.75 gpm', 'flow') / si('20 in', 'length');

/** Sums of the pressure side, most of them backwards questions. */
export const PRESSURE_SUMS: readonly Sum[] = [
  {
    name: 'nozzle-wear',
    title: 'How worn is a nozzle',
    equation: 'nozzle-wear',
    inputs: [size, flow, sumInput('pressure', 'Gauge reads', 'pressure', '1 psi', '15000 psi')],
    outputs: [
      { name: 'now', label: 'Acts like size', dimension: 'number' },
      { name: 'wear', label: 'Wear', dimension: 'ratio' },
      { name: 'expected', label: 'A new one would read', dimension: 'pressure' },
    ],
    run: (x) => {
      const now = nozzleSize(x['flow'], x['pressure']);
      return { now, wear: now / x['size'] - 1, expected: x['pressure'] * (now / x['size']) ** 2 };
    },
    written: (x, o) => [
      line('M', 'Q / √(p / p0)', { Q: [x['flow'], 'flow'], p: [x['pressure'], 'pressure'], ...P0 }, gpm(o['now']), 'its gallons a minute are its number now'),
      line('w', 'M / N − 1', { M: gpm(o['now']), N: gpm(x['size']) }, [o['wear'], 'ratio']),
      line('p', 'p1 · (M / N)²', { p1: [x['pressure'], 'pressure'], M: gpm(o['now']), N: gpm(x['size']) }, [o['expected'], 'pressure'], 'a new one'),
    ],
  },
  {
    name: 'recoil',
    title: 'Recoil at a gun',
    equation: 'recoil',
    inputs: [flow, pressure, sumInput('speed', 'Speed of the jet against the ideal', 'ratio', '50 %', '100 %', '98 %')],
    outputs: [
      { name: 'force', label: 'Recoil', dimension: 'force' },
      { name: 'jet', label: 'Speed of the jet', dimension: 'velocity' },
    ],
    run: (x) => {
      const jet = x['speed'] * Math.sqrt((2 * x['pressure']) / WATER_KG_M3);
      return { force: WATER_KG_M3 * x['flow'] * jet, jet };
    },
    written: (x, o) => [
      line('v', 'C · √(2 · p / ρ)', { C: [x['speed'], 'ratio'], p: [x['pressure'], 'pressure'], ρ: [WATER_KG_M3, 'density'] }, [o['jet'], 'velocity']),
      line('F', 'ρ · Q · v', { ρ: [WATER_KG_M3, 'density'], Q: [x['flow'], 'flow'], v: [o['jet'], 'velocity'] }, [o['force'], 'force']),
    ],
  },
  {
    name: 'hose-weight',
    title: 'Weight of a hose',
    equation: 'hose-mass',
    inputs: [bore, length, sumInput('perLength', 'An empty length of 100 ft weighs', 'mass', '0 lb', '2000 lb', '22 lb')],
    outputs: [
      { name: 'empty', label: 'Empty', dimension: 'mass' },
      { name: 'full', label: 'Full of water', dimension: 'mass' },
    ],
    run: (x) => {
      const empty = (x['perLength'] * x['length']) / si('100 ft', 'length');
      return { empty, full: empty + WATER_KG_M3 * (Math.PI / 4) * x['bore'] ** 2 * x['length'] };
    },
    written: (x, o) => [
      line('m1', 'w · L / L0', { w: [x['perLength'], 'mass'], L: [x['length'], 'length'], L0: [si('100 ft', 'length'), 'length'] }, [o['empty'], 'mass']),
      line('m2', 'm1 + ρ · π / 4 · d² · L', { m1: [o['empty'], 'mass'], ρ: [WATER_KG_M3, 'density'], d: [x['bore'], 'length'], L: [x['length'], 'length'] }, [
        o['full'],
        'mass',
      ]),
    ],
  },
  {
    name: 'hose-bore',
    title: 'Bore for a target loss',
    equation: 'hose-bore',
    inputs: [length, flow, sumInput('loss', 'Loss allowed', 'pressure', '0.01 psi', '10000 psi'), temperature, roughness],
    outputs: [{ name: 'bore', label: 'Bore', dimension: 'length' }],
    run: (x) => {
      const water = waterAt(x['temperature']);
      return {
        bore: boreForLoss(
          { lengthM: x['length'], roughnessM: x['roughness'] },
          x['flow'],
          water.kinematicViscosityM2S,
          x['loss'] / (water.densityKgM3 * GRAVITY),
        ),
      };
    },
    written: (x, o) => {
      const own = { ...x, bore: o['bore'] };
      const v = velocity(x['flow'], o['bore']);
      return [
        found('d', 'found by trying: it loses what is allowed', [o['bore'], 'length']),
        ...hoseLines(own, v, (v * o['bore']) / waterAt(x['temperature']).kinematicViscosityM2S),
        line(
          'Δp',
          'ρ · f · L / d · V² / 2',
          {
            ρ: [waterAt(x['temperature']).densityKgM3, 'density'],
            f: factorOf(own),
            L: [x['length'], 'length'],
            d: [o['bore'], 'length'],
            V: [v, 'velocity'],
          },
          [x['loss'], 'pressure'],
        ),
      ];
    },
  },
  {
    name: 'hose-reach',
    title: 'Longest hose for a gun pressure',
    equation: 'hose-reach',
    inputs: [pumpPressure, gunPressure, bore, flow, temperature, roughness],
    outputs: [
      { name: 'length', label: 'Longest hose', dimension: 'length' },
      { name: 'size', label: 'Nozzle at its end', dimension: 'number' },
    ],
    run: (x) => {
      const water = waterAt(x['temperature']);
      const perMetre =
        runHeadLoss({ boreM: x['bore'], lengthM: 1, roughnessM: x['roughness'] }, x['flow'], water.kinematicViscosityM2S) * water.densityKgM3 * GRAVITY;
      return { length: Math.max(x['pump'] - x['gun'], 0) / perMetre, size: nozzleSize(x['flow'], x['gun']) };
    },
    written: (x, o) => {
      const v = velocity(x['flow'], x['bore']);
      const f = factorOf(x);
      return [
        ...hoseLines(x, v, (v * x['bore']) / waterAt(x['temperature']).kinematicViscosityM2S),
        x['pump'] > x['gun']
          ? line(
              'L',
              '(p1 − p2) · d / (ρ · f · V² / 2)',
              {
                p1: [x['pump'], 'pressure'],
                p2: [x['gun'], 'pressure'],
                d: [x['bore'], 'length'],
                ρ: [waterAt(x['temperature']).densityKgM3, 'density'],
                f,
                V: [v, 'velocity'],
              },
              [o['length'], 'length'],
            )
          : found('L', 'the pump gives no more than the gun needs', [o['length'], 'length']),
        line('N', 'Q / √(p2 / p0)', { Q: [x['flow'], 'flow'], p2: [x['gun'], 'pressure'], ...P0 }, gpm(o['size']), 'its gallons a minute are its number'),
      ];
    },
  },
  {
    name: 'engine-power',
    title: 'Engine for a flow and pressure',
    equation: 'shaft-power',
    inputs: [
      flow,
      sumInput('pressure', 'Pressure at the pump', 'pressure', '1 psi', '15000 psi'),
      sumInput('efficiency', 'Pump and drive efficiency', 'ratio', '10 %', '100 %', '85 %'),
      altitude,
      sumInput('derate', 'Power lost per 1000 ft', 'ratio', '0 %', '10 %', '3.5 %'),
    ],
    outputs: [
      { name: 'hydraulic', label: 'Into the water', dimension: 'power' },
      { name: 'shaft', label: 'At the shaft', dimension: 'power' },
      { name: 'rated', label: 'Rated at sea level', dimension: 'power' },
    ],
    run: (x) => {
      const hydraulic = x['flow'] * x['pressure'];
      const shaft = hydraulic / x['efficiency'];
      const left = deratedPower(1, x['altitude'], x['derate']);
      return { hydraulic, shaft, rated: left > 0 ? shaft / left : NaN };
    },
    written: (x, o) => [
      line('P1', 'p · Q', { p: [x['pressure'], 'pressure'], Q: [x['flow'], 'flow'] }, [o['hydraulic'], 'power']),
      line('P2', 'P1 / η', { P1: [o['hydraulic'], 'power'], η: [x['efficiency'], 'ratio'] }, [o['shaft'], 'power']),
      line(
        'P3',
        'P2 / (1 − s · z / z1)',
        { P2: [o['shaft'], 'power'], s: [x['derate'], 'ratio'], z: [Math.max(x['altitude'], 0), 'length'], z1: [si('1000 ft', 'length'), 'length'] },
        [o['rated'], 'power'],
      ),
    ],
  },
  {
    name: 'reel-capacity',
    title: 'Hose on a reel',
    equation: 'reel-capacity',
    inputs: [
      sumInput('flange', 'Flange diameter', 'length', '2 in', '10 ft'),
      sumInput('core', 'Core diameter', 'length', '1 in', '8 ft'),
      sumInput('width', 'Width between flanges', 'length', '1 in', '10 ft'),
      sumInput('hose', 'Hose, outside diameter', 'length', '3 mm', '200 mm'),
      sumInput('winding', 'Winding factor', 'ratio', '30 %', '110 %', '85 %'),
    ],
    outputs: [{ name: 'length', label: 'Hose that fits', dimension: 'length' }],
    run: (x) => ({ length: reelCapacity(x['flange'], x['core'], x['width'], x['hose'], x['winding']) }),
    written: (x, o) => {
      const depth = Math.max((x['flange'] - x['core']) / 2, 0);
      return [
        x['flange'] > x['core']
          ? line('A', '(F − B) / 2', { F: [x['flange'], 'length'], B: [x['core'], 'length'] }, [depth, 'length'], 'room for hose over the core')
          : found('A', 'the core fills the reel', [depth, 'length']),
        line(
          'L',
          'π · A · (A + B) · C / d² · w',
          { A: [depth, 'length'], B: [x['core'], 'length'], C: [x['width'], 'length'], d: [x['hose'], 'length'], w: [x['winding'], 'ratio'] },
          [o['length'], 'length'],
        ),
      ];
    },
  },
  {
    name: 'surface-cleaner',
    title: 'Surface cleaner',
    equation: 'surface-cleaner',
    inputs: [
      flow,
      sumInput('width', 'Cleaner width', 'length', '4 in', '8 ft', '20 in'),
      sumInput('speed', 'Walking speed', 'velocity', '0.01 m/s', '3 m/s', '0.7 ft/s'),
      sumInput('overlap', 'Overlap', 'ratio', '0 %', '80 %', '15 %'),
    ],
    outputs: [
      { name: 'hour', label: 'Area in an hour', dimension: 'area' },
      { name: 'strict', label: 'Widest, if 20 in needs 8 gpm', dimension: 'length' },
      { name: 'thrifty', label: 'Widest, if 20 in does with 3.75 gpm', dimension: 'length' },
    ],
    run: (x) => ({ hour: x['width'] * (1 - x['overlap']) * x['speed'] * 3600, strict: x['flow'] / STRICT, thrifty: x['flow'] / THRIFTY }),
    written: (x, o) => [
      line('A', 'b · (1 − o) · v · t', { b: [x['width'], 'length'], o: [x['overlap'], 'ratio'], v: [x['speed'], 'velocity'], t: [3600, 'time'] }, [
        o['hour'],
        'area',
      ]),
      line('b1', 'Q / Q1 · b0', { Q: [x['flow'], 'flow'], Q1: [si('8 gpm', 'flow'), 'flow'], b0: [si('20 in', 'length'), 'length'] }, [o['strict'], 'length']),
      line('b2', 'Q / Q2 · b0', { Q: [x['flow'], 'flow'], Q2: [si('3.75 gpm', 'flow'), 'flow'], b0: [si('20 in', 'length'), 'length'] }, [
        o['thrifty'],
        'length',
      ]),
    ],
  },
  {
    name: 'coil-loss',
    title: 'Pressure lost in a hose on its reel',
    equation: 'coil-loss',
    inputs: [bore, length, flow, sumInput('coil', 'Mean coil diameter', 'length', '2 in', '10 ft', '16 in'), temperature, roughness],
    outputs: [
      { name: 'coiled', label: 'On the reel', dimension: 'pressure' },
      { name: 'straight', label: 'Pulled out', dimension: 'pressure' },
      { name: 'more', label: 'More by', dimension: 'ratio' },
    ],
    run: (x) => {
      const water = waterAt(x['temperature']);
      const nu = water.kinematicViscosityM2S;
      const straight = runHeadLoss({ boreM: x['bore'], lengthM: x['length'], roughnessM: x['roughness'] }, x['flow'], nu) * water.densityKgM3 * GRAVITY;
      const factor = coilFactor((velocity(x['flow'], x['bore']) * x['bore']) / nu, x['bore'], x['coil']);
      return { straight, coiled: straight * factor, more: factor - 1 };
    },
    written: (x, o) => {
      const v = velocity(x['flow'], x['bore']);
      const re = (v * x['bore']) / waterAt(x['temperature']).kinematicViscosityM2S;
      return [
        ...hoseLines(x, v, re),
        line(
          'Δp1',
          'ρ · f · L / d · V² / 2',
          {
            ρ: [waterAt(x['temperature']).densityKgM3, 'density'],
            f: factorOf(x),
            L: [x['length'], 'length'],
            d: [x['bore'], 'length'],
            V: [v, 'velocity'],
          },
          [o['straight'], 'pressure'],
          'pulled out',
        ),
        found('k', 'the coil’s friction over the straight hose’s, by Re and d/D', [1 + o['more'], 'number']),
        line('Δp2', 'k · Δp1', { k: [1 + o['more'], 'number'], Δp1: [o['straight'], 'pressure'] }, [o['coiled'], 'pressure'], 'on the reel'),
      ];
    },
  },
  {
    name: 'jet-height',
    title: 'Height of a straight jet',
    equation: 'jet-height',
    inputs: [sumInput('pressure', 'Pressure at the nozzle', 'pressure', '0.1 psi', '15000 psi'), sumInput('bore', 'Nozzle bore', 'length', '0.5 mm', '100 mm')],
    outputs: [
      { name: 'height', label: 'Height', dimension: 'length' },
      { name: 'head', label: 'Without air', dimension: 'length' },
    ],
    run: (x) => {
      const head = x['pressure'] / (WATER_KG_M3 * GRAVITY);
      return { height: jetHeight(head, x['bore']), head };
    },
    written: (x, o) => {
      // Lüger's coefficient, with the bore in metres as it is published.
      const phi = 1 / o['height'] - 1 / o['head'];
      return [
        line('h', 'p / (ρ · g)', { p: [x['pressure'], 'pressure'], ρ: [WATER_KG_M3, 'density'], ...G }, [o['head'], 'length']),
        line(
          'H',
          'h / (1 + φ · h)',
          { h: [o['head'], 'length'], φ: { value: phi, us: `${(phi * 0.3048).toPrecision(4)} /ft`, metric: `${phi.toPrecision(4)} /m` } },
          [o['height'], 'length'],
          'φ by the bore',
        ),
      ];
    },
  },
];
