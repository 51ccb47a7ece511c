import { timeToEmpty } from '../subject/buffer/buffer.js';
import { GRAVITY } from '../fluid/air.js';
import { waterAt } from '../fluid/water.js';
import { runHeadLoss, velocity } from '../hydraulics/friction.js';
import { nozzleFlow, nozzlePressure, nozzleSize } from '../hydraulics/nozzle.js';
import { bore, flow, length, pressure, roughness, size, temperature } from './inputs.js';
import { shapeHeight, volumeAt } from '../rig/tank-shape.js';
import type { TankShape } from '../rig/schema.js';
import { found, line } from './line.js';
import { factorOf, G, gpm, hoseLines, P0 } from './shared-lines.js';
import { choiceInput, type Sum, sumInput } from './sum.js';

/** A tank of the measures that its shape has. A lying cylinder's diameter is its width; an elliptical one has all three. */
function shapeOf(x: Readonly<Record<string, number>>): TankShape {
  const { length, width, height } = x as { length: number; width: number; height: number };
  switch (x['shape']) {
    case 1:
      return { kind: 'upright-cylinder', diameter: length, height };
    case 2:
      return { kind: 'lying-cylinder', diameter: width, length };
    case 3:
      return { kind: 'elliptical', length, width, height };
    default:
      return { kind: 'box', length, width, height };
  }
}

