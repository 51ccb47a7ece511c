import { velocity } from '../../hydraulics/friction.js';
import { shapeHeight, volumeAt } from '../../rig/tank-shape.js';
import type { Machine, Tank } from '../../rig/schema.js';
import { figure, input, message } from '../../working/figure.js';
import type { Cases } from '../../solve/cases.js';
import { submergence } from '../../solve/heel.js';
import { partShares } from '../../solve/part-shares.js';
import type { LevelSeries, TankResult } from './result.js';
import type { FillResult } from '../fill/result.js';
import type { Finding } from '../finding.js';
import type { Verdict } from '../verdict.js';

const STEPS = 60;

/** Flow that leaves through the guns of a machine with all of them open, m³/s; the rest comes back. */
function gunFlow(cases: Cases, machine: Machine): number {
  const { asDrawn } = cases;
  return cases.net.outletsOf(machine.id).reduce((sum, o) => {
    const sharing = cases.rig.machines.filter((m) => cases.net.outletsOf(m.id).some((x) => x.id === o.id)).length;
    return sum + asDrawn.nozzleFlow(o) / Math.max(sharing, 1);
  }, 0);
}

/** Water on board by constant in- and outflow, never above full and never below the heel. Exact at each step. */
export function levelSeries(startM3: number, fullM3: number, heelM3: number, inM3s: number, outM3s: number, jobS: number): LevelSeries {
  const net = inM3s - outM3s;
  const timeS: number[] = [];
  const volumeM3: number[] = [];
  for (let i = 0; i <= STEPS; i++) {
    const t = (jobS * i) / STEPS;
    timeS.push(t);
    volumeM3.push(Math.min(Math.max(startM3 + net * t, Math.min(heelM3, startM3)), Math.max(fullM3, startM3)));
  }
  return { timeS, volumeM3 };
}

/** Seconds until `aboveHeel` is used up by a net outflow; Infinity when it is not. */
export function timeToEmpty(aboveHeelM3: number, outM3s: number, inM3s: number): number {
  if (!(outM3s > inM3s)) return Infinity;
  return Math.max(aboveHeelM3, 0) / (outM3s - inM3s);
}

