import { assumptionValues, findAssumption } from '../assumption/register';
import { assess } from '../assess/assess';
import { FUELS } from '../fuel/index';
import { LAYOUTS } from '../layouts/layouts';
import { si } from '../quantity/parse';
import { parseRig } from '../rig/read';
import { near } from '../testing/near';
import { loadedMass } from './deck-load';
import { Stocks } from './stock';

const weighed = (document: Parameters<typeof parseRig>[0]): number => {
  const rig = parseRig(document);
  return loadedMass(rig, new Stocks(rig, assumptionValues(rig.assumptions)));
};

test.each(LAYOUTS)('$id: what fixes and options weigh is what the scale shows as the day starts', ({ make }) => {
  const state = assess(parseRig(make())).weight!.states.find((s) => s.id === 'start')!;
  near(weighed(make()), state.massKg, 1e-9);
});

test('a thing that has no place yet weighs what it weighs', () => {
  const document = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
  const before = weighed(document);
  document.placements = document.placements?.slice(2);
  near(weighed(document), before, 1e-9);
});

test.each([
  ['petrol', 'fuel-density'],
  ['diesel', 'diesel-density'],
] as const)('%s weighs the same in a sum and in a rig that says nothing else', (fuel, id) =>
  near(FUELS[fuel].densityKgM3, si(findAssumption(id)!.value, 'density'), 1e-12),
);
