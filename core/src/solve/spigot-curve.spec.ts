import { near } from '../testing/near';
import { fitSpigot } from './spigot-curve';

test('a spigot’s curve goes through its one reading, and between several', () => {
  const one = fitSpigot(4e5, [{ flowM3s: 3e-4, pressurePa: 0 }]);
  near(one.staticPressurePa - one.k * 3e-4 ** 2 + 1, 1, 1e-6);
  const k = 2e12;
  const exact = [1e-4, 2e-4, 3e-4].map((q) => ({ flowM3s: q, pressurePa: 4e5 - k * q * q }));
  near(fitSpigot(4e5, exact).k, k, 1e-12);
});
