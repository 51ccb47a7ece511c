import { pontoonRig } from '../layouts/index';
import { changeLines, differences, differenceWords } from './changes';

const words = (change: (d: ReturnType<typeof pontoonRig>) => unknown): string[] => {
  const after = pontoonRig();
  change(after);
  return differences(pontoonRig(), after).map(differenceWords);
};

describe('what changed, in words', () => {
  test('nothing, where nothing did', () => expect(words(() => undefined)).toEqual([]));
  test('a figure, by thing and field', () =>
    expect(words((d) => void (d.machines[0].flow = '9 gpm'))).toEqual([`${pontoonRig().machines[0].name}, flow: 8 gpm → 9 gpm`]));
  test('a field of two words, and one inside a thing', () => {
    const d = pontoonRig();
    expect(words((x) => void (x.tanks[0].fullLevel = '11 in'))).toEqual([`${d.tanks[0].name}, full level: ${d.tanks[0].fullLevel} → 11 in`]);
    expect(words((x) => void (x.brief.triggerShare = '33 %'))).toEqual([`brief, trigger share: ${d.brief.triggerShare} → 33 %`]);
  });
  test('things added and taken away by name, not by what shifted behind them', () => {
    const [added] = words((d) => void d.tanks.unshift({ ...d.tanks[0], id: 'b', name: 'Second tank' }));
    expect(added).toBe('Second tank added (tank)');
    const gone = words((d) => void d.lines[0].parts.splice(0, 1));
    expect(gone).toHaveLength(1);
    expect(gone[0]).toMatch(/: .* taken away \(part\)$/);
  });
  test('a new order is told as that', () => {
    const told = words((d) => void d.lines[0].parts.reverse());
    expect(told).toHaveLength(1);
    expect(told[0]).toMatch(/order of parts changed/);
  });
  test('a field that came or went', () => {
    expect(words((d) => delete d.machines[0].npshRequired)[0]).toMatch(/npsh required: 10 ft taken away$/);
    expect(words((d) => void (d.brief.coldest = '5 °F'))).toEqual(['brief, coldest: 5 °F']);
    expect(words((d) => void (d.notes = 'x'.repeat(500)))[0].length).toBeLessThan(140);
  });
  test('of two documents that have nothing in common no more than asked', () => expect(differences({ a: 1 }, { b: 2, c: 3, d: 4 }, 2)).toHaveLength(2));
});

test('a list of versions tells each against the one before it, damaged ones as that', () => {
  const a = JSON.stringify(pontoonRig());
  const b = JSON.stringify({ ...pontoonRig(), name: 'B' });
  expect(changeLines([b, a, '{"half', a], 3)).toEqual([
    { changed: ['name: Pontoon skid → B'], more: 0 },
    { changed: ['The version before it is damaged.'], more: 0 },
    { changed: ['The record of this version is damaged.'], more: 0 },
  ]);
  expect(changeLines([a], 3)).toEqual([]);
});
