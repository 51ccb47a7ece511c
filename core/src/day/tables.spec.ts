import { finished } from '../steps';
import { assumptionValues } from '../assumption/register';
import { Cases } from '../solve/cases';
import { BlendNetwork, wayOf } from '../solve/blend-network';
import { carriedStrengths } from '../solve/blend-start';
import { wantedStrength } from '../solve/consumption';
import { Stocks } from '../solve/stock';
import { crewOfFour } from '../layouts/crew-of-four';
import { LAYOUTS } from '../layouts/layouts';
import { pontoonRig } from '../layouts/first-rig';
import { smallBuffer } from '../layouts/small-buffer';
import { tiedTanksTruck } from '../layouts/tied-tanks-truck';
import { changed } from '../edit/draft';
import { growTank } from '../edit/grow-tank';
import { parseRig, type Read } from '../rig/read';
import { reread } from '../rig/reread';
import type { Rig, RigDocument } from '../rig/schema';
import { levelOf } from '../rig/tank-shape';
import { near, seeded } from '../testing/near';
import { dayModel, levelAt } from './model';
import { readTable, SoftBook, softTables } from './soft-states';
import { tidy } from './tidy';
import { together, vesselsOf } from '../solve/vessels';
import { WaterStates } from './water-states';

describe('mixes as tables over the levels of their tanks', () => {
  test.each(['crew-of-four', 'tied-tanks', 'small-buffer', 'two-totes', 'metric-header'])(
    '%s: within 0.5 % of the solved network at 40 random levels',
    (id) => {
      const rig = parseRig(LAYOUTS.find((l) => l.id === id)!.make());
      const values = assumptionValues(rig.assumptions);
      const cases = new Cases(rig, values);
      const stocks = new Stocks(rig, values);
      const random = seeded(31);
      let compared = 0;
      for (const table of finished(softTables(cases, stocks))) {
        const mix = rig.mixes.find((m) => m.id === table.mixId)!;
        const way = wayOf(rig, mix);
        if (!way) continue;
        const net = new BlendNetwork(rig, values, stocks, mix, way.pump, way.sprayer, way);
        const strengths = carriedStrengths(net, wantedStrength(mix, values));
        const row = new Float64Array(table.width);
        for (let i = 0; i < 40; i++) {
          // From a third up: below, a branch may shut its check valve, and the table rounds that corner off.
          const levels = Float64Array.from(table.low, (low, b) => low + (table.high[b] - low) * (0.35 + 0.65 * random()));
          readTable(table, levels, row);
          const solved = net.solve([...levels], false, strengths);
          const flow = row.slice(0, table.tanks.length).reduce((s, q) => s + q, 0);
          near(flow, solved.flowM3s, 5e-3);
          if (solved.strength > 0) near(row.slice(0, table.tanks.length).reduce((s, q, b) => s + q * table.strengths[b], 0) / flow, solved.strength, 5e-3);
          compared++;
        }
      }
      expect(compared).toBeGreaterThanOrEqual(40);
    },
  );
  test('at its own points a table is the solve itself, outside them it stays at its edge', () => {
    const rig = parseRig(crewOfFour());
    const values = assumptionValues(rig.assumptions);
    const [table] = finished(softTables(new Cases(rig, values), new Stocks(rig, values)));
    const [a, b, c] = [new Float64Array(table.width), new Float64Array(table.width), new Float64Array(table.width)];
    readTable(table, table.high, a);
    readTable(
      table,
      Float64Array.from(table.high, (x) => x + 1),
      b,
    );
    expect([...b]).toEqual([...a]);
    expect(a[0]).toBe(table.rows[table.rows.length - table.width]);
    readTable(
      table,
      Float64Array.from(table.low, (x) => x - 1),
      c,
    );
    expect(c[0]).toBe(table.rows[0]);
  });
});

describe('water as solved states', () => {
  const burnt = (fuel: Float64Array): number => fuel.reduce((s, x) => s + x, 0);
  const statesOf = (make: () => ReturnType<typeof pontoonRig>): WaterStates => dayModel(parseRig(make())).water;
  test('a machine that rests draws nothing and burns nothing; with its trigger shut it gives back what it draws', () => {
    const states = statesOf(pontoonRig);
    expect([...states.state(0, 0).draw]).toEqual([0]);
    expect(burnt(states.state(0, 0).fuel)).toBe(0);
    const shut = states.state(0, 1);
    expect(Math.abs(shut.draw[0])).toBeLessThan(1e-8);
    expect(shut.heat[0]).toBeGreaterThan(500);
    expect(burnt(shut.fuel)).toBeGreaterThan(0);
    const open = states.state(1, 1);
    expect(open.draw[0]).toBeGreaterThan(4e-4);
    expect(burnt(open.fuel)).toBeGreaterThan(burnt(shut.fuel));
    near(open.flow[0], open.draw[0], 1e-6);
  });
  test('each state is solved once', () => {
    const states = statesOf(crewOfFour);
    expect(states.state(5, 3)).toBe(states.state(5, 3));
    expect(states.spigot(0)).toBe(states.spigot(3));
  });
  test('a better spigot fills faster, in the tables and between them', () => {
    const { into } = statesOf(pontoonRig).spigot(0);
    for (let i = 1; i < into.length; i++) expect(into[i][0]).toBeGreaterThan(into[i - 1][0]);
    expect(WaterStates.place(1).share).toBeCloseTo(1, 9);
    expect(WaterStates.place(0)).toEqual({ at: 0, share: 0 });
    expect(WaterStates.place(99).share).toBe(1);
    expect(WaterStates.place(1.125)).toMatchObject({ share: expect.closeTo(0.5, 9) });
  });
  test('a machine straight from the spigot is fed by a good one and not by a poor one', () => {
    const states = statesOf(LAYOUTS.find((l) => l.id === 'two-batch')!.make);
    expect(states.direct).toEqual([true]);
    expect(states.source).toEqual([-1]);
    const { margin } = states.spigot(1);
    expect(margin[margin.length - 1][0]).toBeGreaterThan(0);
    expect(margin[0][0]).toBeLessThan(0);
    for (let i = 1; i < margin.length; i++) expect(margin[i][0]).toBeGreaterThanOrEqual(margin[i - 1][0] - 1e-6);
  });
  test('warmer water starves a pump at a higher level', () => {
    const d = pontoonRig();
    d.machines[0].npshRequired = '22 ft';
    const states = dayModel(parseRig(d)).water;
    for (let lost = 0; lost < 2; lost += 0.25) expect(states.starvesAt(0, lost + 0.25)).toBeGreaterThanOrEqual(states.starvesAt(0, lost));
  });
});

