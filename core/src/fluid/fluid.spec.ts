import { near } from '../testing/near';
import { airPressure, altitudeOf } from './air';
import { vapourPressure, waterAt, waterDensity, waterViscosity } from './water';

describe('water', () => {
  // Tanaka et al. 2001, Metrologia 38, 301 (values from memory).
  test.each([
    [4, 999.975],
    [20, 998.207],
    [40, 992.215],
  ])('at %p °C weighs %p kg/m³', (c, rho) => near(waterDensity(c + 273.15), rho, 2e-6));
  // IAPWS SR6-08 / Pátek et al. 2009 (from memory).
  test.each([
    [20, 1.0016e-3],
    [25, 0.89e-3],
  ])('at %p °C has viscosity %p Pa·s', (c, mu) => near(waterViscosity(c + 273.15), mu, 5e-4));
  // IAPWS-IF97, table 35.
  test.each([
    [300, 3536.58941],
    [500, 2.63889776e6],
    [600, 12.3443146e6],
  ])('at %p K boils under %p Pa', (t, p) => near(vapourPressure(t), p, 1e-8));
  test('brings everything the network asks', () => near(waterAt(293.15).kinematicViscosityM2S, 1.0034e-6, 1e-3));
});

describe('air', () => {
  // ICAO standard atmosphere, Doc 7488 (values from memory).
  test.each([
    [0, 101325],
    [1609, 83430],
    [3000, 70110],
  ])('at %p m presses with %p Pa', (h, p) => near(airPressure(h), p, 5e-4));
});

test('the altitude of a pressure is where the air has it, below the sea too', () => {
  for (const h of [-1500, 0, 12.5, 1609, 5000, 10_990]) expect(Math.abs(altitudeOf(airPressure(h)) - h)).toBeLessThan(1e-8);
});
