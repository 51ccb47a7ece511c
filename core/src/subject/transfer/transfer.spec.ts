import { advise, applyFix } from '../../advise/advise.js';
import { assess } from '../../assess/assess.js';
import { assumptionValues } from '../../assumption/register.js';
import { partHeadLoss } from '../../catalogue/part-loss.js';
import { addTransfer, removeTank, removeTransfer, transfersOf } from '../../edit/index.js';
import { GRAVITY } from '../../fluid/air.js';
import { waterAt } from '../../fluid/water.js';
import { LAYOUTS } from '../../layouts/layouts.js';
import { mend } from '../../rig/mend.js';
import { parseRig } from '../../rig/read.js';
import type { RigDocument } from '../../rig/schema.js';
import { volumeAt } from '../../rig/tank-shape.js';
import { transferWays } from '../../solve/transfer.js';
import { judged } from '../../testing/judge';

const GPM = 6.30902e-5;

/** A rig with batch tanks, and a drum of stock that is pumped into one. */
const withDrum = (change: (d: RigDocument) => void = () => undefined): RigDocument => {
  const d = LAYOUTS.find((l) => l.id === 'two-batch')!.make();
  const batch = d.tanks.find((t) => t.liquid === 'chemical')!;
  const { mixes = [] } = d;
  d.tanks.push({
    id: 'drum',
    name: 'Drum',
    liquid: 'chemical',
    holds: mixes[0].stock,
    shape: { kind: 'upright-cylinder', diameter: '22 in', height: '34 in' },
    base: '0 in',
    fullLevel: '32 in',
    startLevel: '32 in',
    lid: 'closed',
    ventBore: '1 in',
  });
  addTransfer(d, 'drum', batch.id);
  change(d);
  mend(d);
  return d;
};
const told = (d: RigDocument, code: string) => judged(d).findings.filter((f) => f.code === code);

