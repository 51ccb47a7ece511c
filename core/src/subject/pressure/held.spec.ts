import { assess } from '../../assess/assess';
import { reassess } from '../../assess/again/reassess';
import { assumptionValues } from '../../assumption/register';
import { changed } from '../../edit/draft';
import { removeGun, splitGun } from '../../edit/gun';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import { Cases } from '../../solve/cases';
import { gunCombinations, pressureCases } from './pressure';

const layout = (id: string) => LAYOUTS.find((l) => l.id === id)!.make();
const close = (a: number, b: number): void => expect(Math.abs(a - b)).toBeLessThan(1e-9 * Math.max(Math.abs(a), Math.abs(b)) + 1e-12);

describe('triggers held', () => {
  test.each(LAYOUTS.map((l) => [l.id]))('%s: guns that stand apart, put together, do what the whole rig does', (id) => {
    const rig = parseRig(layout(id));
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    const told = pressureCases(cases);
    const combinations = gunCombinations(rig.outlets.filter((o) => o.open));
    expect(told.map((c) => c.label)).toEqual(combinations.map((c) => c.label));
    combinations.forEach(({ open }, k) => {
      // By a solver of its own, so that nothing is taken up.
      const solved = new Cases(rig, assumptionValues(rig.assumptions)).given({ open });
      expect(told[k].guns.map((g) => [g.outletId, g.open])).toEqual(rig.outlets.map((o) => [o.id, open.includes(o.id)]));
      rig.outlets.forEach((o, i) => {
        close(told[k].guns[i].pressurePa, open.includes(o.id) ? solved.pressureOf('outlet', o.id) : 0);
        close(told[k].guns[i].flowM3s, open.includes(o.id) ? solved.nozzleFlow(o) : 0);
      });
      for (const m of told[k].machines) {
        const machine = rig.machines.find((x) => x.id === m.machineId)!;
        close(m.flowM3s, solved.machineFlow(machine));
        close(m.pumpPressurePa, solved.pressureOf('machineOut', machine.id));
        close(m.returnedM3s, solved.returned(machine));
        close(m.returnPressurePa, solved.pressureOf('machineReturn', machine.id));
        expect(m.letsGo).toBe(solved.letsGo(machine));
      }
    });
  });
  test('a gun more and a gun less on the one washer leave nothing stale of the other', () => {
    let document = layout('crew-of-four');
    let before = reassess(parseRig(document));
    const gun = document.outlets[0].id;
    let second = '';
    for (const change of [
      (d: typeof document) => void (second = splitGun(d, gun)!),
      (d: typeof document) => removeGun(d, second),
      (d: typeof document) => removeGun(d, gun),
      (d: typeof document) => void (d.outlets[0].open = false),
    ]) {
      document = changed(document, change);
      before = reassess(parseRig(document), before);
      const fresh = assess(parseRig(document));
      expect(before.assessment.cases.map((c) => c.label)).toEqual(fresh.cases.map((c) => c.label));
      fresh.cases.forEach((c, k) => {
        c.guns.forEach((g, i) => close(before.assessment.cases[k].guns[i].pressurePa, g.pressurePa));
        c.machines.forEach((m, i) => close(before.assessment.cases[k].machines[i].returnedM3s, m.returnedM3s));
      });
      expect(before.assessment.findings.map((f) => f.code)).toEqual(fresh.findings.map((f) => f.code));
    }
  });
});
