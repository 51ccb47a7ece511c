import { glycolShare } from '../chemistry/antifreeze.js';
import { compressorPower } from '../chemistry/diaphragm-pump.js';
import { blendStrength, drawnStrength } from '../chemistry/dilution.js';
import { chlorineShare, halfLife, handbookHalfLife, hypochloriteGravity, tradeShare } from '../chemistry/hypochlorite.js';
import { resinLife } from '../chemistry/pure-water.js';
import { ampacityOf, awgDiameter, peukertSeconds, wireResistance } from '../electrics/index.js';
import { boltStrength, forwardForce, slosh, twoSupports } from '../structure/index.js';
import { airPressure, GRAVITY } from '../fluid/air.js';
import { vapourPressure, waterAt, waterDensity, waterViscosity } from '../fluid/water.js';
import { coilFactor, colebrook, fullyTurbulentFactor, runHeadLoss, velocity } from '../hydraulics/friction.js';
import { nozzleFlow, nozzlePressure } from '../hydraulics/nozzle.js';
import { drainSeconds, jetHeight, jetQuadratic, reelCapacity } from '../hydraulics/outflow.js';
import { pulseHead } from '../hydraulics/pulses.js';
import { si } from '../quantity/parse.js';
import { volumeAt } from '../rig/tank-shape.js';
import { submergence } from '../solve/heel.js';
import { bypassTime, bubbleDepth } from '../subject/bypass/bypass.js';
import { doSum, findSum } from '../sums/index.js';
import { type Check, type Row, rows } from './check.js';
import { deckAndPowerChecks } from './deck-and-power.js';

const GPM = si('1 gpm', 'flow');
const PSI = si('1 psi', 'pressure');
const INCH = 0.0254;
const FOOT = 0.3048;
const HP = si('1 hp', 'power');
const K = (c: number): number => c + 273.15;
const nu20 = waterAt(K(20)).kinematicViscosityM2S;
const nu60F = waterAt(si('60 °F', 'temperature')).kinematicViscosityM2S;
const table = <T extends readonly number[]>(list: readonly T[], row: (x: T) => Row): Row[] => list.map(row);
/** One answer of a quick sum, SI. */
function sum(name: string, typed: Record<string, string>, answer: string): number {
  const done = doSum(findSum(name)!, typed);
  if (!done.ok) throw new Error(`${name}: ${done.problems[0].message}`);
  return done.value.result[answer].si;
}

/** Head lost in 100 ft of pipe at 60 °F, ft. */
const per100 = (boreIn: number, gpm: number, roughnessM: number, nu = nu60F): number =>
  runHeadLoss({ boreM: boreIn * INCH, lengthM: 100 * FOOT, roughnessM }, gpm * GPM, nu) / FOOT;
const STEEL = 0.00015 * FOOT;

/** Hazen–Williams head, m, C = 150. */
const hazen = (lengthM: number, q: number, d: number): number => (10.67 * lengthM * q ** 1.852) / (150 ** 1.852 * d ** 4.8704);

