import { near } from '../testing/near';
import { burnerFuel, burnerHeat, fuelHeadLoss, fuelRate } from './fuel';

// 8 gpm through 60 K: 126.5 kW, at 85 % about 15 L/h of diesel; worked by hand from the first law.
test('a burner', () => {
  const heat = burnerHeat(8 * 6.30902e-5, 60);
  near(heat, 126.5e3, 3e-3);
  near(burnerFuel(heat, 0.85, 'diesel') * 3.6e6, 15, 0.01);
});

// 20 L/h through 5 ft of 1/4 in hose: laminar, Hagen and Poiseuille h = 128 ν L Q / (π g d⁴).
test('fuel by gravity through a small hose takes a few millimetres', () => {
  const [q, l, d] = [20e-3 / 3600, 5 * 0.3048, 0.00635];
  near(fuelHeadLoss({ boreM: d, lengthM: l, roughnessM: 0 }, q, 'petrol'), (128 * 0.6e-6 * l * q) / (Math.PI * 9.80665 * d ** 4), 0.02);
});

// A horsepower for an hour at 0.60 lb: 0.60 lb.
test('an engine burns what its duty says', () => near(fuelRate(745.7, 0.6) * 3600, 0.6 * 0.45359237, 1e-4));
