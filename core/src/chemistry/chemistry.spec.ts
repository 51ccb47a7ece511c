import { seeded, near } from '../testing/near';
import { antifreezeNeeded, glycolShare } from './antifreeze';
import { attack, LIQUID_KINDS, meeting, WETTED } from './compatibility';
import { airUse, compressorPower, pumpCurrent, pumpCurve } from './diaphragm-pump';
import { batch, blendStrength, drawnStrength, topUp } from './dilution';
import { residue, volumesFor } from './flush';
import {
  availableChlorine,
  chlorineShare,
  decayRate,
  halfLife,
  handbookHalfLife,
  hypochloriteGravity,
  strengthAfter,
  tradeShare,
  weightShare,
} from './hypochlorite';
import { calibratedRatio, drawRatio, type InjectorPlace } from './injection';
import { PPM_PER_GRAIN_GALLON, resinLife } from './pure-water';

const DAY = 86400;
const C = (celsius: number) => celsius + 273.15;
const GAL = 0.003785411784;
const CFM = 0.3048 ** 3 / 60;

describe('strengths', () => {
  test('trade percent is grams a litre over ten, by definition', () => expect(availableChlorine(0.125)).toBe(125));
  // Estimate, from memory: 12.5 trade % has SG about 1.2, so about 10.4 weight %.
  // Chlorine Institute pamphlet 96 (from memory): 12.5 trade % has a gravity of 1.165, 9.7 lb/gal.
  test('12.5 trade percent weighs 1.165 and is 10.7 weight percent', () => {
    near(hypochloriteGravity(0.125), 1.165, 1e-9);
    near(weightShare(0.125), 0.1073, 1e-3);
    near((hypochloriteGravity(0.125) * 998.2 * GAL) / 0.45359237, 9.7, 0.005);
  });
  /** Common practice: about 10 lb/gal, which is 12.5 % by weight. */
  test('the trade’s 10 lb a gallon belongs to 12.5 weight percent', () => near((hypochloriteGravity(tradeShare(0.125)) * 998.2 * GAL) / 0.45359237, 10, 0.01));
  test('a label by weight of the hypochlorite is weaker by the molar masses', () => near(chlorineShare(0.125), 0.125 * (70.906 / 74.442), 1e-12));
  test('trade and weight percent undo each other', () => {
    for (let t = 0; t <= 0.16; t += 0.005) near(tradeShare(weightShare(t)) + 1, t + 1, 1e-12);
  });
});

/** As the register has it, mol/L. */
const CAUSTIC = 0.1;

