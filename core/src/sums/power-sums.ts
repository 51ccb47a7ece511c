import {
  awgArea,
  batteryFor,
  chooseCable,
  copperC,
  FUSE_OVER,
  fuseFor,
  type Insulation,
  INSULATIONS,
  peukertSeconds,
  RATED_S,
  voltageDrop,
  wireResistance,
} from '../electrics/index.js';
import { burnerFuel, burnerHeat, FUEL_KINDS as KINDS, fuelHeadLoss, fuelRate, FUELS } from '../fuel/index.js';
import { airPressure } from '../fluid/air.js';
import { LAMINAR, velocity } from '../hydraulics/friction.js';
import { airLineStart } from '../hydraulics/index.js';
import { altitude, bore, flow, length } from './inputs.js';
import { found, line } from './line.js';
import { burnt, consumption, copperLine, frictionAt, G, heatOf, HOT, SMOOTH, type Values, viscosity, wire, wireLines } from './shared-lines.js';
import { choiceInput, type Sum, type SumInput, sumInput } from './sum.js';

const current = sumInput('current', 'Current', 'current', '0.1 A', '1000 A');
const voltage = sumInput('voltage', 'Voltage', 'voltage', '1 V', '1000 V', '12 V');
const oneWay = sumInput('length', 'One way, battery to load', 'length', '1 in', '500 ft');
const gauge = sumInput('gauge', 'Cable, AWG (0 is 1/0, −1 is 2/0)', 'number', '-1', '20');
/** What the copper's warmth hangs on. */
const insulation = choiceInput('insulation', 'Insulation, °C', INSULATIONS);
const air = sumInput('air', 'Air around the cable', 'temperature', '-40 °F', '130 °F', '86 °F');
const cableOf = (x: Values): readonly [Insulation, number] => [INSULATIONS[x['insulation']], x['air'] - 273.15];
const warmth = (x: Values, gauge: number): number => copperC(gauge, x['current'], ...cableOf(x));
/** A starter cranks for seconds: its copper stays as warm as the air. */
const cold = (x: Values): number => x['air'] - 273.15;
const fuelKind = choiceInput('fuel', 'Fuel', ['petrol', 'diesel']);
const capacity = sumInput('capacity', 'Battery, 20 h', 'charge', '1 Ah', '4000 Ah');
const exponent = sumInput('exponent', 'Peukert’s exponent', 'number', '1', '1.6', '1.2');
const rise: SumInput = { ...sumInput('rise', 'Rise above the tap', 'temperatureStep', '1 K', '120 K'), bare: 'K' };
/** A generator's own efficiency, between its shaft and its sockets; estimate. */
const GENERATOR = 0.8;

