import { assess } from '../../assess/assess.js';
import { LAYOUTS } from '../../layouts/layouts.js';
import { parseRig } from '../../rig/read.js';
import type { RigDocument } from '../../rig/schema.js';
import { say } from '../../working/figure.js';

/** A rig with one mix, for house walls, and washes of these surfaces in its brief. */
function rig(...surfaces: NonNullable<RigDocument['brief']['washes']>[number]['surface'][]): RigDocument {
  const d = LAYOUTS.find((l) => l.id === 'tied-tanks')!.make();
  expect(d.mixes).toHaveLength(1);
  d.mixes![0].surface = 'house';
  delete d.mixes![0].wanted;
  d.brief.washes = surfaces.map((surface) => ({ surface, area: '2000 ft²', perDay: '1' }));
  return d;
}
const told = (d: RigDocument): string[] =>
  assess(parseRig(d))
    .findings.filter((f) => f.code === 'wash-no-mix')
    .map((f) => say(f.message, 'us'));

test('a roof in the brief and only a house mix on board is told, with both strengths', () => {
  expect(told(rig('house', 'roof'))).toEqual(['No mix on board is for Roof. We used Proportioner at 1%; 3.5% is typical.']);
});
test('each surface is told once; what the mix is for, and what it is as strong as, is not', () => {
  expect(told(rig('house'))).toEqual([]);
  expect(told(rig('roof', 'roof', 'growth'))).toHaveLength(2);
  const d = rig('roof');
  d.mixes![0].wanted = '3.5 %';
  expect(told(d)).toEqual([]);
});
test('a rig without chemicals is told nothing here', () => {
  const d = LAYOUTS.find((l) => l.id === 'buffer-skid')!.make();
  d.brief.washes = [{ surface: 'roof', area: '2000 ft²', perDay: '1' }];
  expect(told(d)).toEqual([]);
});
