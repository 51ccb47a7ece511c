import { velocity } from '../../hydraulics/friction.js';
import { fullDepth, shapeHeight, volumeAt } from '../../rig/tank-shape.js';
import type { Tank } from '../../rig/schema.js';
import { figure, type Input, input, message } from '../../working/figure.js';
import type { Cases } from '../../solve/cases.js';
import { submergence } from '../../solve/heel.js';
import type { Draws } from '../../solve/mean-draw.js';
import { partShares } from '../../solve/part-shares.js';
import { straightJob, type StraightRun, tiesOf } from '../../solve/straight-job.js';
import { tiedWith, vesselsOf } from '../../solve/vessels.js';
import type { TankResult } from './result.js';
import type { FillResult } from '../fill/result.js';
import type { Finding } from '../finding.js';
import type { Verdict } from '../verdict.js';

/** What tied tanks go through together, by the first of them. */
export type Runs = Map<string, { readonly usual: StraightRun; readonly poor: StraightRun; readonly good: StraightRun; readonly held: number }>;

function shared<K, V>(known: Map<K, V>, key: K, make: () => V): V {
  let v = known.get(key);
  if (v === undefined) known.set(key, (v = make()));
  return v;
}

/** Judges a tank, together with those tied to it, over the job. */
export function assessTank(
  cases: Cases,
  tank: Tank,
  draws: Draws,
  fills: readonly FillResult[],
  softWash: Readonly<Record<string, number>>,
  runs: Runs,
): TankResult {
  const { rig, values } = cases;
  const tied = tiedWith(cases, tank);
  const ids = tied.map((t) => t.id);
  const places = tied.map((t) => rig.tanks.indexOf(t));

  // Soft washing draws on its tanks besides; its share of the job is in the mean already.
  const softOf = (id: string): number => (tank.liquid === 'water' ? (softWash[id] ?? 0) : 0);
  const soft = ids.reduce((sum, id) => sum + softOf(id), 0);
  const netDraws = places.map((p, i) => tidied(draws.mean(p)) + softOf(ids[i]));
  const fullDraws = places.map((p, i) => tidied(draws.all[p]) + (softOf(ids[i]) > 0 ? softOf(ids[i]) / values['soft-wash-share'] : 0));
  const netDraw = netDraws.reduce((s, q) => s + q, 0);
  const fullDraw = fullDraws.reduce((s, q) => s + q, 0);

  const volume = (level: (t: Tank) => number): number => tied.reduce((s, t) => s + volumeAt(t.shape, level(t)), 0);
  const fullM3 = volume(fullDepth);
  const startM3 = Math.min(
    volume((t) => t.startLevel),
    fullM3,
  );
  const heelLevel = (t: Tank): number => cases.heel.get(t.id)!;
  // Where more has to stand in a tank than it is filled to, all that it holds cannot be drawn.
  const heelM3 = volume((t) => Math.min(heelLevel(t), fullDepth(t)));
  const inflow = sum(fills, ids, (f) => f.arrives.value);
  const inflowPoor = sum(fills, ids, (f) => f.poor);
  const inflowGood = sum(fills, ids, (f) => f.good);
  const jobS = rig.brief.job;
  const usableM3 = Math.max(fullM3 - heelM3, 0);
  const reserve = 1 + values['buffer-reserve'];
  const neededM3 = Math.max(netDraw - inflow, 0) * jobS * reserve;
  const aboveHeel = startM3 - heelM3;
  const vessels = vesselsOf(cases).filter((v) => tied.includes(v.tank));
  const ties = tiesOf(cases, vessels);
  const came = (of: (f: FillResult) => number): number[] => ids.map((id) => sum(fills, [id], of));
  const run = (into: readonly number[], out: readonly number[], seconds: number): StraightRun => straightJob(cases, vessels, into, out, seconds, ties);
  const { usual, poor, good, held } = shared(runs, ids[0], () => {
    const arrives = came((f) => f.arrives.value);
    const usually = run(arrives, netDraws, jobS);
    // Where nothing comes, or it comes as usual, the job goes as usual.
    const at = (into: readonly number[]): StraightRun => (into.every((q, i) => q === arrives[i]) ? usually : run(into, netDraws, jobS));
    return {
      usual: usually,
      poor: at(came((f) => f.poor)),
      good: at(came((f) => f.good)),
      // A second tank that holds water behind a thin tie is no help in time: how long it takes is run, not divided.
      held: tied.length > 1 ? run(arrives, fullDraws, LONG_S).dryS : timeToEmpty(aboveHeel, fullDraw, inflow),
    };
  });
  const atEnd = Math.min(usual.volumes.reduce((s, v) => s + v, 0) - heelM3, usableM3);
  // What is missing by the end counts below nothing, so that a change that lasts longer is better.
  const leftM3 = Number.isFinite(usual.dryS) ? Math.min(-(netDraw - inflow) * (jobS - usual.dryS), 0) : atEnd;
  const drawing = netDraws.some((q) => q > 0);

  let verdict: Verdict = 'fed';
  if (drawing && usual.dryS < jobS * 0.9999) verdict = 'starved';
  else if (drawing && (poor.dryS < jobS || neededM3 > aboveHeel * 1.0001)) verdict = 'tight';

  const heelBy = cases.heelBy.get(tank.id);
  return {
    tankId: tank.id,
    tiedIds: ids,
    ownVolumeM3: volumeAt(tank.shape, fullDepth(tank)),
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
            input('s', 'share of the rule that is kept', heelBy.share, 'ratio'),
            input('S', 'depth by the rule', submergence(heelBy.boreM, heelBy.flowM3s), 'length'),
            input('D', 'bore of the outlet', heelBy.boreM, 'length'),
            input('V', 'velocity in it', velocity(Math.abs(heelBy.flowM3s), heelBy.boreM), 'velocity'),
          ],
          ['heel-share', 'heel-plate'],
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
    draw: figure(netDraw, 'flow', 'net-draw', [...heldWays(draws, places), ...(soft > 0 ? [input('Q_soft', 'soft wash, mean', soft, 'flow')] : [])]),
    fullDraw: figure(fullDraw, 'flow', 'network', [input('Q', 'guns held open', fullDraw, 'flow')]),
    timeToEmpty: figure(held, 'time', tied.length > 1 ? 'tied-levels' : 'time-to-empty', [
      input('V', 'above the heel', aboveHeel, 'volume'),
      input('Q_out', 'guns held open', fullDraw, 'flow'),
      input('Q_in', 'arrives', inflow, 'flow'),
    ]),
    dryAfter: figure(usual.dryS, 'time', tied.length > 1 ? 'tied-levels' : 'float-levels', [
      input('V', 'above the heel', aboveHeel, 'volume'),
      input('Q_out', 'net draw', netDraw, 'flow'),
      input('Q_in', 'arrives', inflow, 'flow'),
    ]),
    dryAfterPoorS: poor.dryS,
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
    series: usual.series,
    seriesPoor: poor.series,
    seriesGood: good.series,
    tie: tied.length > 1 ? tieDifference(cases, tied, Number.isFinite(usual.dryS) ? Math.max(atEnd, 0) : 0) : undefined,
    verdict,
  };
}