/** Sums about nozzles, hoses, buckets and tanks. */
export const WATER_SUMS: readonly Sum[] = [
  {
    name: 'nozzle-flow',
    title: 'Flow of a nozzle',
    equation: 'nozzle-flow',
    inputs: [size, pressure],
    outputs: [{ name: 'flow', label: 'Flow', dimension: 'flow' }],
    run: (x) => ({ flow: nozzleFlow(x['size'], x['pressure']) }),
    written: (x, o) => [
      line('Q', 'N · √(p / p0)', { N: gpm(x['size']), p: [x['pressure'], 'pressure'], ...P0 }, [o['flow'], 'flow'], 'a number N passes N gpm at 4000 psi'),
    ],
  },
  {
    name: 'nozzle-size',
    title: 'Nozzle for a flow and pressure',
    equation: 'nozzle-size',
    inputs: [flow, pressure],
    outputs: [{ name: 'size', label: 'Nozzle number', dimension: 'number' }],
    run: (x) => ({ size: nozzleSize(x['flow'], x['pressure']) }),
    written: (x, o) => [
      line('N', 'Q / √(p / p0)', { Q: [x['flow'], 'flow'], p: [x['pressure'], 'pressure'], ...P0 }, gpm(o['size']), 'its gallons a minute are its number'),
    ],
  },
  {
    name: 'nozzle-pressure',
    title: 'Pressure a nozzle makes',
    equation: 'nozzle-pressure',
    inputs: [size, flow],
    outputs: [{ name: 'pressure', label: 'Pressure at the nozzle', dimension: 'pressure' }],
    run: (x) => ({ pressure: nozzlePressure(x['size'], x['flow']) }),
    written: (x, o) => [line('p', 'p0 · (Q / N)²', { N: gpm(x['size']), Q: [x['flow'], 'flow'], ...P0 }, [o['pressure'], 'pressure'])],
  },
  {
    name: 'hose-loss',
    title: 'Pressure lost in a hose',
    equation: 'hose-loss',
    inputs: [bore, length, flow, temperature, roughness],
    outputs: [
      { name: 'loss', label: 'Pressure lost', dimension: 'pressure' },
      { name: 'head', label: 'As head of water', dimension: 'length' },
      { name: 'velocity', label: 'Velocity', dimension: 'velocity' },
      { name: 'reynolds', label: 'Reynolds number', dimension: 'number' },
    ],
    run: (x) => {
      const water = waterAt(x['temperature']);
      const head = runHeadLoss({ boreM: x['bore'], lengthM: x['length'], roughnessM: x['roughness'] }, x['flow'], water.kinematicViscosityM2S);
      const v = velocity(x['flow'], x['bore']);
      return { loss: head * water.densityKgM3 * GRAVITY, head, velocity: v, reynolds: (v * x['bore']) / water.kinematicViscosityM2S };
    },
    written: (x, o) => [
      ...hoseLines(x, o['velocity'], o['reynolds']),
      line(
        'Δp',
        'ρ · f · L / d · V² / 2',
        {
          ρ: [waterAt(x['temperature']).densityKgM3, 'density'],
          f: factorOf(x),
          L: [x['length'], 'length'],
          d: [x['bore'], 'length'],
          V: [o['velocity'], 'velocity'],
        },
        [o['loss'], 'pressure'],
      ),
      line('h', 'Δp / (ρ · g)', { Δp: [o['loss'], 'pressure'], ρ: [waterAt(x['temperature']).densityKgM3, 'density'], ...G }, [o['head'], 'length']),
    ],
  },
  {
    name: 'hose-volume',
    title: 'What a hose holds',
    equation: 'hose-volume',
    inputs: [bore, length],
    outputs: [{ name: 'volume', label: 'Volume', dimension: 'volume' }],
    run: (x) => ({ volume: (Math.PI / 4) * x['bore'] ** 2 * x['length'] }),
    written: (x, o) => [line('V', 'π / 4 · d² · L', { d: [x['bore'], 'length'], L: [x['length'], 'length'] }, [o['volume'], 'volume'])],
  },
  {
    name: 'bucket-test',
    title: 'Flow by a timed bucket',
    equation: 'bucket-test',
    inputs: [sumInput('volume', 'Bucket', 'volume', '1 mL', '100 m³'), sumInput('time', 'Time to fill', 'time', '0.1 s', '30 d')],
    outputs: [{ name: 'flow', label: 'Flow', dimension: 'flow' }],
    run: (x) => ({ flow: x['volume'] / x['time'] }),
    written: (x, o) => [line('Q', 'V / t', { V: [x['volume'], 'volume'], t: [x['time'], 'time'] }, [o['flow'], 'flow'])],
  },
  {
    name: 'tank-holds',
    title: 'What a tank holds and weighs',
    equation: 'tank-holds',
    inputs: [
      choiceInput('shape', 'Shape', ['box', 'upright', 'lying', 'elliptical']),
      sumInput('length', 'Length, or diameter of an upright one', 'length', '2 in', '40 ft'),
      sumInput('width', 'Width, or diameter of a lying one', 'length', '2 in', '40 ft', '24 in'),
      sumInput('height', 'Height', 'length', '2 in', '40 ft', '24 in'),
      sumInput('level', 'Filled to', 'ratio', '0 %', '100 %', '100 %'),
      sumInput('density', 'Weight of what is in it', 'density', '5 lb/gal', '20 lb/gal', '8.33 lb/gal'),
    ],
    outputs: [
      { name: 'full', label: 'Holds to the brim', dimension: 'volume' },
      { name: 'fullMass', label: 'Weighs then', dimension: 'mass' },
      { name: 'volume', label: 'Holds to the level', dimension: 'volume' },
      { name: 'mass', label: 'Weighs to the level', dimension: 'mass' },
    ],
    run: (x) => {
      const shape = shapeOf(x);
      const tall = shapeHeight(shape);
      const [full, volume] = [volumeAt(shape, tall), volumeAt(shape, x['level'] * tall)];
      return { full, fullMass: full * x['density'], volume, mass: volume * x['density'] };
    },
    written: (x, o) => {
      const shape = shapeOf(x);
      const sides = shape.kind === 'box' ? { a: shape.length, b: shape.width, h: shape.height } : undefined;
      return [
        sides
          ? line('V', 'a · b · h', { a: [sides.a, 'length'], b: [sides.b, 'length'], h: [sides.h, 'length'] }, [o['full'], 'volume'])
          : shape.kind === 'upright-cylinder'
            ? line('V', 'π / 4 · d² · h', { d: [shape.diameter, 'length'], h: [shape.height, 'length'] }, [o['full'], 'volume'])
            : shape.kind === 'lying-cylinder'
              ? line('V', 'π / 4 · d² · L', { d: [shape.diameter, 'length'], L: [shape.length, 'length'] }, [o['full'], 'volume'])
              : line('V', 'π / 4 · b · h · L', { b: [x['width'], 'length'], h: [x['height'], 'length'], L: [x['length'], 'length'] }, [o['full'], 'volume']),
        line('m', 'ρ · V', { ρ: [x['density'], 'density'], V: [o['full'], 'volume'] }, [o['fullMass'], 'mass']),
        shape.kind === 'box' || shape.kind === 'upright-cylinder'
          ? line('v', 'V · s', { V: [o['full'], 'volume'], s: [x['level'], 'ratio'] }, [o['volume'], 'volume'])
          : found('v', 'the part of the round below the level', [o['volume'], 'volume']),
        line('m', 'ρ · v', { ρ: [x['density'], 'density'], v: [o['volume'], 'volume'] }, [o['mass'], 'mass']),
      ];
    },
  },
  {
    name: 'time-to-empty',
    title: 'Time until a tank is empty',
    equation: 'time-to-empty',
    inputs: [
      sumInput('volume', 'Usable water', 'volume', '0 gal', '1000 m³'),
      sumInput('out', 'Flow out', 'flow', '0 gpm', '2000 gpm'),
      sumInput('in', 'Flow in', 'flow', '0 gpm', '2000 gpm', '0 gpm'),
    ],
    outputs: [{ name: 'time', label: 'Time', dimension: 'time' }],
    run: (x) => ({ time: timeToEmpty(x['volume'], x['out'], x['in']) }),
    written: (x, o) =>
      Number.isFinite(o['time'])
        ? [line('t', 'V / (Q2 − Q1)', { V: [x['volume'], 'volume'], Q2: [x['out'], 'flow'], Q1: [x['in'], 'flow'] }, [o['time'], 'time'])]
        : [found('t', 'no more flows out than in', [o['time'], 'time'])],
  },
];
