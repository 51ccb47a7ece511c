import { receiverAir } from '../chemistry/diaphragm-pump.js';
import { ampacityOf, batteryFor, copperC, wireResistance } from '../electrics/index.js';
import { bankOf, drawTogether } from '../energy/index.js';
import { assumptionValues } from '../assumption/register.js';
import { GRAVITY } from '../fluid/air.js';
import { airLineStart } from '../hydraulics/index.js';
import { surfaceMoment } from '../solve/deck-load.js';
import { enginePace } from '../solve/engine-pace.js';
import { freeShift, leftShare, rolloverThreshold, tieDownWanted, twoSupports } from '../structure/index.js';
import { leanPull, strapsWanted } from '../subject/plan/held.js';
import { type Check, rows } from './check.js';

const values = assumptionValues({});
const POUND = 0.45359237;
const FOOT = 0.3048;
const bank = bankOf({ capacity: 100 * 3600, chemistry: 'lead-acid', parallel: undefined }, { ...values, 'peukert-lead-acid': 1.2 });
const ATM = 101325;
const receiver = (gal: number, full: number, pump: number): number => receiverAir(gal * 3.785411784e-3, full * 6894.757, pump * 6894.757, ATM) / FOOT ** 3;
/** Steady and isothermal, a small drop in a long line: as Darcy–Weisbach with the air's density at its mean pressure. */
const airDrop = (cfm: number, boreIn: number, lengthFt: number, psi: number): readonly [darcy: number, ours: number] => {
  const [d, l, q0, p2] = [boreIn * 0.0254, lengthFt * FOOT, (cfm * FOOT ** 3) / 60, psi * 6894.757 + ATM];
  const p1 = airLineStart({ boreM: d, lengthM: l, roughnessM: 1.5e-6 }, q0, p2, ATM);
  const mean = (p1 + p2) / 2;
  // Air of 20 °C: 287.05 J/(kg·K), 1.825e-5 Pa·s; friction of a smooth pipe by Swamee and Jain.
  const rho = mean / (287.05 * 293.15);
  const v = (q0 * ATM) / mean / ((Math.PI / 4) * d * d);
  const f = 0.25 / Math.log10(1.5e-6 / d / 3.7 + 5.74 / ((rho * v * d) / 1.825e-5) ** 0.9) ** 2;
  return [(f * (l / d) * 0.5 * rho * v * v) / 6894.757, (p1 - p2) / 6894.757];
};