describe('ageing', () => {
  // Gordon, Adam & Bubnis 1995 (from memory): at 25 °C 120 g/L about 200 d.
  test('120 g/L loses half in about 200 days at 25 °C', () => near(halfLife(0.12, C(25), CAUSTIC) / DAY, 200, 0.03));
  // White's Handbook of Chlorination (from memory).
  test.each([
    [100, 25, 220],
    [100, 15, 800],
    [50, 25, 790],
  ])('the handbook’s half-life at %i g/L and %i °C is %i days, and the rate law agrees within a factor of two', (grams, celsius, days) => {
    near(handbookHalfLife(grams / 1000, C(celsius)) / DAY, days, 1e-9);
    const law = halfLife(grams / 1000, C(celsius), CAUSTIC) / DAY;
    expect(law / days).toBeGreaterThan(0.5);
    expect(law / days).toBeLessThan(2);
  });
  test('half is left after a half-life, a third after two of second order', () => {
    const t = halfLife(0.125, C(30), CAUSTIC);
    near(strengthAfter(0.125, t, C(30), CAUSTIC), 0.0625, 1e-12);
    near(strengthAfter(0.125, 2 * t, C(30), CAUSTIC), 0.125 / 3, 1e-12);
  });
  test('the closed form is what small steps of the rate law come to', () => {
    const molar = (trade: number) => availableChlorine(trade) / 70.906;
    let c = molar(0.125);
    const k = decayRate(0.125, C(35), CAUSTIC);
    const steps = 20000;
    const dt = (60 * DAY) / steps;
    for (let i = 0; i < steps; i++) {
      const middle = c - (k * c * c * dt) / 2;
      c -= k * middle * middle * dt;
    }
    near(strengthAfter(0.125, 60 * DAY, C(35), CAUSTIC), (c * 70.906) / 1000, 1e-7);
  });
  /** Common practice: SH kept a month or two is noticeably weaker. */
  test('a warm month or two is noticed', () => {
    expect(strengthAfter(0.125, 45 * DAY, C(25), CAUSTIC)).toBeLessThan(0.105);
    expect(strengthAfter(0.125, 45 * DAY, C(5), CAUSTIC)).toBeGreaterThan(0.12);
  });
  test('warmer, stronger and older is always weaker in share', () => {
    const random = seeded(5);
    for (let i = 0; i < 300; i++) {
      const trade = 0.02 + 0.13 * random();
      const t = C(40 * random());
      const s = 400 * DAY * random();
      const left = strengthAfter(trade, s, t, CAUSTIC) / trade;
      expect(left).toBeLessThanOrEqual(1);
      expect(strengthAfter(trade, s, t + 5, CAUSTIC) / trade).toBeLessThanOrEqual(left);
      expect(strengthAfter(trade * 1.1, s, t, CAUSTIC) / (trade * 1.1)).toBeLessThanOrEqual(left + 1e-15);
      expect(strengthAfter(trade, s * 1.5, t, CAUSTIC) / trade).toBeLessThanOrEqual(left);
    }
  });
});

describe('dilution', () => {
  // Worked by hand: 50 gal at 3 % from 12.5 % takes 12 gal, C₁V₁ = C₂V₂.
  test('50 gal at 3 % takes 12 gal of 12.5 %', () => near(batch(50, 0.03, 0.125)!.stockM3, 12, 1e-12));
  // Engineering fact: 12.5 % at 10:1 gives 1.14 %.
  test('one part in ten of 12.5 % is 1.14 %', () => near(drawnStrength(0.125, 0.1), 0.01136, 1e-3));
  test('a stock weaker than what is wanted makes no batch', () => expect(batch(50, 0.03, 0.02)).toBeUndefined());
  test('soap takes water’s place', () => {
    const b = batch(100, 0.03, 0.12, 0.02)!;
    near(b.stockM3 + b.soapM3 + b.waterM3, 100, 1e-12);
    near(b.soapM3, 2, 1e-12);
  });
  test('a top-up of a batch that is too strong for its room is refused', () => expect(topUp(50, 0.01, 0.125, 40, 0.05)).toBeUndefined());
  test('available chlorine balances through batches, top-ups and blends (seed 12)', () => {
    const random = seeded(12);
    let made = 0;
    for (let i = 0; i < 2000; i++) {
      const volume = 0.05 + random();
      const stock = 0.02 + 0.13 * random();
      const wanted = stock * random();
      const left = volume * random();
      const leftStrength = stock * random();
      const b = topUp(volume, wanted, stock, left, leftStrength, 0.02 * random());
      if (!b) continue;
      made++;
      expect(Math.min(b.stockM3, b.waterM3, b.soapM3)).toBeGreaterThanOrEqual(0);
      near(left + b.stockM3 + b.waterM3 + b.soapM3, volume, 1e-9);
      expect(Math.abs(b.stockM3 * stock + left * leftStrength - volume * wanted)).toBeLessThan(1e-9 * volume);
    }
    expect(made).toBeGreaterThan(500);
    for (let i = 0; i < 500; i++) {
      const streams = Array.from({ length: 1 + Math.floor(4 * random()) }, () => ({ flowM3s: random() * 1e-3, strength: random() * 0.15 }));
      const total = streams.reduce((s, x) => s + x.flowM3s, 0);
      near(
        blendStrength(streams) * total,
        streams.reduce((s, x) => s + x.flowM3s * x.strength, 0),
        1e-12,
      );
    }
  });
});