describe('a pump from tank to tank', () => {
  test('works where its curve meets lift and hoses, redone by hand with the stock’s gravity', () => {
    const rig = parseRig(withDrum());
    const a = assess(rig);
    const [r] = a.chemical.transfers;
    const [way] = transferWays(rig);
    const values = assumptionValues(rig.assumptions);
    const water = waterAt(rig.brief.water);
    const q = r.flow.value;
    const rho = water.densityKgM3 * GRAVITY;
    const gravity = r.flow.working.inputs.find((i) => i.symbol === 's')!.value;
    expect(gravity).toBeGreaterThan(1.1);
    const lift = way.delivery.to.height! - (way.from.base + way.from.fullLevel / 2);
    const asked = gravity * (lift + [...way.suction.parts, ...way.delivery.parts].reduce((s, p) => s + partHeadLoss(p, q, water, values, false), 0));
    const given = r.flow.working.inputs.find((i) => i.symbol === 'H')!.value;
    expect(asked).toBeCloseTo(given, 3);
    // The pump's sheet: 4 gpm open, half of it at 45 psi, straight between, less what its cable takes of its speed.
    const line = way.pump.openFlow * (1 - (0.5 * given * rho) / way.pump.limit);
    expect(q).toBeLessThanOrEqual(line * 1.001);
    expect(q).toBeGreaterThan(0.85 * line);
    expect(r.least).toBeLessThan(q);
    expect(q / GPM).toBeGreaterThan(2.5);
  });
  test('moves what there is, or what there is room for, in the time of that flow', () => {
    const rig = parseRig(withDrum());
    const [r] = assess(rig).chemical.transfers;
    const [way] = transferWays(rig);
    expect(r.moves.value).toBeCloseTo(Math.min(volumeAt(way.from.shape, way.from.fullLevel), volumeAt(way.to.shape, way.to.fullLevel)), 6);
    expect(r.time.value).toBeCloseTo(r.moves.value / r.flow.value, 6);
    const small = judged(withDrum((d) => void (d.tanks.find((t) => t.id === transfersOf(d)[0].toId)!.fullLevel = '4 in'))).chemical.transfers[0];
    expect(small.overflows).toBe(true);
    expect(small.moves.value).toBeLessThan(r.moves.value);
  });
  test('what it cannot lift is told starved, and more pressure cures it', () => {
    const high = withDrum((d) => void (d.lines.find((l) => l.from.at === 'soft-pump' && l.to.at === 'tank')!.to.height = '38 ft'));
    high.softPumps!.find((p) => p.name === 'Transfer pump')!.limit = '15 psi';
    const [f] = told(high, 'transfer-none');
    expect(f).toMatchObject({ verdict: 'starved', station: 'liquids' });
    const fix = advise(high, parseRig(high), judged(high)).find((x) => x.code === 'transfer-none' && x.id.includes('psi'))!;
    expect(told(applyFix(high, fix), 'transfer-none')).toEqual([]);
    expect(judged(applyFix(high, fix)).chemical.transfers[0].least).toBeGreaterThan(0);
  });
  test('a long wait and a long suck are told', () => {
    const slow = withDrum((d) => void (d.softPumps!.find((p) => p.name === 'Transfer pump')!.openFlow = '1 gpm'));
    expect(told(slow, 'transfer-slow')).toMatchObject([{ verdict: 'tight' }]);
    const high = withDrum((d) => void (d.softPumps!.find((p) => p.name === 'Transfer pump')!.height = '11 ft'));
    const [suction] = told(high, 'transfer-suction');
    expect(suction).toMatchObject({ verdict: 'tight' });
    const fix = advise(high, parseRig(high), judged(high)).find((x) => x.code === 'transfer-suction')!;
    expect(told(applyFix(high, fix), 'transfer-suction')).toEqual([]);
  });
  test('acid pumped into a tank of SH is a stop', () => {
    const acid = withDrum((d) => {
      d.liquids!.push({ id: 'acid', name: 'Brick acid', kind: 'acid', price: '12' });
      d.tanks.find((t) => t.id === 'drum')!.holds = 'acid';
    });
    const batch = acid.tanks.find((t) => t.id === transfersOf(acid)[0].toId)!;
    expect(judged(acid).findings.some((f) => f.verdict === 'stop' && JSON.stringify(f.message).includes(batch.name))).toBe(true);
  });
  test('its current stands among the circuits, with cable and fuse, none of it in the day’s work; a shut valve makes it no way', () => {
    const d = withDrum();
    const [r] = judged(d).chemical.transfers;
    const own = judged(d).circuits.find((c) => c.loadId === r.pumpId)!;
    expect(own.current.value).toBeCloseTo(r.current!.value, 9);
    expect(own.daySeconds).toBe(0);
    // A pump, and no starter: fused, and its drop told of its running volts.
    expect(own.fuseA).toBeGreaterThan(r.current!.value);
    expect(own.drop!.working.inputs.find((i) => i.symbol === 'V')!.value).toBeCloseTo(12.5, 9);
    d.lines.find((l) => l.to.at === 'soft-pump' && l.from.id === 'drum')!.closed = true;
    expect(judged(d).chemical.transfers).toEqual([]);
  });
  test('its hoses are among what is to be drained before the frost', () => {
    const d = withDrum();
    expect(judged(d).chemical.winter!.circuits.map((c) => c.name)).toContain('Transfer pump');
  });
  test('it goes with either tank, and by itself, leaving nothing loose', () => {
    for (const end of ['fromId', 'toId'] as const) {
      const d = withDrum();
      removeTank(d, transfersOf(d)[0][end]);
      mend(d);
      expect([transfersOf(d), d.softPumps!.some((p) => p.name === 'Transfer pump'), d.lines.some((l) => l.id.startsWith('transfer'))]).toEqual([
        [],
        false,
        false,
      ]);
      expect(() => parseRig(d)).not.toThrow();
    }
    const d = withDrum();
    removeTransfer(d, transfersOf(d)[0].pumpId);
    mend(d);
    expect(transfersOf(d)).toEqual([]);
    expect(addTransfer(d, 'drum', 'drum')).toBeUndefined();
    expect(addTransfer(d, 'gone', 'drum')).toBeUndefined();
  });
});