const sum = (fills: readonly FillResult[], ids: readonly string[], of: (f: FillResult) => number): number =>
  fills.filter((f) => ids.includes(f.tankId)).reduce((s, f) => s + of(f), 0);

/** Flows below this are what the solver leaves behind, m³/s. */
const tidied = (q: number): number => (Math.abs(q) < 1e-9 ? 0 : q);
/** Longest that held triggers are followed, s: no day is longer. */
const LONG_S = 24 * 3600;

/** Seconds until `aboveHeel` is used up by a net outflow; Infinity when it is not. */
export function timeToEmpty(aboveHeelM3: number, outM3s: number, inM3s: number): number {
  if (!(outM3s > inM3s)) return Infinity;
  return Math.max(aboveHeelM3, 0) / (outM3s - inM3s);
}

/** Ways of holding the triggers in which water leaves these tanks, or comes to them: shares and flows. */
function heldWays(draws: Draws, places: readonly number[]): Input[] {
  return draws.ways.flatMap(({ share, out }) => {
    const flow = tidied(places.reduce((s, p) => s + out[p], 0));
    return flow === 0 ? [] : [input('P', 'share of the time', share, 'ratio'), input('Q', 'out meanwhile', flow, 'flow')];
  });
}

/** Level difference of tied tanks at full draw, and which of them is lowest. */
function tieDifference(cases: Cases, tied: readonly Tank[], strandedM3: number): TankResult['tie'] {
  const { asDrawn } = cases;
  const ties = cases.rig.lines.filter((l) => l.role === 'tie' && !l.closed && tied.some((t) => t.id === l.from.id));
  const heads = tied.map((t) => ({ id: t.id, base: t.base, head: asDrawn.headOf('tank', t.id) }));
  const low = heads.reduce((a, b) => (b.head < a.head ? b : a));
  const high = heads.reduce((a, b) => (b.head > a.head ? b : a));
  return { differenceM: figure(high.head - low.head, 'length', 'tie-difference', []), firstDryId: low.id, parts: partShares(asDrawn, ties), strandedM3 };
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
      message: message('{tank} is set fuller than its top. We used the top.', { tank: tank.name }),
    });
  if (result.tiedIds[0] !== tank.id) return out;
  const stranded = result.tie !== undefined && result.tie.strandedM3 > 0.05 * result.usable.value;
  const nothing = result.usable.value <= 1e-6 && result.draw.value > 0;
  if (nothing)
    out.push({
      code: 'runs-dry',
      verdict: 'starved',
      station: 'tanks',
      subject,
      message: message('{tank} has no usable water: filled to {full}, but its outlet sucks air below {heel}.', {
        tank: name,
        heel: { value: result.heelLevel.value, dimension: 'length' },
        full: { value: fullDepth(tank), dimension: 'length' },
      }),
    });
  else if (result.draw.value > 0) {
    if (result.verdict === 'starved')
      out.push({
        code: 'runs-dry',
        verdict: 'starved',
        station: 'tanks',
        subject,
        message: message(
          stranded ? '{low} runs dry {t} into a {job} job with {left} still in the tied tank.' : '{tank} runs dry {t} into a {job} job: {out} out, {in} in.',
          {
            ...(stranded
              ? { low: rig.tanks.find((t) => t.id === result.tie!.firstDryId)!.name, left: { value: result.tie.strandedM3, dimension: 'volume' as const } }
              : {}),
            tank: name,
            t: time(result.dryAfter.value),
            job: time(rig.brief.job),
            out: flow(result.draw.value),
            in: flow(result.inflow.value),
          },
        ),
      });
    else if (Number.isFinite(result.dryAfterPoorS))
      out.push({
        code: 'runs-dry-poor',
        verdict: 'tight',
        station: 'tanks',
        subject,
        message: message('At a poor ‹spigot› ({in}), {tank} runs dry in {t}.', {
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
        message: message('{tank} lasts the job but dips into its reserve.', { tank: name }),
      });
  }
  if (result.tie && result.tie.differenceM.value > cases.values['tie-difference']) {
    const low = rig.tanks.find((t) => t.id === result.tie!.firstDryId)!;
    out.push({
      code: 'tie-small',
      verdict: result.tie.differenceM.value > cases.values['tie-starves'] * shapeHeight(low.shape) ? 'starved' : 'tight',
      station: 'tanks',
      subject: { kind: 'tank', id: low.id },
      message: message('At full draw {tank}’s level drops {d} below the tied tank: it runs dry while the other still holds water.', {
        tank: low.name,
        d: { value: result.tie.differenceM.value, dimension: 'length' },
      }),
    });
  }
  return out;
}