describe('injector', () => {
  const data = { drawRatio: 0.1, vacuumPa: 55000, stopsAtPa: 6.2e6 };
  const bench: InjectorPlace = { backPressurePa: 0, fallM: 0, waterM3s: 2.5e-4, drawQuadratic: 0, densityKgM3: 998.2 };
  /** Common practice: a downstream injector gives roughly one part in ten. */
  test('draws its data sheet’s ratio with nothing in its way', () => near(drawRatio(data, bench), 0.1, 1e-9));
  test('draws less against a longer hose, a lower tank, a thinner draw hose, and nothing above its limit', () => {
    expect(drawRatio(data, { ...bench, backPressurePa: 2e6 })).toBeLessThan(0.1);
    expect(drawRatio(data, { ...bench, fallM: -1 })).toBeLessThan(0.1);
    expect(drawRatio(data, { ...bench, fallM: 1 })).toBeGreaterThan(0.1);
    expect(drawRatio(data, { ...bench, drawQuadratic: 1e14 })).toBeLessThan(0.1);
    expect(drawRatio(data, { ...bench, backPressurePa: 6.3e6 })).toBe(0);
    expect(drawRatio(data, { ...bench, fallM: -8 })).toBe(0);
  });
  test('a timed cup sets the ratio', () => {
    const place = { ...bench, backPressurePa: 1e6, fallM: -0.5, drawQuadratic: 2e13 };
    const ratio = calibratedRatio(data, place, 0.07);
    near(drawRatio({ ...data, drawRatio: ratio }, place), 0.07, 1e-9);
    expect(calibratedRatio(data, { ...place, backPressurePa: 7e6 }, 0.07)).toBeNaN();
  });
});

describe('pumps', () => {
  const at = (curve: { flowM3s: number; headM: number }[], i: number) => curve[i];
  test.each([
    { kind: 'electric', openFlow: 4.4e-4, switchPressure: 6.9e5, volts: 12, ohms: 0, efficiency: 0.45, freeA: 3 } as const,
    { kind: 'electric', openFlow: 4.4e-4, switchPressure: 6.9e5, volts: 12, ohms: 0.05, efficiency: 0.45, freeA: 3 } as const,
    { kind: 'engine', openFlow: 7.5e-4, reliefPressure: 1.7e6 } as const,
    { kind: 'air', openFlow: 1.07e-3, airPressure: 6.9e5 } as const,
  ])('$kind: flow rises as head falls', (pump) => {
    const curve = [...pumpCurve(pump, 998)];
    for (let i = 1; i < curve.length; i++) {
      expect(at(curve, i).flowM3s).toBeGreaterThan(at(curve, i - 1).flowM3s);
      expect(at(curve, i).headM).toBeLessThan(at(curve, i - 1).headM);
    }
  });
  test('5 gpm at 60 psi from 12.5 V at 45 % is 23 A and what it draws running free', () =>
    near(pumpCurrent((5 * GAL) / 60, 60 * 6894.757, { volts: 12.5, ohms: 0, efficiency: 0.45, freeA: 3 }), 3 + (3.1545e-4 * 413685) / 5.625, 1e-4));
  /** Common practice: at least 6.5 hp for a 1/2 in pump; one gives about 11 gpm at its real run. */
  test('11 gpm on 100 psi air wants some 15 cfm, and an engine near 6.5 hp', () => {
    const air = airUse((11 * GAL) / 60, 100 * 6894.757, 101325, 1.3);
    near(air / CFM, 14.9, 0.02);
    // The rule of thumb carries a margin over the shaft power.
    expect(compressorPower(air, 100 * 6894.757, 101325, 0.65) / 745.7).toBeGreaterThan(3.5);
    expect(compressorPower(air, 100 * 6894.757, 101325, 0.65) / 745.7).toBeLessThan(6.5);
  });
  test('more air is used higher up', () => expect(airUse(7e-4, 6.9e5, 83430, 1.3)).toBeGreaterThan(airUse(7e-4, 6.9e5, 101325, 1.3)));
});

