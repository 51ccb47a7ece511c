import { bypassTime } from '../subject/bypass/bypass.js';
import { ventVacuum } from '../subject/drain/drain.js';
import { submergence } from '../solve/heel.js';
import { fitSpigot } from '../solve/spigot-curve.js';
import { airPressure, GRAVITY } from '../fluid/air.js';
import { waterAt } from '../fluid/water.js';
import { quadraticOfK } from '../hydraulics/network/spec.js';
import { drainSeconds, jetQuadratic, outflowThrough } from '../hydraulics/outflow.js';
import { pulseHead } from '../hydraulics/pulses.js';
import { altitude, bore, flow, length, roughness, temperature } from './inputs.js';
import { type Sum, sumInput } from './sum.js';

const head = (name: string, label: string, fallback?: string, min = '0 ft') => sumInput(name, label, 'length', min, '500 ft', fallback);

/** Sums of tanks, suction and bypass. */
export const FEED_SUMS: readonly Sum[] = [
  {
    name: 'npsh',
    title: 'Inlet head of a pump',
    equation: 'npsh-available',
    inputs: [
      head('lift', 'Water above the pump', undefined, '-40 ft'),
      head('friction', 'Friction'),
      head('pulses', 'Pulses', '0 ft'),
      head('booster', 'Booster', '0 ft'),
      head('required', 'Needed', '10 ft'),
      temperature,
      altitude,
    ],
    outputs: [
      { name: 'available', label: 'Available', dimension: 'length' },
      { name: 'margin', label: 'To spare', dimension: 'length' },
    ],
    run: (x) => {
      const water = waterAt(x['temperature']);
      const available =
        (airPressure(x['altitude']) - water.vapourPressurePa) / (water.densityKgM3 * GRAVITY) + x['lift'] - x['friction'] - x['pulses'] + x['booster'];
      return { available, margin: available - x['required'] };
    },
  },
  {
    name: 'acceleration-head',
    title: 'Pulses of a triplex pump',
    equation: 'acceleration-head',
    inputs: [
      length,
      bore,
      flow,
      sumInput('speed', 'Crank speed', 'rotation', '50 rpm', '6000 rpm', '1450 rpm'),
      sumInput('k', 'Liquid factor K', 'number', '1', '3', '1.45'),
      sumInput('wave', 'Wave speed in the hose', 'velocity', '20 m/s', '1500 m/s', '250 m/s'),
    ],
    outputs: [
      { name: 'used', label: 'Pulses take', dimension: 'length' },
      { name: 'rigid', label: 'In a rigid line', dimension: 'length' },
      { name: 'cap', label: 'Water-hammer cap', dimension: 'length' },
    ],
    run: (x) => {
      const line = [{ lengthM: x['length'], boreM: x['bore'], flowM3s: x['flow'], waveMs: x['wave'] }];
      const a = pulseHead(line, 'triplex', x['speed'], x['k']);
      return { used: a.usedM, rigid: a.rigidM, cap: a.capM };
    },
  },
  {
    name: 'submergence',
    title: 'Water needed over an outlet',
    equation: 'submergence',
    inputs: [bore, flow],
    outputs: [{ name: 'depth', label: 'Depth over the outlet', dimension: 'length' }],
    run: (x) => ({ depth: submergence(x['bore'], x['flow']) }),
  },
  {
    name: 'spigot-curve',
    title: 'What a spigot gives',
    equation: 'spigot-curve',
    inputs: [
      sumInput('static', 'Pressure at rest', 'pressure', '1 psi', '200 psi'),
      sumInput('bucket', 'Flow into an open bucket', 'flow', '0.05 gpm', '200 gpm'),
      sumInput('flow', 'Flow you draw', 'flow', '0 gpm', '200 gpm'),
    ],
    outputs: [
      { name: 'pressure', label: 'Pressure left', dimension: 'pressure' },
      { name: 'share', label: 'Of the bucket’s flow', dimension: 'ratio' },
    ],
    run: (x) => {
      const { k } = fitSpigot(x['static'], [{ flowM3s: x['bucket'], pressurePa: 0 }]);
      return { pressure: x['static'] - k * x['flow'] ** 2, share: x['flow'] / x['bucket'] };
    },
  },
  {
    name: 'drain-time',
    title: 'Time to drain a tank',
    equation: 'drain-time',
    inputs: [
      sumInput('volume', 'Water in the tank', 'volume', '0.1 gal', '100 m³'),
      sumInput('depth', 'Its depth', 'length', '1 in', '30 ft'),
      bore,
      sumInput('length', 'Pipe or hose', 'length', '0 ft', '300 ft', '1 ft'),
      sumInput('k', 'Loss coefficient of entrance and valve', 'number', '0', '100', '0.6'),
      sumInput('drop', 'Ends below the tank by', 'length', '0 ft', '30 ft', '0 ft'),
      temperature,
      roughness,
    ],
    outputs: [
      { name: 'time', label: 'Time', dimension: 'time' },
      { name: 'fastest', label: 'Fastest outflow', dimension: 'flow' },
    ],
    run: (x) => {
      const nu = waterAt(x['temperature']).kinematicViscosityM2S;
      const quadratic = quadraticOfK(x['k'], x['bore']) + jetQuadratic(x['bore']);
      const runs = x['length'] > 0 ? [{ boreM: x['bore'], lengthM: x['length'], roughnessM: x['roughness'] }] : [];
      return {
        time: drainSeconds(x['volume'] / x['depth'], x['depth'], x['drop'], quadratic, runs, nu),
        fastest: outflowThrough(x['depth'] + x['drop'], quadratic, runs, nu),
      };
    },
  },
  {
    name: 'gravity-fill',
    title: 'Filling by gravity at the supplier',
    equation: 'drain-time',
    inputs: [
      sumInput('volume', 'To fill', 'volume', '0.1 gal', '100 m³'),
      sumInput('fall', 'Supply stands above the tank’s bottom by', 'length', '1 in', '60 ft', '8 ft'),
      sumInput('rise', 'Depth of the filled tank', 'length', '1 in', '30 ft', '30 in'),
      bore,
      sumInput('length', 'Hose', 'length', '0 ft', '300 ft', '20 ft'),
      sumInput('k', 'Loss coefficient of valves and couplings', 'number', '0', '100', '2'),
      temperature,
      roughness,
    ],
    outputs: [
      { name: 'time', label: 'Time', dimension: 'time' },
      { name: 'fastest', label: 'Flow at the start', dimension: 'flow' },
    ],
    // The tank rises under the supply as a draining tank falls: the same integral, its head from the fall down to what is left of it.
    run: (x) => {
      if (!(x['fall'] > x['rise'])) return { time: NaN, fastest: NaN };
      const nu = waterAt(x['temperature']).kinematicViscosityM2S;
      const quadratic = quadraticOfK(x['k'], x['bore']) + jetQuadratic(x['bore']);
      const runs = x['length'] > 0 ? [{ boreM: x['bore'], lengthM: x['length'], roughnessM: x['roughness'] }] : [];
      return {
        time: drainSeconds(x['volume'] / x['rise'], x['rise'], x['fall'] - x['rise'], quadratic, runs, nu),
        fastest: outflowThrough(x['fall'], quadratic, runs, nu),
      };
    },
  },
  {
    name: 'vent-vacuum',
    title: 'Vacuum behind a vent',
    equation: 'vent-vacuum',
    inputs: [
      sumInput('flow', 'Liquid leaving', 'flow', '0 gpm', '2000 gpm'),
      sumInput('vent', 'Vent', 'length', '1 mm', '12 in'),
      sumInput('coefficient', 'Discharge coefficient', 'ratio', '10 %', '100 %', '60 %'),
      altitude,
    ],
    outputs: [{ name: 'vacuum', label: 'Vacuum', dimension: 'pressure' }],
    run: (x) => ({ vacuum: ventVacuum(x['flow'], x['vent'], airPressure(x['altitude']) / (287.05 * 298.15), x['coefficient']) }),
  },
  {
    name: 'bypass-heat',
    title: 'Warming in bypass',
    equation: 'bypass-heat',
    inputs: [
      flow,
      sumInput('pressure', 'Pressure in bypass', 'pressure', '1 psi', '15000 psi'),
      sumInput('volume', 'Water taking part', 'volume', '0.05 L', '100 m³'),
      sumInput('start', 'Water at the start', 'temperature', '32.5 °F', '200 °F', '68 °F'),
      sumInput('limit', 'Limit', 'temperature', '33 °F', '212 °F', '60 °C'),
    ],
    outputs: [
      { name: 'time', label: 'Until the limit', dimension: 'time' },
      { name: 'power', label: 'Heat', dimension: 'power' },
    ],
    run: (x) => ({
      time: bypassTime(x['volume'] * waterAt(x['start']).densityKgM3, x['start'], x['limit'], x['pressure'] * x['flow']),
      power: x['pressure'] * x['flow'],
    }),
  },
];
