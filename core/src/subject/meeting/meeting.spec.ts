import { advise, applyFix } from '../../advise/advise';
import { twoBatchSingleAxle } from '../../layouts/two-batch-single-axle';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';

describe('what must not meet', () => {
  const withAcid = (): RigDocument => {
    const d = twoBatchSingleAxle();
    d.liquids!.push({ id: 'rust', name: 'Rust remover', kind: 'acid', price: '$18' });
    d.tanks.push({ ...d.tanks[0], id: 'acid-tank', name: 'Acid', holds: 'rust' });
    return d;
  };
  test('acid on the same rig with a pump of its own is listed, not stopped', () => {
    const a = judged(withAcid());
    expect(a.verdict).not.toBe('stop');
    expect(a.chemical.meetings.find((m) => m.verdict === 'never')).toMatchObject({ places: [] });
  });
  test('acid that can be drawn into the SH pump is a stop with its reason, even behind a shut valve', () => {
    const d = withAcid();
    d.lines.push({ ...d.lines.find((l) => l.id === 'walls-draw')!, id: 'acid-draw', from: { at: 'tank', id: 'acid-tank' }, closed: true });
    const a = judged(d);
    expect(a.verdict).toBe('stop');
    const found = a.findings.find((f) => f.code === 'never-mix')!;
    expect(found.message.values['reason']).toMatch(/chlorine gas/);
    const fix = advise(d, parseRig(d), a).find((f) => f.code === 'never-mix')!;
    expect(judged(applyFix(d, fix)).verdict).not.toBe('stop');
  });
  test('acid tied to the SH, shut or open, is a stop; tied to its own kind it is none', () => {
    const tie = (from: string, to: string): RigDocument => {
      const d = withAcid();
      d.tanks.push({ ...d.tanks.find((t) => t.id === 'acid-tank')!, id: 'acid-2', name: 'Acid 2' });
      d.lines.push({
        id: 'cross',
        role: 'tie',
        closed: true,
        from: { at: 'tank', id: from, height: '1 in' },
        to: { at: 'tank', id: to, height: '1 in' },
        parts: [],
      });
      return d;
    };
    const never = (d: RigDocument) =>
      judged(d)
        .findings.filter((f) => f.code === 'never-mix')
        .map((f) => f.verdict);
    const sh = twoBatchSingleAxle().tanks.find((t) => t.holds)!.id;
    expect(never(tie('acid-tank', sh))).toEqual(['stop']);
    const d = tie('acid-tank', sh);
    expect(
      never(
        applyFix(
          d,
          advise(d, parseRig(d), judged(d)).find((f) => f.code === 'never-mix')!,
        ),
      ),
    ).toEqual([]);
    expect(never(tie('acid-tank', 'acid-2'))).toEqual([]);
  });
  test('two that make gas, each in a container of its own, are a caution', () => {
    expect(judged(withAcid()).cautions.map((c) => c.key)).toContain('gas-apart');
    expect(judged(twoBatchSingleAxle()).cautions.map((c) => c.key)).not.toContain('gas-apart');
  });
  test('a brass swivel under SH and nitrile seals in its pump are told, and cured', () => {
    const d = twoBatchSingleAxle();
    d.reels = [
      { id: 'soft-reel', name: 'Soft wash reel', line: 'walls-hose', flange: '20 in', core: '8 in', width: '18 in', place: 'kerb', row: '1', swivel: 'brass' },
    ];
    d.softPumps![0].seals = 'nitrile';
    const a = judged(d);
    expect(a.findings.filter((f) => f.code === 'attacked').map((f) => f.station)).toEqual(expect.arrayContaining(['reels', 'machines']));
    const fixes = advise(d, parseRig(d), a).filter((f) => f.code === 'attacked');
    expect(fixes.length).toBeGreaterThanOrEqual(2);
  });
});
