import { assumptionValues } from '../assumption/register';
import { LAYOUTS } from '../layouts/layouts';
import { readRig } from '../rig/read';
import { near } from '../testing/near';
import { Cases } from './cases';
import { Draws, netOut } from './mean-draw';

describe('what leaves the tanks while triggers are held', () => {
  const casesOf = (id: string): Cases => {
    const read = readRig(LAYOUTS.find((l) => l.id === id)!.make());
    if (!read.ok) throw new Error('unread');
    return new Cases(read.rig, assumptionValues(read.rig.assumptions));
  };
  test.each(LAYOUTS.map((l) => [l.id]))('%s: guns that stand apart add up to every way solved by itself', (id) => {
    const cases = casesOf(id);
    const { rig } = cases;
    const draws = new Draws(cases, 0.3);
    const guns = rig.outlets.filter((o) => o.open);
    if (guns.length > 6) return;
    expect(draws.ways).toHaveLength(2 ** guns.length);
    near(
      draws.ways.reduce((s, w) => s + w.share, 0),
      1,
      1e-12,
    );
    const runs = rig.machines.map((m) => cases.net.outletsOf(m.id).some((o) => o.open));
    draws.ways.forEach(({ out, share }, bits) => {
      const open = guns.filter((_, i) => bits & (1 << i)).map((o) => o.id);
      near(share, 0.3 ** open.length * 0.7 ** (guns.length - open.length), 1e-12);
      const alone = netOut(cases.given({ open, ...(runs.every(Boolean) ? {} : { running: (i) => runs[i] }) }), (i) => runs[i]);
      out.forEach((q, t) => expect(Math.abs(q - alone[t])).toBeLessThan(1e-12 + 1e-9 * Math.abs(alone[t])));
    });
  });
  test('guns of two washers stand apart, guns of one do not', () => {
    const cases = casesOf('crew-of-four');
    const guns = cases.rig.outlets.filter((o) => o.open);
    const groups = cases.apart(guns);
    expect(groups.flat().sort()).toEqual(guns.map((_, i) => i));
    const machineOf = (i: number) => cases.rig.machines.find((m) => cases.net.outletsOf(m.id).includes(guns[i]))!.id;
    for (const g of groups) expect(new Set(g.map(machineOf)).size).toBe(1);
    expect(groups.length).toBe(new Set(guns.map((_, i) => machineOf(i))).size);
  });
});
