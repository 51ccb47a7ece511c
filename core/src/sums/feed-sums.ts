import { bypassTime } from '../subject/bypass/bypass.js';
import { ventVacuum } from '../subject/drain/drain.js';
import { submergence } from '../solve/heel.js';
import { fitSpigot } from '../solve/spigot-curve.js';
import { airPressure, GRAVITY } from '../fluid/air.js';
import { waterAt } from '../fluid/water.js';
import { quadraticOfK } from '../hydraulics/network/spec.js';
import { drainSeconds, jetQuadratic, outflowThrough } from '../hydraulics/outflow.js';
import { velocity } from '../hydraulics/friction.js';
import { ACCELERATION_C } from '../hydraulics/plunger-pump.js';
import { pulseHead } from '../hydraulics/pulses.js';
import { altitude, bore, flow, length, roughness, temperature } from './inputs.js';
import { found, line } from './line.js';
import { C, G, outflowLines } from './shared-lines.js';
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
    written: (x, o) => {
      const water = waterAt(x['temperature']);
      const parts = {
        h1: [x['lift'], 'length'],
        h2: [x['friction'], 'length'],
        h3: [x['pulses'], 'length'],
        h4: [x['booster'], 'length'],
      } as const;
      const air = (airPressure(x['altitude']) - water.vapourPressurePa) / (water.densityKgM3 * GRAVITY);
      return [
        line(
          'h0',
          '(p1 − p2) / (ρ · g)',
          { p1: [airPressure(x['altitude']), 'pressure'], p2: [water.vapourPressurePa, 'pressure'], ρ: [water.densityKgM3, 'density'], ...G },
          [air, 'length'],
          'air less ‹vapor› pressure',
        ),
        line('NPSHa', 'h0 + h1 − h2 − h3 + h4', { h0: [air, 'length'], ...parts }, [o['available'], 'length'], 'lift, friction, pulses, booster'),
        line('margin', 'NPSHa − NPSHr', { NPSHa: [o['available'], 'length'], NPSHr: [x['required'], 'length'] }, [o['margin'], 'length']),
      ];
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
    written: (x, o) => [
      line('V', 'Q / (π / 4 · d²)', { Q: [x['flow'], 'flow'], d: [x['bore'], 'length'] }, [velocity(x['flow'], x['bore']), 'velocity']),
      line(
        'h',
        'L · V · n · C / (K · g)',
        {
          L: [x['length'], 'length'],
          V: [velocity(x['flow'], x['bore']), 'velocity'],
          n: [x['speed'], 'rotation'],
          C: [ACCELERATION_C.triplex * 60, 'number'],
          K: [x['k'], 'number'],
          ...G,
        },
        [o['rigid'], 'length'],
        'rigid; C with turns counted a second',
      ),
      found('h', 'the least that hose which yields lets through', [o['cap'], 'length']),
      found('h', 'the lesser of both', [o['used'], 'length']),
    ],
  },
  {
    name: 'submergence',
    title: 'Water needed over an outlet',
    equation: 'submergence',
    inputs: [bore, flow],
    outputs: [{ name: 'depth', label: 'Depth over the outlet', dimension: 'length' }],
    run: (x) => ({ depth: submergence(x['bore'], x['flow']) }),
    written: (x, o) => [
      line('V', 'Q / (π / 4 · D²)', { Q: [x['flow'], 'flow'], D: [x['bore'], 'length'] }, [velocity(x['flow'], x['bore']), 'velocity']),
      line('S', 'D · (1 + 2.3 · V / √(g · D))', { D: [x['bore'], 'length'], V: [velocity(x['flow'], x['bore']), 'velocity'], ...G }, [o['depth'], 'length']),
    ],
  },
  {
    name: 'spigot-curve',
    title: 'What ‹a spigot› gives',
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
    written: (x, o) => [
      line(
        'p',
        'p0 − p0 · (Q / Q0)²',
        { p0: [x['static'], 'pressure'], Q: [x['flow'], 'flow'], Q0: [x['bucket'], 'flow'] },
        [o['pressure'], 'pressure'],
        'k is p0 / Q0²',
      ),
      line('s', 'Q / Q0', { Q: [x['flow'], 'flow'], Q0: [x['bucket'], 'flow'] }, [o['share'], 'ratio']),
    ],
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
    written: (x, o) => outflowLines(x, x['depth'] + x['drop'], o),
  },
  {
    name: 'gravity-fill',
    title: 'Filling by gravity at the supplier',
    equation: 'drain-time',
    inputs: [
      sumInput('volume', 'To fill', 'volume', '0.1 gal', '100 m³'),
      sumInput('fall', 'Supply above the tank’s bottom by', 'length', '1 in', '60 ft', '8 ft'),
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
    written: (x, o) => outflowLines(x, x['fall'], o),
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
    written: (x, o) => {
      const air = airPressure(x['altitude']) / (287.05 * 298.15);
      return x['flow'] > 0
        ? [
            line(
              'Δp',
              'ρ / 2 · (Q / (C · π / 4 · d²))²',
              {
                ρ: { value: air, us: `${(air * 0.062428).toFixed(4)} lb/ft³`, metric: `${air.toFixed(3)} kg/m³` },
                Q: [x['flow'], 'flow'],
                C: [x['coefficient'], 'ratio'],
                d: [x['vent'], 'length'],
              },
              [o['vacuum'], 'pressure'],
              'air of 77 °F (25 °C)',
            ),
          ]
        : [found('Δp', 'nothing leaves', [o['vacuum'], 'pressure'])];
    },
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
    written: (x, o) => {
      const mass = x['volume'] * waterAt(x['start']).densityKgM3;
      return [
        line('P', 'p · Q', { p: [x['pressure'], 'pressure'], Q: [x['flow'], 'flow'] }, [o['power'], 'power']),
        line('m', 'ρ · V', { ρ: [waterAt(x['start']).densityKgM3, 'density'], V: [x['volume'], 'volume'] }, [mass, 'mass']),
        x['limit'] > x['start']
          ? line(
              't',
              'm · c · (T2 − T1) / P',
              {
                m: [mass, 'mass'],
                ...C,
                T2: [x['limit'], 'temperature'],
                T1: [x['start'], 'temperature'],
                P: [o['power'], 'power'],
              },
              [o['time'], 'time'],
            )
          : found('t', 'it is at the limit to begin with', [o['time'], 'time']),
      ];
    },
  },
];
