import { advise, applyFix } from '../../advise/advise';
import { simulateDay } from '../../day/index';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';

const layout = (): RigDocument => LAYOUTS.find((l) => l.id === 'boosted-skid')!.make();
const told = (d: RigDocument): readonly string[] =>
  judged(d)
    .findings.filter((f) => f.code === 'air-stalls')
    .map((f) => f.verdict);

// 18 cfm to 125 psi, adiabatic at 65 %: some 5.6 hp.
test('a compressor whose engine does not reach its cut-out is told; with a stronger one, or a lower cut-out, it rests', () => {
  const d = layout();
  expect(told(d)).toEqual([]);
  d.compressors![0].power = '4.5 hp';
  expect(told(d)).toEqual(['tight']);
  const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'air-stalls' && f.cures)!;
  expect(told(applyFix(d, fix))).toEqual([]);
  d.compressors![0].cutOut = '70 psi';
  expect(told(d)).toEqual([]);
});

test('an engine burns while it runs, whoever pulls the trigger; one that idles down burns less', () => {
  const burnt = (idles: boolean, share: string): number => {
    const d = layout();
    delete d.brief.day;
    d.brief.triggerShare = share;
    for (const m of d.machines) m.engine = { ...m.engine, ...(idles ? { idles: true } : {}) };
    return simulateDay(parseRig(d)).fuelKg;
  };
  expect(burnt(false, '5 %')).toBeGreaterThan(burnt(true, '5 %') * 1.05);
  expect(burnt(true, '5 %')).toBeGreaterThan(0);
});