/** Judges a tank, together with those tied to it, over the job. */
export function assessTank(cases: Cases, tank: Tank, fills: readonly FillResult[], softWash: Readonly<Record<string, number>> = {}): TankResult {
  const { rig, net, values } = cases;
  const group = net.tieGroupOf.get(tank.id);
  const tied = group === undefined ? [tank] : rig.tanks.filter((t) => net.tieGroupOf.get(t.id) === group);
  const ids = tied.map((t) => t.id);

  const { asDrawn } = cases;
  // Each machine's water comes from tanks in the proportion its whole flow does.
  let fullDraw = 0;
  let netDraw = 0;
  const drawn = ids.reduce((sum, id) => sum + asDrawn.drawnFrom(id), 0);
  const machinesFlow = rig.machines.filter((m) => !net.cutOff.has(m.id)).reduce((s, m) => s + m.flow, 0);
  const share = machinesFlow > 0 ? Math.max(drawn, 0) / totalDrawn(cases, machinesFlow) : 0;
  for (const m of rig.machines) {
    if (net.cutOff.has(m.id)) continue;
    const out = gunFlow(cases, m) * directShare(cases, m);
    fullDraw += out * share;
    netDraw += out * share * rig.brief.triggerShare;
  }

  // Soft washing draws on its tanks besides; its share of the job is in the mean already.
  const soft = ids.reduce((sum, id) => sum + (tank.liquid === 'water' ? (softWash[id] ?? 0) : 0), 0);
  if (soft > 0) fullDraw += soft / values['soft-wash-share'];
  netDraw += soft;

  const volume = (level: (t: Tank) => number): number => tied.reduce((s, t) => s + volumeAt(t.shape, level(t)), 0);
  const top = (t: Tank): number => Math.min(t.fullLevel, shapeHeight(t.shape));
  const fullM3 = volume(top);
  const startM3 = Math.min(
    volume((t) => t.startLevel),
    fullM3,
  );
  const heelLevel = (t: Tank): number => cases.heel.get(t.id)!;
  const heelM3 = volume(heelLevel);
  const inflow = sum(fills, ids, (f) => f.arrives.value);
  const inflowPoor = sum(fills, ids, (f) => f.poor);
  const inflowGood = sum(fills, ids, (f) => f.good);
  const jobS = rig.brief.job;
  const usableM3 = Math.max(fullM3 - heelM3, 0);
  const reserve = 1 + values['buffer-reserve'];
  const neededM3 = Math.max(netDraw - inflow, 0) * jobS * reserve;
  const aboveHeel = startM3 - heelM3;
  const dry = timeToEmpty(aboveHeel, netDraw, inflow);
  const dryPoor = timeToEmpty(aboveHeel, netDraw, inflowPoor);
  const leftM3 = Math.min(aboveHeel + (inflow - netDraw) * jobS, usableM3);
  const drawing = fullDraw > 0;

  let verdict: Verdict = 'fed';
  if (drawing && dry < jobS * 0.9999) verdict = 'starved';
  else if (drawing && (dryPoor < jobS || neededM3 > aboveHeel * 1.0001)) verdict = 'tight';

  const heelBy = cases.heelBy.get(tank.id);
  return {
    tankId: tank.id,
    tiedIds: ids,
    ownVolumeM3: volumeAt(tank.shape, top(tank)),
    fullVolumeM3: fullM3,
    startVolumeM3: startM3,
    heelVolumeM3: heelM3,
    // What soft wash alone draws on has no vortex to mind: its hose's end is where it was set.
    heelLevel: heelBy
      ? figure(
          heelLevel(tank),
          'length',
          'heel-level',
          [
            input('z_out', 'outlet above the bottom', heelBy.outletM, 'length'),
            input('s', 'share of the rule that is kept', values['heel-share'], 'ratio'),
            input('S', 'depth by the rule', submergence(heelBy.boreM, heelBy.flowM3s), 'length'),
            input('D', 'bore of the outlet', heelBy.boreM, 'length'),
            input('V', 'velocity in it', velocity(Math.abs(heelBy.flowM3s), heelBy.boreM), 'velocity'),
          ],
          ['heel-share'],
        )
      : figure(heelLevel(tank), 'length', 'given'),
    usable: figure(usableM3, 'volume', 'usable-volume', [input('V', 'full', fullM3, 'volume'), input('V_heel', 'heel', heelM3, 'volume')]),
    inflow: figure(
      inflow,
      'flow',
      'network',
      fills.filter((f) => ids.includes(f.tankId)).map((f) => input('Q', 'fill line', f.arrives.value, 'flow')),
    ),
    inflowPoor,
    inflowGood,
    draw: figure(netDraw, 'flow', 'net-draw', [
      input('Q', 'guns held open', fullDraw, 'flow'),
      input('share', 'trigger share', rig.brief.triggerShare, 'ratio'),
      ...(soft > 0 ? [input('Q_soft', 'soft wash, mean', soft, 'flow')] : []),
    ]),
    fullDraw: figure(fullDraw, 'flow', 'net-draw', [input('Q', 'guns held open', fullDraw, 'flow')]),
    timeToEmpty: figure(timeToEmpty(aboveHeel, fullDraw, inflow), 'time', 'time-to-empty', [
      input('V', 'above the heel', aboveHeel, 'volume'),
      input('Q_out', 'guns held open', fullDraw, 'flow'),
      input('Q_in', 'arrives', inflow, 'flow'),
    ]),
    dryAfter: figure(dry < jobS ? dry : Infinity, 'time', 'time-to-empty', [
      input('V', 'above the heel', aboveHeel, 'volume'),
      input('Q_out', 'net draw', netDraw, 'flow'),
      input('Q_in', 'arrives', inflow, 'flow'),
    ]),
    dryAfterPoorS: dryPoor < jobS ? dryPoor : Infinity,
    timeToRecover: figure(inflow > 0 ? usableM3 / inflow : Infinity, 'time', 'time-to-recover', [
      input('V', 'usable', usableM3, 'volume'),
      input('Q_in', 'arrives', inflow, 'flow'),
    ]),
    needed: figure(
      neededM3,
      'volume',
      'mass-curve',
      [
        input('Q_out', 'net draw', netDraw, 'flow'),
        input('Q_in', 'arrives', inflow, 'flow'),
        input('t', 'job', jobS, 'time'),
        input('reserve', 'reserve', values['buffer-reserve'], 'ratio'),
      ],
      ['buffer-reserve'],
    ),
    leftM3,
    series: levelSeries(startM3, fullM3, heelM3, inflow, netDraw, jobS),
    seriesPoor: levelSeries(startM3, fullM3, heelM3, inflowPoor, netDraw, jobS),
    seriesGood: levelSeries(startM3, fullM3, heelM3, inflowGood, netDraw, jobS),
    tie: tied.length > 1 ? tieDifference(cases, tied) : undefined,
    verdict,
  };
}

const sum = (fills: readonly FillResult[], ids: readonly string[], of: (f: FillResult) => number): number =>
  fills.filter((f) => ids.includes(f.tankId)).reduce((s, f) => s + of(f), 0);

/** Flow drawn from all tanks together; never zero. */
function totalDrawn(cases: Cases, fallback: number): number {
  const all = cases.rig.tanks.reduce((s, t) => s + Math.max(cases.asDrawn.drawnFrom(t.id), 0), 0);
  return all > 0 ? all : fallback;
}

