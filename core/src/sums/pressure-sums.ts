import { GRAVITY } from '../fluid/air.js';
import { waterAt } from '../fluid/water.js';
import { coilFactor, runHeadLoss, velocity } from '../hydraulics/friction.js';
import { nozzleSize } from '../hydraulics/nozzle.js';
import { boreForLoss, jetHeight, reelCapacity } from '../hydraulics/outflow.js';
import { deratedPower } from '../hydraulics/plunger-pump.js';
import { si } from '../quantity/parse.js';
import { altitude, bore, flow, length, pressure, roughness, size, temperature } from './inputs.js';
import { type Sum, sumInput } from './sum.js';

const pumpPressure = sumInput('pump', 'Pressure at the pump', 'pressure', '1 psi', '15000 psi');
const gunPressure = sumInput('gun', 'Pressure wanted at the gun', 'pressure', '1 psi', '15000 psi');

/** Water at 68 °F, kg/m³. */
const WATER = 998.2;

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
      { name: 'now', label: 'Works as number', dimension: 'number' },
      { name: 'wear', label: 'Wear', dimension: 'ratio' },
      { name: 'expected', label: 'A new one would read', dimension: 'pressure' },
    ],
    run: (x) => {
      const now = nozzleSize(x['flow'], x['pressure']);
      return { now, wear: now / x['size'] - 1, expected: x['pressure'] * (now / x['size']) ** 2 };
    },
  },
  {
    name: 'recoil',
    title: 'Recoil at a gun',
    equation: 'recoil',
    inputs: [flow, pressure, sumInput('speed', 'Speed of the jet against the ideal', 'ratio', '50 %', '100 %', '98 %')],
    outputs: [
      { name: 'force', label: 'Pushes back with', dimension: 'force' },
      { name: 'jet', label: 'Speed of the jet', dimension: 'velocity' },
    ],
    run: (x) => {
      const jet = x['speed'] * Math.sqrt((2 * x['pressure']) / WATER);
      return { force: WATER * x['flow'] * jet, jet };
    },
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
      return { empty, full: empty + WATER * (Math.PI / 4) * x['bore'] ** 2 * x['length'] };
    },
  },
  {
    name: 'hose-bore',
    title: 'Bore for a wanted loss',
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
      { name: 'rated', label: 'Rated at the sea', dimension: 'power' },
    ],
    run: (x) => {
      const hydraulic = x['flow'] * x['pressure'];
      const shaft = hydraulic / x['efficiency'];
      const left = deratedPower(1, x['altitude'], x['derate']);
      return { hydraulic, shaft, rated: left > 0 ? shaft / left : NaN };
    },
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
      { name: 'strict', label: 'Widest, if 20 in wants 8 gpm', dimension: 'length' },
      { name: 'thrifty', label: 'Widest, if 20 in does with 3.75 gpm', dimension: 'length' },
    ],
    run: (x) => ({ hour: x['width'] * (1 - x['overlap']) * x['speed'] * 3600, strict: x['flow'] / STRICT, thrifty: x['flow'] / THRIFTY }),
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
      const head = x['pressure'] / (998.2 * GRAVITY);
      return { height: jetHeight(head, x['bore']), head };
    },
  },
];
