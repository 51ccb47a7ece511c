import { assess, LAYOUTS, parseRig, readRig, type RigDocument } from '@pozzo/core';
import { cellsOf, foldWaterway, shownOf } from './folded';
import { marksOf } from './marks';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const fold = (d: RigDocument, system: 'us' | 'metric' = 'us') => foldWaterway(d, assess(parseRig(d)), system);
const marks = (d: RigDocument) => marksOf(d, assess(parseRig(d)));

describe('the folded waterway', () => {
  test.each(LAYOUTS.map((l) => l.id))('%s: a line a machine and a mix, a block a tank, something to say in each', (id) => {
    const d = layout(id);
    for (const system of ['us', 'metric'] as const) {
      const f = fold(d, system);
      expect(f.rows).toHaveLength(d.machines.length + assess(parseRig(d)).chemical.mixes.length);
      expect(f.tanks).toHaveLength(d.tanks.length);
      expect(f.sources).toHaveLength(d.spigots.length);
      const cells = [...f.sources, ...f.tanks, ...f.rows.flatMap(cellsOf)];
      for (const c of cells) expect(`${c.strong}${c.rest} ${c.spoken}`).not.toMatch(/undefined|NaN|Infinity/);
      if (system === 'metric') for (const c of cells) expect(c.rest).not.toMatch(/\b(gal|psi|gpm)\b/);
      // One thing at most shouts.
      expect(new Set(cells.filter((c) => c.loud).map((c) => c.key)).size).toBeLessThanOrEqual(1);
    }
  });
  test('guns that are alike are told once, under the name that they share', () => {
    const gun = fold(layout('crew-of-four')).rows[0].gun!;
    expect(gun.strong).toBe('Gun A1, A2');
    expect(gun.rest).toMatch(/ each$/);
  });
  test('a tank that runs dry says when, in place of what it holds', () => {
    const d = layout('buffer-skid');
    d.spigots[0].readings[0].flow = '2 gpm';
    expect(fold(d).tanks[0].rest).toMatch(/^dry [\d.]+.(min|h)/);
  });
  test('a machine without water says so', () => {
    const d = layout('buffer-skid');
    d.lines = d.lines.filter((l) => l.role !== 'feed');
    expect(readRig(d).ok).toBe(true);
    expect(fold(d).rows[0].feed.strong).toBe('no water');
  });
  test('what does not fit: what shouts and what is open are kept, in the order of the rig', () => {
    const { rows } = fold(layout('crew-of-four'));
    const last = rows[rows.length - 1];
    const shown = shownOf(rows, 2, cellsOf, (r) => r.key === last.key);
    expect(shown).toHaveLength(2);
    expect(shown[1].key).toBe(last.key);
    const loud = rows.map((r, i) => (i === 3 ? { ...r, feed: { ...r.feed, loud: true } } : r));
    expect(shownOf(loud, 1, cellsOf, () => false)[0].key).toBe(rows[3].key);
    expect(shownOf(rows, 9, cellsOf, () => false)).toBe(rows);
  });
});

describe('marks', () => {
  test('a soft wash pump that is starved is marked, and its row is not fed', () => {
    const d = layout('crew-of-four');
    for (const p of d.softPumps!) if (p.kind === 'electric') p.openFlow = '0.3 gpm';
    const soft = d.softPumps!.find((p) => p.kind === 'electric')!;
    expect(marks(d).of(`pump:${soft.id}`)).toBe('starved');
    const row = fold(d).rows.find((r) => r.pump.subjectId === soft.id)!;
    expect(row.verdict).toBe('starved');
    expect(row.pump.verdict).toBe('starved');
  });
  test('a pair that must never meet marks both its tanks with a stop', () => {
    const d = layout('crew-of-four');
    const soap = d.liquids!.find((l) => d.tanks.some((t) => t.holds === l.id) && l.kind === 'soap')!;
    Object.assign(soap, { kind: 'acid' });
    const read = readRig(d);
    expect(read.ok).toBe(true);
    const a = assess(parseRig(d));
    const pair = a.findings.find((f) => f.code === 'never-mix');
    expect(pair?.also?.[0].kind).toBe('liquid');
    const m = marks(d);
    const ids = [pair!.subject.id, pair!.also![0].id].flatMap((id) => d.tanks.filter((t) => t.holds === id).map((t) => t.id));
    expect(ids.length).toBeGreaterThanOrEqual(2);
    for (const id of ids) expect(m.of(`tank:${id}`)).toBe('stop');
  });
  test('every finding of every layout marks something, or is about the rig as a whole', () => {
    for (const l of LAYOUTS) {
      const d = l.make();
      const a = assess(parseRig(d));
      for (const f of a.findings) {
        const alone = marksOf(d, { ...a, findings: [f] });
        const f1 = foldWaterway(d, { ...a, findings: [f] }, 'us');
        const cells = [...f1.sources, ...f1.tanks, ...f1.rows.flatMap(cellsOf)];
        if (f.verdict !== 'fed' && f.subject.kind !== 'rig') expect([f.code, cells.some((c) => alone.of(c.key) === f.verdict)]).toEqual([f.code, true]);
      }
    }
  });
});