describe('vessels', () => {
  test('tied tanks are vessels of their own that know each other; each has the heel of its own outlets', () => {
    const rig = parseRig(tiedTanksTruck());
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    const [left, right, ...rest] = vesselsOf(cases);
    expect(left.tied.map((t) => t.id)).toEqual(['left', 'right']);
    expect(right.tied).toEqual(left.tied);
    expect(rest.every((v) => v.tied.length === 1)).toBe(true);
    expect([left.drawn, right.drawn]).toEqual([false, true]);
    expect(right.heel).toBeGreaterThan(left.heel);
    near(
      together([left, right], 0, (v) => v.full),
      left.full + right.full,
      1e-12,
    );
  });
  test('water has a heel and a float’s band, chemicals the height of their outlet and none', () => {
    const rig = parseRig(smallBuffer());
    const vessels = vesselsOf(new Cases(rig, assumptionValues(rig.assumptions)));
    const [buffer] = vessels;
    expect(buffer).toMatchObject({ water: true, filled: true });
    expect(buffer.heel).toBeGreaterThan(0.05 * buffer.full);
    expect(buffer.band).toBeGreaterThan(0);
    const sh = vessels.find((v) => v.tank.id === 'sh-tank')!;
    expect(sh).toMatchObject({ water: false, filled: false, band: 0 });
    expect(sh.heel).toBeLessThan(0.02 * sh.full);
  });
  test('levels are read from a table as the tank has them', () => {
    const model = dayModel(parseRig(crewOfFour()));
    model.softVessels.forEach((places, k) =>
      places.forEach((v, b) => {
        if (v < 0) return;
        const vessel = model.vessels[v];
        for (const share of [0, 0.21, 0.5, 0.93, 1]) {
          const exact = levelOf(vessel.tank.shape, vessel.full * share);
          expect(Math.abs(levelAt(model.branchLevels[k][b], share) - exact)).toBeLessThan(2e-3);
        }
      }),
    );
  });
});

test('solved figures are cut to twelve digits and no further', () => {
  expect(tidy(1 / 3)).toBe(0.333333333333);
  expect(tidy(-1.23456789012345e-9)).toBe(-1.23456789012e-9);
  expect([tidy(0), tidy(Infinity)]).toEqual([0, Infinity]);
});

describe('tables taken up from a like rig', () => {
  const rigOf = (d: RigDocument, before?: Read): Read => {
    const read = reread(d, before);
    if (!read.ok) throw new Error(read.problems[0].message);
    return read;
  };
  const tables = (rig: Rig, book?: SoftBook) => {
    const values = assumptionValues(rig.assumptions);
    return finished(softTables(new Cases(rig, values), new Stocks(rig, values), book));
  };
  test.each(LAYOUTS.filter((l) => l.make().mixes?.length).map((l) => [l.id, l] as const))('%s: as worked out anew, whatever is changed', (_id, layout) => {
    const doc = layout.make();
    const base = rigOf(doc);
    const book = new SoftBook();
    const first = tables(base.rig, book);
    expect(first).toEqual(tables(base.rig));
    const changes: readonly ((d: RigDocument) => void)[] = [
      ...doc.tanks.map((t) => (d: RigDocument) => growTank(d, t.id, 1.5)),
      (d) => void (d.brief.water = '30 °C'),
      ...(doc.mixes ?? []).map((_m, i) => (d: RigDocument) => void (d.mixes![i].wanted = '1.7 %')),
      ...(doc.sprayers ?? []).map((_s, i) => (d: RigDocument) => void (d.sprayers![i].height = '11 ft')),
      (d) => d.lines.filter((l) => l.role === 'chemical').forEach((l) => l.parts.pop()),
    ];
    for (const change of changes) {
      const now = rigOf(changed(doc, change), base);
      expect(tables(now.rig, book)).toEqual(tables(now.rig));
    }
  });
  test('a mix that draws on no tank that grew has the very table of before', () => {
    const doc = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
    const base = rigOf(doc);
    const book = new SoftBook();
    const first = tables(base.rig, book);
    const water = doc.tanks.findIndex((t) => t.liquid === 'water');
    const now = tables(
      rigOf(
        changed(doc, (d) => growTank(d, doc.tanks[water].id, 2)),
        base,
      ).rig,
      book,
    );
    const stood = now.filter((t, i) => t === first[i]);
    expect(stood.map((t) => t.mixId)).toEqual(first.filter((t) => !t.tanks.includes(water)).map((t) => t.mixId));
    expect(stood.length).toBeGreaterThan(0);
  });
});
