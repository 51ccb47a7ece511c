import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import { say } from '../working/figure';
import type { RigDocument } from '../rig/schema';
import { againstBrief, briefFromDay, dayFromBrief } from './against-brief';
import { usualDayDocument } from './usual-day';

const written = (id: string): RigDocument => {
  const d = LAYOUTS.find((l) => l.id === id)!.make();
  d.brief.day ??= usualDayDocument(parseRig(d));
  return d;
};
const said = (d: RigDocument): readonly string[] => againstBrief(parseRig(d)).map((m) => say(m, 'us').replace(/\u00a0/g, ' '));

test.each(LAYOUTS)('$id: a day made up from the brief agrees with it, as does the one it comes with', ({ id, make }) => {
  expect(said(make())).toEqual([]);
  expect(said(written(id))).toEqual([]);
});

describe('a brief that is changed beside a written day', () => {
  test('is told, and either press makes them agree', () => {
    const d = written('crew-of-four');
    d.brief.job = '90 min';
    expect(said(d)).toEqual([expect.stringMatching(/^The longest job of the written day washes for .+; the brief says 90 min\.$/)]);
    const [anew, taken] = [structuredClone(d), structuredClone(d)];
    dayFromBrief(anew);
    expect(said(anew)).toEqual([]);
    expect(anew.brief.job).toBe('90 min');
    briefFromDay(taken);
    expect(said(taken)).toEqual([]);
    expect(taken.brief.day).toEqual(d.brief.day);
  });
  test('so are the jobs that are soft washed; when the day starts and what its sites give stay as written', () => {
    const d = written('crew-of-four');
    d.brief.day!.starts = '6:30';
    d.brief.day!.season = 'summer';
    d.brief.washes![0].perDay = '5';
    expect(said(d)).toEqual([expect.stringMatching(/^The written day soft washes \d jobs; the brief says \d+ a day\.$/)]);
    dayFromBrief(d);
    expect(said(d)).toEqual([]);
    expect(d.brief.day).toMatchObject({ starts: '6:30', season: 'summer' });
  });
  test('a day that is within a tenth of it is the same day', () => {
    const d = written('carried-water');
    d.brief.job = '58 min';
    expect(said(d)).toEqual([]);
  });
});