/** Every figure of the core that is held against one from outside. */
export function outsideChecks(): Check[] {
  return [
    ...rows('NIST SP 811 (exact conversions)', 'SI', 1e-6, [
      ['1 in', 0.0254, si('1 in', 'length')],
      ['1 ft', 0.3048, si('1 ft', 'length')],
      ['1 yd', 0.9144, si('1 yd', 'length')],
      ['1 ft²', 0.09290304, si('1 ft²', 'area')],
      ['1 US gal', 3.785411784e-3, si('1 gal', 'volume')],
      ['1 fl oz', 2.95735295625e-5, si('1 fl oz', 'volume')],
      ['1 gpm', 6.30901964e-5, GPM],
      ['1 cfm', 4.719474432e-4, si('1 cfm', 'airFlow')],
      ['1 psi', 6894.757293, PSI],
      ['1 bar', 1e5, si('1 bar', 'pressure')],
      ['1 hp', 745.6998716, HP],
      ['1 BTU/h', 0.29307107, si('1 BTU/h', 'power')],
      ['1 lb', 0.45359237, si('1 lb', 'mass')],
      ['1 lbf', 4.4482216153, si('1 lbf', 'force')],
      ['32 °F in K', 273.15, si('32 °F', 'temperature')],
      ['68 °F in K', 293.15, si('68 °F', 'temperature')],
      ['212 °F in K', 373.15, si('212 °F', 'temperature')],
      ['1 Ah in coulombs', 3600, si('1 Ah', 'charge')],
      ['1450 rpm in turns a second', 1450 / 60, si('1450 rpm', 'rotation')],
    ]),
    ...rows(
      'Tanaka et al. 2001, Metrologia 38, 301: density of water',
      'kg/m³',
      5e-6,
      table(
        [
          [4, 999.975],
          [10, 999.703],
          [15, 999.103],
          [20, 998.207],
          [25, 997.047],
          [30, 995.649],
          [35, 994.033],
          [40, 992.215],
        ],
        ([c, rho]) => [`${c} °C`, rho, waterDensity(K(c))],
      ),
    ),
    ...rows(
      'IAPWS SR6-08 / Pátek et al. 2009: viscosity of water',
      'mPa·s',
      2e-3,
      table(
        [
          [5, 1.5182],
          [10, 1.3059],
          [15, 1.1375],
          [20, 1.0016],
          [25, 0.89],
          [30, 0.7972],
          [40, 0.6527],
          [50, 0.5465],
        ],
        ([c, mu]) => [`${c} °C`, mu, waterViscosity(K(c)) * 1000],
      ),
    ),
    ...rows(
      'IAPWS-IF97, table 35: saturation pressure',
      'MPa',
      1e-7,
      table(
        [
          [300, 0.00353658941],
          [500, 2.63889776],
          [600, 12.3443146],
        ],
        ([t, p]) => [`${t} K`, p, vapourPressure(t) / 1e6],
      ),
      false,
    ),
    ...rows(
      'Steam tables: saturation pressure',
      'kPa',
      1e-3,
      table(
        [
          [10, 1.2282],
          [20, 2.3393],
          [25, 3.1699],
          [30, 4.247],
          [40, 7.3849],
          [50, 12.352],
          [60, 19.946],
          [80, 47.414],
          [100, 101.42],
        ],
        ([c, p]) => [`${c} °C`, p, vapourPressure(K(c)) / 1000],
      ),
    ),
    ...rows(
      'ICAO standard atmosphere (Doc 7488): pressure',
      'Pa',
      1e-3,
      table(
        [
          [0, 101325],
          [500, 95461],
          [1000, 89875],
          [1500, 84556],
          [2000, 79495],
          [2500, 74683],
          [3000, 70109],
          [4000, 61640],
          [5000, 54020],
        ],
        ([m, p]) => [`${m} m`, p, airPressure(m)],
      ),
    ),
    ...rows('Cameron Hydraulic Data: Schedule 40 steel, 60 °F', 'ft in 100 ft', 0.02, [
      ['1 in, 10 gpm', 6.86, per100(1.049, 10, STEEL)],
      ['2 in, 50 gpm', 4.67, per100(2.067, 50, STEEL)],
    ]),
    ...rows('Crane TP-410: velocity in Schedule 40 steel', 'ft/s', 5e-3, [
      ['3/4 in, 5 gpm', 3.01, velocity(5 * GPM, 0.824 * INCH) / FOOT],
      ['1 in, 10 gpm', 3.71, velocity(10 * GPM, 1.049 * INCH) / FOOT],
      ['1 1/4 in, 20 gpm', 4.29, velocity(20 * GPM, 1.38 * INCH) / FOOT],
      ['1 1/2 in, 30 gpm', 4.73, velocity(30 * GPM, 1.61 * INCH) / FOOT],
      ['2 in, 50 gpm', 4.78, velocity(50 * GPM, 2.067 * INCH) / FOOT],
    ]),
    // The table has two digits, and was made with roughness of its own day.
    ...rows('Crane TP-410: friction factor f_T of clean commercial steel, to two digits', '1', 0.06, [
      ['1/2 in', 0.027, fullyTurbulentFactor(0.622 * INCH)],
      ['3/4 in', 0.025, fullyTurbulentFactor(0.824 * INCH)],
      ['1 in', 0.023, fullyTurbulentFactor(1.049 * INCH)],
      ['1 1/4 in', 0.022, fullyTurbulentFactor(1.38 * INCH)],
      ['1 1/2 in', 0.021, fullyTurbulentFactor(1.61 * INCH)],
      ['2 in', 0.019, fullyTurbulentFactor(2.067 * INCH)],
    ]),
    ...rows(
      'Swamee & Jain 1976: explicit friction factor, within some 3 % of Colebrook–White',
      '1',
      0.035,
      [5e3, 2e4, 1e5, 1e6].flatMap((re) =>
        [1e-6, 1e-5, 1e-4, 1e-3, 1e-2].map((e): Row => [`Re ${re}, ε/D ${e}`, 0.25 / Math.log10(e / 3.7 + 5.74 / re ** 0.9) ** 2, colebrook(re, e)]),
      ),
      false,
    ),
    ...rows(
      'Haaland 1983: explicit friction factor, within 2 % of Colebrook–White',
      '1',
      0.02,
      [1e4, 5e4, 5e5].flatMap((re) =>
        [1e-5, 1e-4, 1e-3, 1e-2].map((e): Row => [`Re ${re}, ε/D ${e}`, (-1.8 * Math.log10((e / 3.7) ** 1.11 + 6.9 / re)) ** -2, colebrook(re, e)]),
      ),
      false,
    ),
    ...rows(
      'Hagen–Poiseuille: laminar flow, closed form',
      'm',
      1e-9,
      [0.01, 0.02, 0.04].map((gpm): Row => {
        const [d, q] = [0.0127, gpm * GPM];
        return [
          `1/2 in, ${gpm} gpm, 10 m`,
          (128 * nu20 * 10 * q) / (Math.PI * GRAVITY * d ** 4),
          runHeadLoss({ boreM: d, lengthM: 10, roughnessM: 1e-6 }, q, nu20),
        ];
      }),
      false,
    ),
    ...rows(
      'Hazen–Williams, C = 150: smooth hose, within 4 % at these sizes',
      'm',
      0.04,
      (
        [
          ['3/8 in', 4],
          ['3/8 in', 6],
          ['3/8 in', 8],
          ['1/2 in', 6],
          ['1/2 in', 8],
          ['1/2 in', 10],
          ['5/8 in', 8],
          ['3/4 in', 10],
          ['3/4 in', 14],
          ['1 in', 20],
        ] as const
      ).map(([d, gpm]): Row => {
        const bore = si(d, 'length');
        return [
          `${d}, ${gpm} gpm, 100 ft`,
          hazen(100 * FOOT, gpm * GPM, bore),
          runHeadLoss({ boreM: bore, lengthM: 100 * FOOT, roughnessM: 1.5e-6 }, gpm * GPM, nu20),
        ];
      }),
      false,
    ),
    ...rows('Mishra & Gupta 1979: hose on its reel', '1', 0.05, [
      ['3/8 in at 8 gpm on a 0.40 m coil', 1.24, coilFactor((velocity(8 * GPM, 0.009525) * 0.009525) / nu20, 0.009525, 0.4)],
    ]),
    ...rows(
      'Printed nozzle charts: a number is its gpm at 4000 psi',
      'gpm',
      0.02,
      table(
        [
          [2, 1000, 1],
          [3, 2000, 2.1],
          [3, 3000, 2.6],
          [4, 1000, 2],
          [4, 2000, 2.8],
          [4, 3000, 3.5],
          [4, 4000, 4],
          [5, 3000, 4.3],
          [5.5, 3000, 4.8],
          [6, 2500, 4.7],
          [8, 3000, 6.9],
          [9, 3000, 7.8],
          [10, 1000, 5],
        ],
        ([n, psi, gpm]) => [`number ${n} at ${psi} psi`, gpm, nozzleFlow(n, psi * PSI) / GPM],
      ),
    ),
    ...rows('Common practice: 8 gpm at 3500 psi needs number 8.55', 'psi', 2e-3, [['number 8.55 at 8 gpm', 3500, nozzlePressure(8.55, 8 * GPM) / PSI]]),
    ...rows(
      'Hydraulic power, gpm·psi/1714',
      'hp',
      1e-3,
      table(
        [
          [2, 2000],
          [4, 3500],
          [5.5, 3000],
          [8, 3500],
          [10, 3000],
        ],
        ([gpm, psi]) => [`${gpm} gpm at ${psi} psi`, (gpm * psi) / 1714, sum('engine-power', { flow: `${gpm} gpm`, pressure: `${psi} psi` }, 'hydraulic') / HP],
      ),
      false,
    ),
    ...rows('Hydrostatics of handbooks', '', 2e-3, [
      ['psi a foot of water at 60 °F', 0.4331, (waterDensity(si('60 °F', 'temperature')) * GRAVITY * FOOT) / PSI],
      ['feet a psi', 2.309, PSI / (waterDensity(si('60 °F', 'temperature')) * GRAVITY * FOOT)],
      ['lb a gallon at 68 °F', 8.33, (waterDensity(K(20)) * si('1 gal', 'volume')) / 0.45359237],
    ]),
    ...rows('GPSA / Hydraulic Institute: acceleration head, worked example', 'ft', 0.01, [
      [
        '8 gpm, 1 in, 8 ft, 1450 rpm, triplex, K 1.5',
        52,
        pulseHead([{ lengthM: 8 * FOOT, boreM: INCH, flowM3s: 8 * GPM, waveMs: 1300 }], 'triplex', 1450 / 60, 1.5).rigidM / FOOT,
      ],
    ]),
    ...rows(
      'Joukowsky in Wylie & Streeter: c·ΔV/g of a long line',
      'm',
      1e-6,
      [120, 250, 560, 1300].map((c): Row => [
        `c ${c} m/s, 8 gpm in 1 in`,
        (c * 0.115 * velocity(8 * GPM, INCH)) / GRAVITY,
        pulseHead([{ lengthM: 30, boreM: INCH, flowM3s: 8 * GPM, waveMs: c }], 'triplex', 1450 / 60, 1.5).capM,
      ]),
      false,
    ),
    ...rows('ANSI/HI 9.8: submergence', 'in', 0.01, [['2 in outlet, 16 gpm', 5.2, submergence(2 * INCH, 16 * GPM) / INCH]]),
    ...rows('McKeogh & Ervine 1981: plunging jet', 'm', 0.02, [['3/4 in, 8 gpm, 1 m of fall', 0.34, bubbleDepth(8 * GPM, 0.75 * INCH, 1)]]),
    ...rows('Lüger (fire hydraulics): straight jet', 'm', 0.01, [['6.9 bar, 3.0 mm', 10.3, jetHeight(6.9e5 / (998.2 * GRAVITY), 3e-3)]]),
    ...rows(
      'Fire-service handbooks: nozzle reaction 1.57·d²·p, lbf',
      'lbf',
      0.01,
      table(
        [
          [0.5, 50],
          [0.75, 50],
          [1, 50],
          [1, 80],
          [1.25, 80],
        ],
        ([d, psi]) => {
          // A smooth bore lets through all that its jet's ideal speed brings.
          const flow = ((Math.PI / 4) * (d * INCH) ** 2 * Math.sqrt((2 * psi * PSI) / 998.2)) / GPM;
          return [
            `${d} in at ${psi} psi`,
            1.57 * d * d * psi,
            sum('recoil', { flow: `${flow} gpm`, pressure: `${psi} psi`, speed: '100 %' }, 'force') / 4.4482216,
          ];
        },
      ),
    ),
    ...rows(
      'Horizontal cylinder: share of the volume by depth, printed tank tables',
      '1',
      2e-3,
      table(
        [
          [0.1, 0.052],
          [0.2, 0.1424],
          [0.25, 0.1955],
          [0.3, 0.2523],
          [0.4, 0.3735],
          [0.5, 0.5],
          [0.6, 0.6265],
          [0.75, 0.8045],
          [0.8, 0.8576],
          [0.9, 0.948],
        ],
        ([depth, share]) => [
          `depth ${depth} of the diameter`,
          share,
          volumeAt({ kind: 'lying-cylinder', diameter: 1, length: 2 }, depth) / volumeAt({ kind: 'lying-cylinder', diameter: 1, length: 2 }, 1),
        ],
      ),
    ),
    ...rows(
      'Torricelli: time to drain straight walls, closed form',
      's',
      2e-3,
      table(
        [
          [0.5, 0.6, 0.0254],
          [1, 1, 0.0381],
          [1.2, 0.8, 0.0508],
        ],
        ([area, depth, bore]) => [
          `${area} m², ${depth} m, ${(bore / INCH).toFixed(1)} in`,
          (2 * area * Math.sqrt(depth)) / ((Math.PI / 4) * bore ** 2 * Math.sqrt(2 * GRAVITY)),
          drainSeconds(area, depth, 0, jetQuadratic(bore), [], nu20),
        ],
      ),
      false,
    ),
    ...rows(
      'Drum formula L = π·A·(A + B)·C/d²',
      'm',
      1e-9,
      [
        [
          '20 in flange, 8 in core, 20 in wide, 5/8 in hose',
          (Math.PI * 6 * 14 * 20 * INCH) / 0.625 ** 2,
          reelCapacity(20 * INCH, 8 * INCH, 20 * INCH, 0.625 * INCH, 1),
        ],
      ],
      false,
    ),
    ...rows(
      'Compressed-air handbooks: single-stage adiabatic power, hp for 100 cfm at sea level',
      'hp',
      0.03,
      table(
        [
          [60, 13.4],
          [80, 15.9],
          [100, 18.1],
        ],
        ([psi, hp]) => [`${psi} psig`, hp, compressorPower(100 * si('1 cfm', 'airFlow'), psi * PSI, 101325, 1) / HP],
      ),
    ),
    ...rows('Data sheets of propylene glycol: freezing point by volume', '1', 1e-9, [
      ['−7.2 °C', 0.2, glycolShare(K(-7.2))],
      ['−13 °C', 0.3, glycolShare(K(-13))],
      ['−21.3 °C', 0.4, glycolShare(K(-21.3))],
    ]),
    ...rows('Chlorine Institute, pamphlet 96: SH of 12.5 trade %', '', 5e-3, [
      ['gravity', 1.165, hypochloriteGravity(0.125)],
      ['lb a gallon', 9.7, (hypochloriteGravity(0.125) * 998.2 * si('1 gal', 'volume')) / 0.45359237],
    ]),
    ...rows('Common practice: SH of 12.5 % by weight weighs about 10 lb a gallon', 'lb/gal', 0.02, [
      ['12.5 % by weight', 10, (hypochloriteGravity(tradeShare(0.125)) * 998.2 * si('1 gal', 'volume')) / 0.45359237],
    ]),
    ...rows(
      'Molar masses (IUPAC): NaOCl 74.44, Cl₂ 70.91 g/mol',
      '%',
      1e-3,
      [['available chlorine of 12.5 % NaOCl by weight', 11.91, 100 * chlorineShare(0.125)]],
      false,
    ),
    ...rows('White’s Handbook of Chlorination: half-lives', 'd', 0.1, [
      ['100 g/L at 25 °C', 220, handbookHalfLife(0.1, K(25)) / 86400],
      ['100 g/L at 15 °C', 800, handbookHalfLife(0.1, K(15)) / 86400],
      ['50 g/L at 25 °C', 790, handbookHalfLife(0.05, K(25)) / 86400],
    ]),
    ...rows('Gordon, Adam & Bubnis 1995: half-life at 120 g/L, 25 °C, about 200 d (within a half)', 'd', 0.5, [
      ['120 g/L at 25 °C', 200, halfLife(0.12, K(25), 0.07) / 86400],
    ]),
    ...rows('Common practice: 12.5 % drawn at ten to one', '%', 0.01, [['at the wall', 1.14, 100 * drawnStrength(0.125, 0.1)]]),
    ...rows(
      'C₁V₁ = C₂V₂, closed form',
      '1',
      1e-9,
      [
        [
          'one part of 12.5 % in four',
          0.125 / 4,
          blendStrength([
            { flowM3s: 1, strength: 0.125 },
            { flowM3s: 3, strength: 0 },
          ]),
        ],
      ],
      false,
    ),
    ...rows('Water treatment handbooks: grains = gal·ppm/17.1', 'gal', 0.02, [
      ['1 ft³ of 20 000 grains at 200 ppm', (20000 * 17.1) / 200, resinLife(0.0283168, (20000 * 64.79891e-6) / 0.0283168, 2e-4) / si('1 gal', 'volume')],
    ]),
    ...rows('Common practice: 8 gpm turned round at 250 psi', 'W', 0.02, [
      ['heat', 870, sum('bypass-heat', { flow: '8 gpm', pressure: '250 psi', volume: '10 gal' }, 'power')],
    ]),
    ...rows(
      'First law, closed form: water warmed by a pump',
      's',
      1e-9,
      [['10 L from 20 to 60 °C at 870 W', (10 * 0.9982 * 4184 * 40) / 870, bypassTime(10 * 0.9982, K(20), K(60), 870)]],
      false,
    ),
    ...rows('Common practice: smooth hose at 20 °C', 'psi', 0.03, [
      ['3/8 in, 4 gpm, 100 ft', 68, (runHeadLoss({ boreM: 0.375 * INCH, lengthM: 100 * FOOT, roughnessM: 1.5e-6 }, 4 * GPM, nu20) * 998.2 * GRAVITY) / PSI],
      ['3/8 in, 8 gpm, 200 ft', 470, (runHeadLoss({ boreM: 0.375 * INCH, lengthM: 200 * FOOT, roughnessM: 1.5e-6 }, 8 * GPM, nu20) * 998.2 * GRAVITY) / PSI],
      ['1/2 in, 8 gpm, 200 ft', 117, (runHeadLoss({ boreM: 0.5 * INCH, lengthM: 200 * FOOT, roughnessM: 1.5e-6 }, 8 * GPM, nu20) * 998.2 * GRAVITY) / PSI],
    ]),
    ...rows('Common practice: recoil of 8 gpm at 3500 psi about 25 lbf', 'lbf', 0.05, [
      ['8 gpm, 3500 psi', 25, sum('recoil', { flow: '8 gpm', pressure: '3500 psi' }, 'force') / 4.4482216],
    ]),
    ...rows(
      'ASTM B258 wire table',
      'mil',
      2e-3,
      table(
        [
          [0, 324.9],
          [4, 204.3],
          [8, 128.5],
          [10, 101.9],
          [12, 80.8],
          [14, 64.1],
        ] as const,
        ([n, mils]) => [`diameter of AWG ${n}`, mils, awgDiameter(n) / 2.54e-5],
      ),
    ),
    ...rows(
      'ASTM B258 with IACS copper',
      'Ω/1000 ft',
      3e-3,
      table(
        [
          [2, 0.1563],
          [6, 0.3951],
          [10, 0.9989],
          [14, 2.525],
        ] as const,
        ([n, ohms]) => [`resistance of AWG ${n} at 20 °C`, ohms, wireResistance(n) * 304.8],
      ),
    ),
    ...rows('Worked example', 'V', 5e-3, [['20 A over 10 ft there and back in AWG 10 at 20 °C', 0.4, 2 * 3.048 * wireResistance(10) * 20]]),
    ...rows('Worked example', 'AWG', 1e-9, [['cable for 20 A over 10 ft at 3 %', 8, sum('cable', { current: '20 A', length: '10 ft' }, 'gauge')]]),
    ...rows('Peukert 1897', 'h', 1e-3, [['100 Ah at 20 h, exponent 1.2, 20 A', 3.79, peukertSeconds(360000, 20, 1.2) / 3600]]),
    ...rows('First law', 'kW', 3e-3, [['burner: 8 gpm through 60 K', 126.5, sum('burner', { flow: '8 gpm', rise: '60' }, 'heat') / 1000]]),
    ...rows('First law, 85 % and 35.8 MJ/L of diesel', 'L/h', 0.01, [
      ['burner: fuel of 8 gpm through 60 K', 15, sum('burner', { flow: '8 gpm', rise: '60 K' }, 'fuel') * 3.6e6],
    ]),
    ...rows(
      'NEC table 310.16, 60 °C copper',
      'A',
      1e-9,
      table(
        [
          [14, 15],
          [12, 20],
          [10, 30],
          [8, 40],
          [6, 55],
          [4, 70],
        ] as const,
        ([n, amps]) => [`AWG ${n} carries`, amps, ampacityOf(n)!],
      ),
    ),
    ...rows('Hagen and Poiseuille, petrol 0.6 mm²/s', 'mm', 0.02, [
      [
        'head lost by 20 L/h in 5 ft of 1/4 in hose',
        ((128 * 0.6e-6 * 1.524 * (20e-3 / 3600)) / (Math.PI * 9.80665 * 0.00635 ** 4)) * 1000,
        sum('gravity-fuel', { flow: '20 L/h', length: '5 ft', bore: '1/4 in', lift: '1 ft' }, 'loss') * 1000,
      ],
    ]),
    ...rows('Statics, worked by hand', 'kg', 1e-3, [
      ['tongue: 500 kg at 2.9 m and 1000 kg at 2.6 m, axle at 3.1 m', 193.5, twoSupports(1500, (500 * 2.9 + 1000 * 2.6) / 1500, 0, 3.1)[0]],
      ['axle of the same', 1306.5, twoSupports(1500, (500 * 2.9 + 1000 * 2.6) / 1500, 0, 3.1)[1]],
    ]),
    ...rows('Housner', 'Hz', 0.02, [
      ['slosh of 1.2 m by 0.5 m deep', 0.75, slosh(1.2, 0.5).frequency],
      ['slosh of 0.3 m by 0.5 m deep', 1.6, slosh(0.3, 0.5).frequency],
    ]),
    ...rows('Housner', '%', 0.03, [
      ['moving share of 1.2 m by 0.5 m deep', 55, 100 * slosh(1.2, 0.5).share],
      ['moving share of 0.3 m by 0.5 m deep', 16, 100 * slosh(0.3, 0.5).share],
    ]),
    ...rows('49 CFR 393.102, EN 12195-1', 'kN', 3e-3, [['a full 275 gal tote, 1100 kg, 0.8 g forward', 8.63, forwardForce(1100) / 1000]]),
    ...rows('ASME B1.1, grade 5 of 120 ksi', 'kN', 3e-3, [
      ['3/8-16 in tension', (0.0775 * 120 * 4448.2) / 1000, boltStrength('3/8-16').tensionN / 1000],
      ['1/2-13 in tension', (0.1419 * 120 * 4448.2) / 1000, boltStrength('1/2-13').tensionN / 1000],
    ]),
    ...deckAndPowerChecks(),
  ];
}