/** Deck, straps, cables, batteries and air, held against printed factors, rules and closed forms. */
export const deckAndPowerChecks = (): Check[] => [
  ...rows('NEC table 310.15(B)(1): ampacity in warmer air', '', 0.02, [
    ['60 °C wire at 35 °C', 0.91, ampacityOf(8, '60', 35)! / ampacityOf(8, '60')!],
    ['60 °C wire at 40 °C', 0.82, ampacityOf(8, '60', 40)! / ampacityOf(8, '60')!],
    ['60 °C wire at 45 °C', 0.71, ampacityOf(8, '60', 45)! / ampacityOf(8, '60')!],
    ['60 °C wire at 50 °C', 0.58, ampacityOf(8, '60', 50)! / ampacityOf(8, '60')!],
    ['75 °C wire at 40 °C', 0.88, ampacityOf(8, '75', 40)! / ampacityOf(8, '75')!],
    ['75 °C wire at 50 °C', 0.75, ampacityOf(8, '75', 50)! / ampacityOf(8, '75')!],
    ['90 °C wire at 40 °C', 0.91, ampacityOf(8, '90', 40)! / ampacityOf(8, '90')!],
    ['90 °C wire at 50 °C', 0.82, ampacityOf(8, '90', 50)! / ampacityOf(8, '90')!],
    ['90 °C wire at 60 °C', 0.71, ampacityOf(8, '90', 60)! / ampacityOf(8, '90')!],
  ]),
  ...rows('NEC chapter 9, table 8: solid uncoated copper at 75 °C', 'Ω/1000 ft', 0.01, [
    ['AWG 14 at 75 °C', 3.07, wireResistance(14, 75) * 304.8],
    ['AWG 12 at 75 °C', 1.93, wireResistance(12, 75) * 304.8],
    ['AWG 10 at 75 °C', 1.21, wireResistance(10, 75) * 304.8],
    ['AWG 8 at 75 °C', 0.764, wireResistance(8, 75) * 304.8],
  ]),
  ...rows('Heat of a conductor goes with the square of its current', '°C', 1e-9, [
    ['half of its ampacity, 60 °C wire in 30 °C', 37.5, copperC(8, 20)],
    ['half of its ampacity, 90 °C wire in 50 °C', 60, copperC(8, ampacityOf(8, '90', 50)! / 2, '90', 50)],
  ]),
  ...rows('Peukert 1897', 'Ah', 2e-3, [
    [
      'two 45 A loads for 24 min out of 100 Ah, exponent 1.2',
      64.2,
      drawTogether(bank, [
        { amps: 45, seconds: 1440 },
        { amps: 45, seconds: 1440 },
      ]) / 3600,
    ],
    ['one of them', 27.93, drawTogether(bank, [{ amps: 45, seconds: 1440 }]) / 3600],
    [
      '45 A for 24 min beside 45 A for 12 min: 36.04 and 16.05 Ah',
      46.06,
      drawTogether(bank, [
        { amps: 45, seconds: 1440 },
        { amps: 45, seconds: 720 },
      ]) / 3600,
    ],
    ['5 A for 10 h, its own rate', 50, drawTogether(bank, [{ amps: 5, seconds: 36000 }]) / 3600],
    ['battery for 20 A in an hour, 60 % of it, exponent 1.2', 50.4, batteryFor(20, 3600, 0.6, 1.2) / 3600],
  ]),
  ...rows('Boyle: free air in a receiver, V (p₁ − p₂) / p₀', 'ft³', 2e-3, [
    ['60 gal, 125 to 90 psi', 19.1, receiver(60, 125, 90)],
    ['20 gal, 125 to 90 psi', 6.37, receiver(20, 125, 90)],
    ['80 gal, 175 to 100 psi', 54.57, receiver(80, 175, 100)],
    ['30 gal, 90 to 80 psi', 2.729, receiver(30, 90, 80)],
  ]),
  ...rows('Darcy–Weisbach and Swamee & Jain 1976: air in a long line, small drop', 'psi', 0.04, [
    ['15 cfm, 1/2 in, 50 ft at 100 psi', ...airDrop(15, 0.5, 50, 100)],
    ['20 cfm, 3/4 in, 100 ft at 90 psi', ...airDrop(20, 0.75, 100, 90)],
    ['10 cfm, 3/8 in, 25 ft at 120 psi', ...airDrop(10, 0.375, 25, 120)],
  ]),
  ...rows('49 CFR 393.110: tie-downs by length and weight', 'straps', 1e-9, [
    ['4 ft, 900 lb', 1, strapsWanted(4 * FOOT, 900 * POUND)],
    ['4 ft, 1,200 lb', 2, strapsWanted(4 * FOOT, 1200 * POUND)],
    ['8 ft, 500 lb', 2, strapsWanted(8 * FOOT, 500 * POUND)],
    ['12 ft, 500 lb', 3, strapsWanted(12 * FOOT, 500 * POUND)],
    ['21 ft, 500 lb', 4, strapsWanted(21 * FOOT, 500 * POUND)],
  ]),
  ...rows('49 CFR 393.106: half of the weight by working load', 'lbf', 1e-6, [['2,000 lb', 1000, tieDownWanted(2000 * POUND) / 4.4482216152605]]),
  ...rows('Statics, worked by hand', 'N', 1e-9, [
    ['lean of 1000 kg, 0.5 m long and 1.5 m high, at 0.8 g', (1000 * GRAVITY * (0.8 * 0.75 - 0.25)) / 0.5, leanPull(1000, 0.5, 1.5)],
  ]),
  ...rows('Statics, worked by hand: sides and rollover', '', 1e-9, [
    ['1000 kg, 0.15 m left of the middle, 1.5 m track', 0.6, leftShare(0.15, 1.5)],
    ['the same, 2 m track', 0.575, leftShare(0.15, 2)],
    ['t / 2h of 1.8 m track, 1.2 m high', 0.75, rolloverThreshold(1.8, 1.2)],
    ['t / 2(h + s), s = 0.3 m', 0.6, rolloverThreshold(1.8, 1.2, 0.3)],
    ['tongue share of 1000 kg at 2.7 m, axle at 3 m, coupler at 0', 0.1, twoSupports(1000, 2.7, 0, 3)[0] / 1000],
    ['the same at 2.4 m', 0.2, twoSupports(1000, 2.4, 0, 3)[0] / 1000],
  ]),
  ...rows('Naval architecture: second moment of a free surface', 'm⁴', 1e-9, [
    ['box 2 m by 1 m', 2 / 12, surfaceMoment({ kind: 'box', length: 2, width: 1, height: 1 }, 0.5, false)],
    ['the same, turned', 8 / 12, surfaceMoment({ kind: 'box', length: 2, width: 1, height: 1 }, 0.5, true)],
    ['upright, 1.2 m across', (Math.PI * 1.2 ** 4) / 64, surfaceMoment({ kind: 'upright-cylinder', diameter: 1.2, height: 1 }, 0.5, false)],
    ['lying, 1 m by 2 m, half full', 2 / 12, surfaceMoment({ kind: 'lying-cylinder', diameter: 1, length: 2 }, 0.5, false)],
  ]),
  ...rows('Naval architecture: shift of the centre, Σ ρ I / M', 'm', 1e-9, [
    ['1000 kg/m³ of 0.288 m⁴ in 2000 kg', 0.144, freeShift([{ densityKgM3: 1000, secondMomentM4: 0.288 }], 2000)],
  ]),
  ...rows('An engine keeps its torque: pressure with the square of the flow', '', 1e-9, [
    ['half the torque', Math.SQRT1_2, enginePace(500 / values['pump-efficiency'], 1e6, 1e-3, 0, values)],
    ['four fifths of it', Math.sqrt(0.8), enginePace(800 / values['pump-efficiency'], 1e6, 1e-3, 0, values)],
  ]),
];
