import { ampacityOf, awgArea, COPPER_OHM_M, copperC, INSULATIONS, warmCopper } from '../electrics/index.js';
import { FUEL_KINDS, FUELS } from '../fuel/index.js';
import { GRAVITY } from '../fluid/air.js';
import { WATER_KG_M3, WATER_SPECIFIC_HEAT, waterAt } from '../fluid/water.js';
import { type FactorOut, frictionFactor, LAMINAR, velocity } from '../hydraulics/friction.js';
import { GALLON, POUND_HP_HOUR } from '../quantity/dimension.js';
import { formatNumber, formatQuantity } from '../quantity/format.js';
import { si } from '../quantity/parse.js';
import { found, type Given, line, type SumLine } from './line.js';

export type Values = Readonly<Record<string, number>>;

/** Water at 68 °F, kg/m³. */
const WATER_HEAT: Given = { value: WATER_SPECIFIC_HEAT, us: '0.9993 BTU/(lb·°F)', metric: '4.184 kJ/(kg·K)' };
/** Walls of hose for fuel and air, m. */
export const SMOOTH = 1.5e-6;

export const G = { g: { value: GRAVITY, us: '32.17 ft/s²', metric: '9.807 m/s²' } } as const;
/** The pressure at which a nozzle's number is its gallons a minute. */
export const P0 = { p0: [si('4000 psi', 'pressure'), 'pressure'] } as const;
/** Specific heat of water. */
export const C = { c: WATER_HEAT } as const;
/** Water that a burner heats. */
export const HOT = { ρ: [WATER_KG_M3, 'density'], ...C } as const;
/** A nozzle's number as what it passes at 4000 psi: gallons a minute for every reader, as the number is defined. */
export const gpm = (size: number): readonly [number, 'flow', string] => [size * si('1 gpm', 'flow'), 'flow', 'gpm'];

const out: FactorOut = new Float64Array(2);
/** Darcy's friction factor. */
export function frictionAt(reynolds: number, relativeRoughness: number): number {
  frictionFactor(reynolds, relativeRoughness, out);
  return out[0];
}

/** That of a hose with bore, flow, temperature and roughness among a sum's inputs. */
export function factorOf(x: Values): Given {
  const re = (velocity(x['flow'], x['bore']) * x['bore']) / waterAt(x['temperature']).kinematicViscosityM2S;
  return [frictionAt(re, x['roughness'] / x['bore']), 'number'];
}

export const viscosity = (nu: number): Given => ({
  value: nu,
  us: `${formatNumber((nu / 0.3048 ** 2) * 1e5, 4)}e−5 ft²/s`,
  metric: `${formatNumber(nu * 1e6, 4)} mm²/s`,
});

/** Velocity, Reynolds number and friction factor of a hose. */
export function hoseLines(x: Values, v: number, reynolds: number): readonly SumLine[] {
  const nu = waterAt(x['temperature']).kinematicViscosityM2S;
  return [
    line('V', 'Q / (π / 4 · d²)', { Q: [x['flow'], 'flow'], d: [x['bore'], 'length'] }, [v, 'velocity']),
    line('Re', 'V · d / ν', { V: [v, 'velocity'], d: [x['bore'], 'length'], ν: viscosity(nu) }, [reynolds, 'number']),
    found('f', reynolds < LAMINAR ? 'laminar: 64 / Re' : 'by Colebrook–White for Re and the roughness', [
      frictionAt(reynolds, x['roughness'] / x['bore']),
      'number',
    ]),
  ];
}

/** Fastest outflow under a head through a hose of bore, length, k, temperature and roughness; the time is a sum over the level. */
export function outflowLines(x: Values, headM: number, o: Values): readonly SumLine[] {
  const nu = waterAt(x['temperature']).kinematicViscosityM2S;
  const v = velocity(o['fastest'], x['bore']);
  const f = frictionAt((v * x['bore']) / nu, x['roughness'] / x['bore']);
  return [
    found('f', 'by Colebrook–White at the flow below', [f, 'number']),
    line(
      'Q',
      'π / 4 · d² · √(2 · g · H / (1 + K + f · L / d))',
      { d: [x['bore'], 'length'], H: [headM, 'length'], K: [x['k'], 'number'], f: [f, 'number'], L: [x['length'], 'length'], ...G },
      [o['fastest'], 'flow'],
      'at the full head',
    ),
    found('t', 'the volume over the flow, summed while the head falls', [o['time'], 'time']),
  ];
}

/** Copper of a gauge. */
export const wireLines = (gauge: number): readonly SumLine[] => [
  line('A', 'π / 4 · (d0 · 92^((36 − n) / 39))²', { d0: [si('0.005 in', 'length'), 'length'], n: [gauge, 'number'] }, [awgArea(gauge), 'area']),
];

/** How warm a cable's copper gets. */
export const copperLine = (x: Values, gauge: number): SumLine => {
  const insulation = INSULATIONS[x['insulation']];
  const carries = ampacityOf(gauge, insulation, x['air'] - 273.15);
  return found('T', carries === undefined ? 'T_air' : 'T_air + (T_ins − T_air) · (I / I_z)²', [
    copperC(gauge, x['current'], insulation, x['air'] - 273.15) + 273.15,
    'temperature',
  ]);
};

/** What a cable's drop hangs on, its copper so warm, °C; inches for those who read feet, so that the resistivity fits. */
export function wire(x: Values, copper: number): Readonly<Record<'L' | 'ρ' | 'I' | 'A', Given>> {
  const warm = (at20: number): number => at20 * warmCopper(copper);
  return {
    L: {
      value: x['length'],
      us: formatQuantity(x['length'], 'length', 'us', { unit: 'in', digits: 4 }),
      metric: formatQuantity(x['length'], 'length', 'metric', { unit: 'm', digits: 4 }),
    },
    ρ: { value: warm(COPPER_OHM_M), us: `${formatNumber(warm(6.788), 4)}e−7 Ω·in`, metric: `${formatNumber(warm(0.017241), 4)} Ω·mm²/m` },
    I: [x['current'], 'current'],
    A: [awgArea(x['gauge']), 'area'],
  };
}

export const consumption = (lbHpHour: number): Given => ({
  value: lbHpHour * POUND_HP_HOUR,
  us: `${formatNumber(lbHpHour, 4)} lb/(hp·h)`,
  metric: `${formatNumber(lbHpHour * POUND_HP_HOUR * 3.6e9, 4)} g/(kW·h)`,
});

/** What an engine burns in a day, of power, share, hours, rate and fuel among a sum's inputs. */
export const burnt = (x: Values): Readonly<Record<'P' | 's' | 't' | 'b' | 'ρ', Given>> => ({
  P: [x['power'], 'power'],
  s: [x['share'], 'ratio'],
  t: [x['hours'], 'time'],
  b: consumption(x['rate']),
  ρ: [FUELS[FUEL_KINDS[x['fuel']]].densityKgM3, 'density'],
});

/** Heat of a volume of fuel. */
export function heatOf(fuel: number): Given {
  const heat = FUELS[FUEL_KINDS[fuel]].heatJM3;
  return { value: heat, us: `${formatNumber((heat * GALLON) / 1055.056, 4)} BTU/gal`, metric: `${formatNumber(heat / 1e9, 4)} MJ/L` };
}