/** 0 for a machine fed straight from a spigot, 1 for one fed from tanks. */
function directShare(cases: Cases, machine: Machine): number {
  const seen = new Set<string>();
  const fromTank = (kind: string, id: string): boolean =>
    cases.rig.lines.some((l) => {
      if (seen.has(l.id) || l.closed || l.to.at !== kind || l.to.id !== id || l.role === 'bypass') return false;
      seen.add(l.id);
      return l.from.at === 'tank' || fromTank(l.from.at, l.from.id ?? '');
    });
  return fromTank('machine', machine.id) ? 1 : 0;
}

/** Level difference of tied tanks at full draw, and which of them is lowest. */
function tieDifference(cases: Cases, tied: readonly Tank[]): TankResult['tie'] {
  const { asDrawn } = cases;
  const ties = cases.rig.lines.filter((l) => l.role === 'tie' && !l.closed && tied.some((t) => t.id === l.from.id));
  const heads = tied.map((t) => ({ id: t.id, base: t.base, head: asDrawn.headOf('tank', t.id) }));
  const low = heads.reduce((a, b) => (b.head < a.head ? b : a));
  const high = heads.reduce((a, b) => (b.head > a.head ? b : a));
  return { differenceM: figure(high.head - low.head, 'length', 'tie-difference', []), firstDryId: low.id, parts: partShares(asDrawn, ties) };
}

export function tankFindings(cases: Cases, tank: Tank, result: TankResult): Finding[] {
  const { rig } = cases;
  const out: Finding[] = [];
  const subject = { kind: 'tank', id: tank.id } as const;
  const name = result.tiedIds.length > 1 ? result.tiedIds.map((id) => rig.tanks.find((t) => t.id === id)!.name).join(' and ') : tank.name;
  const time = (value: number) => ({ value, dimension: 'time' as const });
  const flow = (value: number) => ({ value, dimension: 'flow' as const });
  for (const line of rig.lines) {
    if (line.from.at !== 'tank' || line.from.id !== tank.id || line.from.height === undefined) continue;
    const above = line.from.height - tank.base;
    if (above > shapeHeight(tank.shape) || above < -1e-9)
      out.push({
        code: 'outlet-outside',
        verdict: 'starved',
        station: 'tanks',
        subject,
        message: message(
          above < 0
            ? 'The outlet of {tank} sits below its bottom: raise it or lower the tank.'
            : 'The outlet of {tank} sits above its top: no water can reach it.',
          { tank: tank.name },
        ),
      });
  }
  if (tank.startLevel > shapeHeight(tank.shape) + 1e-9 || tank.fullLevel > shapeHeight(tank.shape) + 1e-9)
    out.push({
      code: 'over-full',
      verdict: 'tight',
      station: 'tanks',
      subject,
      message: message('{tank} is said to be filled higher than it is tall; its top is taken instead.', { tank: tank.name }),
    });
  if (result.tiedIds[0] !== tank.id) return out;
  if (result.fullDraw.value > 0) {
    if (result.verdict === 'starved')
      out.push({
        code: 'runs-dry',
        verdict: 'starved',
        station: 'tanks',
        subject,
        message: message('{tank} runs dry after {t} of a {job} job: {out} go out and {in} come in.', {
          tank: name,
          t: time(result.dryAfter.value),
          job: time(rig.brief.job),
          out: flow(result.draw.value),
          in: flow(result.inflow.value),
        }),
      });
    else if (Number.isFinite(result.dryAfterPoorS))
      out.push({
        code: 'runs-dry-poor',
        verdict: 'tight',
        station: 'tanks',
        subject,
        message: message('At a poor spigot ({in} arriving), {tank} runs dry after {t}.', {
          tank: name,
          in: flow(result.inflowPoor),
          t: time(result.dryAfterPoorS),
        }),
      });
    else if (result.verdict === 'tight')
      out.push({
        code: 'little-reserve',
        verdict: 'tight',
        station: 'tanks',
        subject,
        message: message('{tank} lasts the job but keeps less than its reserve.', { tank: name }),
      });
  }
  if (result.tie && result.tie.differenceM.value > cases.values['tie-difference']) {
    const low = rig.tanks.find((t) => t.id === result.tie!.firstDryId)!;
    out.push({
      code: 'tie-small',
      verdict: result.tie.differenceM.value > cases.values['tie-starves'] * shapeHeight(low.shape) ? 'starved' : 'tight',
      station: 'tanks',
      subject: { kind: 'tank', id: low.id },
      message: message('{tank} stands {d} lower than the tank tied to it at full draw: it runs dry while the other still holds water.', {
        tank: low.name,
        d: { value: result.tie.differenceM.value, dimension: 'length' },
      }),
    });
  }
  return out;
}