/** Sums of what drives the pumps: cables and fuses, fuel, burner, generator, reels, starter. */
export const POWER_SUMS: readonly Sum[] = [
  {
    name: 'voltage-drop',
    title: 'Voltage lost in a cable',
    equation: 'voltage-drop',
    inputs: [current, oneWay, gauge, voltage, insulation, air],
    outputs: [
      { name: 'drop', label: 'Lost there and back', dimension: 'voltage' },
      { name: 'share', label: 'Of the voltage', dimension: 'ratio' },
      { name: 'left', label: 'Left at the load', dimension: 'voltage' },
    ],
    run: (x) => {
      const drop = voltageDrop(x['gauge'], x['length'], x['current'], ...cableOf(x));
      return { drop, share: drop / x['voltage'], left: x['voltage'] - drop };
    },
    written: (x, o) => [
      ...wireLines(x['gauge']),
      copperLine(x, x['gauge']),
      line('ΔU', '2 · L · ρ · I / A', wire(x, warmth(x, x['gauge'])), [o['drop'], 'voltage']),
      line('s', 'ΔU / U', { ΔU: [o['drop'], 'voltage'], U: [x['voltage'], 'voltage'] }, [o['share'], 'ratio']),
      line('U2', 'U − ΔU', { U: [x['voltage'], 'voltage'], ΔU: [o['drop'], 'voltage'] }, [o['left'], 'voltage']),
    ],
  },
  {
    name: 'cable',
    title: 'Cable and fuse for a load',
    equation: 'cable',
    inputs: [current, oneWay, voltage, sumInput('most', 'Most that may be lost', 'ratio', '0.5 %', '20 %', '3 %'), insulation, air],
    outputs: [
      { name: 'gauge', label: 'AWG (0 is 1/0, −1 is 2/0)', dimension: 'number' },
      { name: 'area', label: 'Copper', dimension: 'area' },
      { name: 'fuse', label: 'Fuse at the battery', dimension: 'current' },
      { name: 'drop', label: 'Lost there and back', dimension: 'voltage' },
    ],
    run: (x) => {
      const c = chooseCable(x['current'], x['length'], x['voltage'], x['most'], fuseFor(x['current']), ...cableOf(x));
      return c ? { gauge: c.gauge, area: awgArea(c.gauge), fuse: c.fuseA, drop: c.dropV } : { gauge: NaN, area: NaN, fuse: NaN, drop: NaN };
    },
    written: (x, o) => [
      line('I1', '1.25 · I', { I: [x['current'], 'current'] }, [FUSE_OVER * x['current'], 'current']),
      found('fuse', 'the next that is sold', [o['fuse'], 'current']),
      line('ΔU', 's · U', { s: [x['most'], 'ratio'], U: [x['voltage'], 'voltage'] }, [x['most'] * x['voltage'], 'voltage'], 'at most'),
      found('n', 'the thinnest that carries its fuse and loses no more', [o['gauge'], 'number']),
      ...wireLines(o['gauge']),
      copperLine(x, o['gauge']),
      line('ΔU', '2 · L · ρ · I / A', wire({ ...x, gauge: o['gauge'] }, warmth(x, o['gauge'])), [o['drop'], 'voltage']),
    ],
  },
  {
    name: 'cable-reach',
    title: 'How far a cable reaches',
    equation: 'voltage-drop',
    inputs: [current, gauge, voltage, sumInput('most', 'Most that may be lost', 'ratio', '0.5 %', '20 %', '3 %'), insulation, air],
    outputs: [{ name: 'length', label: 'One way', dimension: 'length' }],
    run: (x) => ({ length: (x['most'] * x['voltage']) / (2 * wireResistance(x['gauge'], warmth(x, x['gauge'])) * x['current']) }),
    written: (x, o) => [
      ...wireLines(x['gauge']),
      copperLine(x, x['gauge']),
      line('L', 's · U · A / (2 · ρ · I)', { s: [x['most'], 'ratio'], U: [x['voltage'], 'voltage'], ...wire({ ...x, length: 0 }, warmth(x, x['gauge'])) }, [
        o['length'],
        'length',
      ]),
    ],
  },
  {
    name: 'fuse',
    title: 'Fuse for a load',
    equation: 'fuse',
    inputs: [sumInput('current', 'Current', 'current', '0.1 A', '240 A')],
    outputs: [{ name: 'fuse', label: 'Fuse', dimension: 'current' }],
    run: (x) => ({ fuse: fuseFor(x['current']) ?? NaN }),
    written: (x, o) => [
      line('I1', '1.25 · I', { I: [x['current'], 'current'] }, [FUSE_OVER * x['current'], 'current']),
      found('fuse', 'the next that is sold', [o['fuse'], 'current']),
    ],
  },
  {
    name: 'gravity-fuel',
    title: 'Fuel by gravity to an engine',
    equation: 'gravity-fuel',
    inputs: [
      sumInput('flow', 'The engine burns at most', 'flow', '0.1 L/h', '500 L/h'),
      length,
      bore,
      sumInput('lift', 'Tank bottom above the ‹carburetor›', 'length', '-10 ft', '20 ft'),
      fuelKind,
    ],
    outputs: [
      { name: 'loss', label: 'The hose takes', dimension: 'length' },
      { name: 'spare', label: 'To spare', dimension: 'length' },
    ],
    run: (x) => {
      const kind = KINDS[x['fuel']];
      const loss = fuelHeadLoss({ boreM: x['bore'], lengthM: x['length'], roughnessM: SMOOTH }, x['flow'], kind);
      return { loss, spare: x['lift'] - loss };
    },
    written: (x, o) => {
      const v = velocity(x['flow'], x['bore']);
      const nu = FUELS[KINDS[x['fuel']]].viscosityM2S;
      const re = (v * x['bore']) / nu;
      return [
        line('V', 'Q / (π / 4 · d²)', { Q: [x['flow'], 'flow'], d: [x['bore'], 'length'] }, [v, 'velocity']),
        line('Re', 'V · d / ν', { V: [v, 'velocity'], d: [x['bore'], 'length'], ν: viscosity(nu) }, [re, 'number']),
        found('f', re < LAMINAR ? 'laminar: 64 / Re' : 'by Colebrook–White', [frictionAt(re, SMOOTH / x['bore']), 'number']),
        line(
          'h',
          'f · L / d · V² / (2 · g)',
          { f: [frictionAt(re, SMOOTH / x['bore']), 'number'], L: [x['length'], 'length'], d: [x['bore'], 'length'], V: [v, 'velocity'], ...G },
          [o['loss'], 'length'],
        ),
        line('h2', 'z − h', { z: [x['lift'], 'length'], h: [o['loss'], 'length'] }, [o['spare'], 'length']),
      ];
    },
  },
  {
    name: 'fuel-day',
    title: 'Days that a fuel tank lasts',
    equation: 'fuel-day',
    inputs: [
      sumInput('power', 'Engine power at work', 'power', '0.1 hp', '200 hp'),
      sumInput('hours', 'Running in a day', 'time', '1 min', '24 h'),
      sumInput('share', 'Average load (share of full power)', 'ratio', '1 %', '100 %', '60 %'),
      sumInput('volume', 'Tank', 'volume', '0.1 gal', '500 gal'),
      sumInput('rate', 'Fuel use, lb per hp·h', 'number', '0.3', '1.2', '0.60'),
      fuelKind,
    ],
    outputs: [
      { name: 'day', label: 'In a day', dimension: 'volume' },
      { name: 'days', label: 'Days', dimension: 'number' },
    ],
    run: (x) => {
      const day = (fuelRate(x['power'] * x['share'], x['rate']) * x['hours']) / FUELS[KINDS[x['fuel']]].densityKgM3;
      return { day, days: x['volume'] / day };
    },
    written: (x, o) => [
      line('V', 'P · s · t · b / ρ', burnt(x), [o['day'], 'volume']),
      line('n', 'T / V', { T: [x['volume'], 'volume'], V: [o['day'], 'volume'] }, [o['days'], 'number']),
    ],
  },
  {
    name: 'generator',
    title: 'Generator for an electric washer',
    equation: 'generator',
    inputs: [
      sumInput('power', 'Motor', 'power', '0.1 kW', '50 kW'),
      sumInput('efficiency', 'Motor efficiency', 'ratio', '30 %', '99 %', '80 %'),
      sumInput('start', 'Start over running', 'number', '1', '8', '3'),
      sumInput('hours', 'Running in a day', 'time', '1 min', '24 h', '4 h'),
    ],
    outputs: [
      { name: 'running', label: 'Running', dimension: 'power' },
      { name: 'starting', label: 'Starting', dimension: 'power' },
      { name: 'fuel', label: '‹Gas› in a day', dimension: 'volume' },
    ],
    run: (x) => {
      const running = x['power'] / x['efficiency'];
      return { running, starting: running * x['start'], fuel: (fuelRate(running / GENERATOR, 0.6) * x['hours']) / FUELS.petrol.densityKgM3 };
    },
    written: (x, o) => [
      line('P1', 'P / η', { P: [x['power'], 'power'], η: [x['efficiency'], 'ratio'] }, [o['running'], 'power']),
      line('P2', 's · P1', { s: [x['start'], 'number'], P1: [o['running'], 'power'] }, [o['starting'], 'power']),
      line(
        'V',
        'P1 / g · t · b / ρ',
        {
          P1: [o['running'], 'power'],
          g: [GENERATOR, 'ratio'],
          t: [x['hours'], 'time'],
          b: consumption(0.6),
          ρ: [FUELS.petrol.densityKgM3, 'density'],
        },
        [o['fuel'], 'volume'],
      ),
    ],
  },
  {
    name: 'burner',
    title: 'Burner for hot water',
    equation: 'burner',
    inputs: [flow, rise, sumInput('efficiency', 'Burner efficiency', 'ratio', '30 %', '99 %', '85 %'), { ...fuelKind, fallback: 'diesel' }],
    outputs: [
      { name: 'heat', label: 'Heat into the water', dimension: 'power' },
      { name: 'fuel', label: 'Fuel', dimension: 'flow' },
    ],
    run: (x) => {
      const heat = burnerHeat(x['flow'], x['rise']);
      return { heat, fuel: burnerFuel(heat, x['efficiency'], KINDS[x['fuel']]) };
    },
    written: (x, o) => [
      line('P', 'ρ · Q · c · ΔT', { ...HOT, Q: [x['flow'], 'flow'], ΔT: [x['rise'], 'temperatureStep'] }, [o['heat'], 'power']),
      line('q', 'P / (η · H)', { P: [o['heat'], 'power'], η: [x['efficiency'], 'ratio'], H: heatOf(x['fuel']) }, [o['fuel'], 'flow']),
    ],
  },
  {
    name: 'reel-motor',
    title: 'Motor of an electric reel',
    equation: 'reel-motor',
    inputs: [
      sumInput('pull', 'Pull of the hose', 'force', '1 lbf', '500 lbf'),
      sumInput('speed', 'Hose wound', 'velocity', '0.1 ft/s', '10 ft/s', '2 ft/s'),
      sumInput('length', 'Hose', 'length', '1 ft', '1000 ft', '200 ft'),
      sumInput('efficiency', 'Motor and gear', 'ratio', '10 %', '95 %', '50 %'),
      voltage,
    ],
    outputs: [
      { name: 'power', label: 'Power', dimension: 'power' },
      { name: 'current', label: 'Current', dimension: 'current' },
      { name: 'charge', label: 'Charge for one winding', dimension: 'charge' },
    ],
    run: (x) => {
      const power = (x['pull'] * x['speed']) / x['efficiency'];
      return { power, current: power / x['voltage'], charge: ((power / x['voltage']) * x['length']) / x['speed'] };
    },
    written: (x, o) => [
      line('P', 'F · v / η', { F: [x['pull'], 'force'], v: [x['speed'], 'velocity'], η: [x['efficiency'], 'ratio'] }, [o['power'], 'power']),
      line('I', 'P / U', { P: [o['power'], 'power'], U: [x['voltage'], 'voltage'] }, [o['current'], 'current']),
      line('q', 'I · L / v', { I: [o['current'], 'current'], L: [x['length'], 'length'], v: [x['speed'], 'velocity'] }, [o['charge'], 'charge']),
    ],
  },
  {
    name: 'starter',
    title: 'Voltage at a starter',
    equation: 'starter',
    inputs: [
      sumInput('current', 'Starter draws', 'current', '20 A', '1000 A', '150 A'),
      oneWay,
      gauge,
      sumInput('voltage', 'Battery while it cranks', 'voltage', '4 V', '30 V', '11 V'),
      air,
    ],
    outputs: [
      { name: 'left', label: 'At the starter', dimension: 'voltage' },
      { name: 'drop', label: 'Lost there and back', dimension: 'voltage' },
    ],
    run: (x) => {
      const drop = 2 * x['length'] * wireResistance(x['gauge'], cold(x)) * x['current'];
      return { drop, left: x['voltage'] - drop };
    },
    written: (x, o) => [
      ...wireLines(x['gauge']),
      line('ΔU', '2 · L · ρ · I / A', wire(x, cold(x)), [o['drop'], 'voltage']),
      line('U2', 'U − ΔU', { U: [x['voltage'], 'voltage'], ΔU: [o['drop'], 'voltage'] }, [o['left'], 'voltage']),
    ],
  },
  {
    name: 'starter-reach',
    title: 'How far a cable reaches to a starter',
    equation: 'starter',
    inputs: [
      sumInput('current', 'Starter draws', 'current', '20 A', '1000 A', '150 A'),
      gauge,
      sumInput('voltage', 'Battery while it cranks', 'voltage', '4 V', '30 V', '11 V'),
      sumInput('least', 'Least at the starter', 'voltage', '3 V', '29 V', '9.6 V'),
      air,
    ],
    outputs: [{ name: 'length', label: 'One way', dimension: 'length' }],
    run: (x) => ({ length: x['voltage'] > x['least'] ? (x['voltage'] - x['least']) / (2 * wireResistance(x['gauge'], cold(x)) * x['current']) : NaN }),
    written: (x, o) => [
      ...wireLines(x['gauge']),
      line('L', '(U − U2) · A / (2 · ρ · I)', { U: [x['voltage'], 'voltage'], U2: [x['least'], 'voltage'], ...wire({ ...x, length: 0 }, cold(x)) }, [
        o['length'],
        'length',
      ]),
    ],
  },
  {
    name: 'fuse-load',
    title: 'What a fuse holds for hours',
    equation: 'fuse',
    inputs: [sumInput('fuse', 'Fuse', 'current', '0.5 A', '500 A')],
    outputs: [{ name: 'current', label: 'Current at most', dimension: 'current' }],
    run: (x) => ({ current: x['fuse'] / FUSE_OVER }),
    written: (x, o) => [line('I', 'F / 1.25', { F: [x['fuse'], 'current'] }, [o['current'], 'current'])],
  },
  {
    name: 'battery-hours',
    title: 'Hours that a battery lasts',
    equation: 'peukert',
    inputs: [capacity, current, exponent],
    outputs: [
      { name: 'time', label: 'Until it is flat', dimension: 'time' },
      { name: 'charge', label: 'Given until then', dimension: 'charge' },
    ],
    run: (x) => {
      const time = peukertSeconds(x['capacity'], x['current'], x['exponent']);
      return { time, charge: time * x['current'] };
    },
    written: (x, o) => [
      line('t', 'H · (C / (I · H))^k', { H: [RATED_S, 'time'], C: [x['capacity'], 'charge'], I: [x['current'], 'current'], k: [x['exponent'], 'number'] }, [
        o['time'],
        'time',
      ]),
      line('q', 'I · t', { I: [x['current'], 'current'], t: [o['time'], 'time'] }, [o['charge'], 'charge']),
    ],
  },
  {
    name: 'battery-size',
    title: 'Battery for a load',
    equation: 'peukert',
    inputs: [
      current,
      sumInput('time', 'Running in a day', 'time', '1 min', '24 h'),
      sumInput('usable', 'Share that may be taken', 'ratio', '5 %', '100 %', '60 %'),
      exponent,
    ],
    outputs: [{ name: 'capacity', label: 'Holds, 20 h', dimension: 'charge' }],
    run: (x) => ({ capacity: batteryFor(x['current'], x['time'], x['usable'], x['exponent']) }),
    written: (x, o) => [
      line(
        'C',
        x['time'] / x['usable'] >= RATED_S ? 'I · t / s' : 'I · (H^(k − 1) · t / s)^(1 / k)',
        { I: [x['current'], 'current'], H: [RATED_S, 'time'], t: [x['time'], 'time'], k: [x['exponent'], 'number'], s: [x['usable'], 'ratio'] },
        [o['capacity'], 'charge'],
      ),
    ],
  },
  {
    name: 'fuel-tank',
    title: 'Fuel tank for so many days',
    equation: 'fuel-day',
    inputs: [
      sumInput('power', 'Engine power at work', 'power', '0.1 hp', '200 hp'),
      sumInput('hours', 'Running in a day', 'time', '1 min', '24 h'),
      sumInput('days', 'Days', 'number', '0.5', '30', '2'),
      sumInput('share', 'Average load (share of full power)', 'ratio', '1 %', '100 %', '60 %'),
      sumInput('rate', 'Fuel use, lb per hp·h', 'number', '0.3', '1.2', '0.60'),
      fuelKind,
    ],
    outputs: [{ name: 'volume', label: 'Holds', dimension: 'volume' }],
    run: (x) => ({ volume: (x['days'] * fuelRate(x['power'] * x['share'], x['rate']) * x['hours']) / FUELS[KINDS[x['fuel']]].densityKgM3 }),
    written: (x, o) => [line('V', 'n · P · s · t · b / ρ', { n: [x['days'], 'number'], ...burnt(x) }, [o['volume'], 'volume'])],
  },
  {
    name: 'burner-rise',
    title: 'How hot a burner gets it',
    equation: 'burner',
    inputs: [
      flow,
      sumInput('heat', 'Heat into the water', 'power', '1 kW', '500 kW'),
      sumInput('efficiency', 'Burner efficiency', 'ratio', '30 %', '99 %', '85 %'),
      { ...fuelKind, fallback: 'diesel' },
    ],
    outputs: [
      { name: 'rise', label: 'Rise above the tap', dimension: 'temperatureStep' },
      { name: 'fuel', label: 'Fuel', dimension: 'flow' },
    ],
    run: (x) => ({ rise: x['heat'] / burnerHeat(x['flow'], 1), fuel: burnerFuel(x['heat'], x['efficiency'], KINDS[x['fuel']]) }),
    written: (x, o) => [
      line('ΔT', 'P / (ρ · Q · c)', { P: [x['heat'], 'power'], Q: [x['flow'], 'flow'], ...HOT }, [o['rise'], 'temperatureStep']),
      line('q', 'P / (η · H)', { P: [x['heat'], 'power'], η: [x['efficiency'], 'ratio'], H: heatOf(x['fuel']) }, [o['fuel'], 'flow']),
    ],
  },
  {
    name: 'air-line',
    title: 'Pressure lost in an air line',
    equation: 'air-line',
    inputs: [
      sumInput('air', 'Free air', 'airFlow', '0.1 cfm', '400 cfm'),
      bore,
      length,
      sumInput('pressure', 'At its end', 'pressure', '5 psi', '300 psi', '90 psi'),
      altitude,
    ],
    outputs: [
      { name: 'loss', label: 'Lost', dimension: 'pressure' },
      { name: 'start', label: 'Wanted at its start', dimension: 'pressure' },
    ],
    run: (x) => {
      const air = airPressure(x['altitude']);
      const start = airLineStart({ boreM: x['bore'], lengthM: x['length'], roughnessM: SMOOTH }, x['air'], x['pressure'] + air, air) - air;
      return Number.isFinite(start) ? { loss: start - x['pressure'], start } : { loss: NaN, start: NaN };
    },
    written: (x, o) => {
      const air = airPressure(x['altitude']);
      return [
        line('p2', 'p + p0', { p: [x['pressure'], 'pressure'], p0: [air, 'pressure'] }, [x['pressure'] + air, 'pressure'], 'absolute at its end'),
        found('p1', 'absolute at its start: the equation solved for it', [o['start'] + air, 'pressure']),
        line('Δp', 'p1 − p2', { p1: [o['start'] + air, 'pressure'], p2: [x['pressure'] + air, 'pressure'] }, [o['loss'], 'pressure']),
        line('p3', 'p1 − p0', { p1: [o['start'] + air, 'pressure'], p0: [air, 'pressure'] }, [o['start'], 'pressure'], 'on its gauge'),
      ];
    },
  },
];
