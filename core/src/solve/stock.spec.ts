import { assumptionValues } from '../assumption/register';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import { volumeAt } from '../rig/tank-shape';
import { judged } from '../testing/judge';
import { near } from '../testing/near';
import { stockOfTank } from './loaded';
import { mixMadeIn, Stocks } from './stock';

test('what a mix is made in weighs what went into it, on the deck and on the list of liquids alike', () => {
  let made = 0;
  for (const layout of LAYOUTS) {
    const rig = parseRig(layout.make());
    const stocks = new Stocks(rig, assumptionValues(rig.assumptions));
    const { mixes, tanks } = judged(layout.make()).chemical;
    for (const t of rig.tanks) {
      const listed = tanks.find((x) => x.tankId === t.id);
      const full = volumeAt(t.shape, t.fullLevel);
      if (listed) near(listed.mass.value, full * stockOfTank(stocks, t), 1e-9);
      const recipe = mixes.find((m) => m.mixId === mixMadeIn(rig, t)?.id)?.recipe;
      if (!recipe) {
        // Antifreeze weighs what it is, named or not.
        expect([layout.id, t.id, stocks.gravityIn(t)]).toEqual([layout.id, t.id, t.liquid === 'antifreeze' ? 1.04 : stocks.in(t).gravity]);
        continue;
      }
      // By the recipe: stock, and water for the rest; soap weighs little more than water.
      const mass = 998.2 * (recipe.stockM3 * stocks.in(t).gravity + recipe.waterM3 + recipe.soapM3);
      near(full * stockOfTank(stocks, t), mass, 1e-6);
      expect(stocks.gravityIn(t)).toBeLessThan(1.08);
      made++;
    }
  }
  expect(made).toBeGreaterThanOrEqual(6);
});

test('stock too weak for the mix is not made heavier than it is', () => {
  const d = LAYOUTS.find((l) => l.id === 'two-batch')!.make();
  d.liquids![0].strength!.titrated = '0.4 %';
  const rig = parseRig(d);
  const stocks = new Stocks(rig, assumptionValues(rig.assumptions));
  for (const t of rig.tanks) expect(stocks.shareIn(t)).toBe(1);
});