describe('what may meet', () => {
  test('acid, ammonia and peroxide never meet SH, in either order', () => {
    for (const k of ['acid', 'ammonia', 'oxygen-bleach'] as const) {
      expect(meeting('hypochlorite', k).verdict).toBe('never');
      expect(meeting(k, 'hypochlorite').verdict).toBe('never');
    }
    expect(meeting('acid', 'caustic').verdict).toBe('never');
  });
  test('everything meets itself and water, and every verdict but fine has a reason', () => {
    for (const a of LIQUID_KINDS) {
      expect(meeting(a, a).verdict).toBe('ok');
      expect(meeting(a, 'water').verdict).toBe('ok');
      for (const b of LIQUID_KINDS) {
        expect(meeting(a, b)).toEqual(meeting(b, a));
        if (meeting(a, b).verdict !== 'ok') expect(meeting(a, b).reason.length).toBeGreaterThan(10);
      }
    }
  });
  test('SH attacks every metal, acid every metal but stainless; polypropylene stands both', () => {
    for (const metal of ['brass', 'aluminium', 'steel'] as const) {
      expect(attack('hypochlorite', metal)).toBeDefined();
      expect(attack('acid', metal)).toBeDefined();
    }
    for (const k of LIQUID_KINDS) expect(attack(k, 'polypropylene')).toBeUndefined();
    expect(WETTED.every((m) => attack('water', m) === undefined)).toBe(true);
  });
});

describe('flush, frost, resin', () => {
  test('what stood in a hose fades as more is pushed through', () => {
    expect(residue(0)).toBe(1);
    let last = 1;
    for (let v = 0.2; v < 4; v += 0.2) {
      expect(residue(v)).toBeLessThanOrEqual(last);
      last = residue(v);
    }
    near(residue(volumesFor(0.01)), 0.01, 1e-6);
    expect(volumesFor(0.01)).toBeGreaterThan(1);
    expect(volumesFor(0.01)).toBeLessThan(2.5);
  });
  // Propylene glycol data-sheet table (from memory): 20 % −7.2 °C, 30 % −13 °C, 40 % −21.3 °C, 50 % −34 °C.
  test('glycol shares at the table’s points and between', () => {
    near(glycolShare(C(-7.2)), 0.2, 1e-9);
    near(glycolShare(C(-13)), 0.3, 1e-9);
    near(glycolShare(C(-21.3)), 0.4, 1e-9);
    near(glycolShare(C(-34)), 0.5, 1e-9);
    near(glycolShare(C(-17.15)), 0.35, 1e-9);
    expect(glycolShare(C(1))).toBe(0);
    expect(glycolShare(C(-60))).toBeNaN();
  });
  test('antifreeze: what is left in low bends does not spoil it; nothing without frost; too weak a product is told', () => {
    expect(antifreezeNeeded(0.02, 0.2, 0.95, C(5))).toBe(0);
    // A fifth of the volume is water that stayed: what is poured must be 1/0.8 as strong as what is wanted in the end.
    // A fifth of the water stays: the pour is strong enough for it, and there is a fifth less to pour.
    near(antifreezeNeeded(0.02, 0.2, 0.95, C(-13)) * 0.95, 0.02 * 0.3, 1e-9);
    expect(antifreezeNeeded(0.02, 0.2, 0.3, C(-30))).toBeNaN();
  });
  // Definition: one grain a gallon is 17.1 ppm; a cubic foot of resin of 12 000 grains at 200 ppm lasts 12000/(200/17.1) gal.
  test('a cubic foot of 12 000 grains lasts 1027 gal at 200 ppm', () => {
    near(PPM_PER_GRAIN_GALLON, 17.118, 1e-4);
    near(resinLife(0.3048 ** 3, (12000 * 64.79891e-6) / 0.3048 ** 3, 200e-6) / GAL, (12000 * 17.118) / 200, 1e-3);
    expect(resinLife(0.025, 27, 0)).toBe(Infinity);
  });
});
