import type { AssumptionId } from '../assumption/register.js';
import { partHeadLoss, roughnessAssumption, tightestBore, waveAssumption } from '../catalogue/part-loss.js';
import { airPressure, GRAVITY } from '../fluid/air.js';
import { vapourPressure, waterDensity } from '../fluid/water.js';
import { accelerationHead, lengthTimesVelocity } from '../hydraulics/plunger-pump.js';
import { velocity } from '../hydraulics/friction.js';
import type { Hose, Line, Machine, Part } from '../rig/schema.js';
import { shapeHeight } from '../rig/tank-shape.js';
import { figure, input, message } from '../working/figure.js';
import type { Cases, CaseState } from './cases.js';
import { nodeIds } from './rig-network.js';
import type { FeedCase, FeedResult, FeedTerm, Finding, PartShare, Verdict } from './types.js';

/** Lines from the source to a machine's inlet, in the order the water takes them: at each step back, the one that carries most. */
export function feedPath(cases: Cases, machine: Machine): Line[] {
  const { rig } = cases;
  const path: Line[] = [];
  let at: { kind: string; id: string } = { kind: 'machine', id: machine.id };
  while (path.length <= rig.lines.length) {
    const into = rig.lines.filter(
      (l) => (l.role === 'feed' || l.role === 'boost' || l.role === 'fill') && !l.closed && l.to.at === at.kind && l.to.id === at.id,
    );
    if (into.length === 0) break;
    const line = into.reduce((best, l) => (cases.net.flowOf(l.id) > cases.net.flowOf(best.id) ? l : best));
    if (path.includes(line)) break;
    path.unshift(line);
    at = { kind: line.from.at, id: line.from.id ?? '' };
    if (at.kind === 'tank' || at.kind === 'spigot') break;
  }
  return path;
}

/** Terms of the head at a machine's inlet in the case just solved. Their sum is the NPSH available. */
function inletTerms(cases: Cases, machine: Machine, path: readonly Line[], altitudeM: number): { terms: FeedTerm[]; rigidM: number; capM: number } {
  const { net, rig } = cases;
  const { water } = net;
  const rhoG = water.densityKgM3 * GRAVITY;
  const first = path[0];
  const sourceHead = first.from.at === 'spigot' ? net.headOf(nodeIds.tap(first.from.id!)) : net.headOf(nodeIds.tank(first.from.id!));
  let boosterM = 0;
  for (const l of path) {
    if (l.from.at !== 'booster') continue;
    const b = rig.boosters.find((x) => x.id === l.from.id)!;
    if (b.running) boosterM += net.headOf(nodeIds.boosterOut(b.id)) - net.headOf(nodeIds.boosterIn(b.id));
  }
  const inletHead = net.headOf(nodeIds.machineIn(machine.id));
  const flow = net.network.demand[net.network.node(nodeIds.machineIn(machine.id))];
  const pulse = pulses(cases, machine, path, flow);
  const direct = first.from.at === 'spigot';
  return {
    rigidM: pulse.rigidM,
    capM: pulse.capM,
    terms: [
      {
        id: 'air',
        label: direct ? 'air and spigot' : 'air',
        valueM: airPressure(altitudeM) / rhoG + (direct ? sourceHead - rig.spigots.find((s) => s.id === first.from.id)!.height : 0),
      },
      { id: 'vapour', label: 'vapour', valueM: -water.vapourPressurePa / rhoG },
      { id: 'lift', label: 'lift', valueM: (direct ? rig.spigots.find((s) => s.id === first.from.id)!.height : sourceHead) - machine.inletHeight },
      { id: 'booster', label: 'booster', valueM: boosterM },
      { id: 'friction', label: 'friction', valueM: inletHead - sourceHead - boosterM },
      { id: 'pulses', label: 'pulses', valueM: -pulse.usedM },
    ],
  };
}

const hosesOf = (path: readonly Line[]): Hose[] => path.flatMap((l) => l.parts.filter((p): p is Hose => p.kind === 'hose'));

function pulses(cases: Cases, machine: Machine, path: readonly Line[], flowM3s: number): { rigidM: number; capM: number; usedM: number } {
  const hoses = hosesOf(path);
  if (hoses.length === 0) return { rigidM: 0, capM: 0, usedM: 0 };
  const last = hoses[hoses.length - 1];
  const lv = lengthTimesVelocity(
    hoses.map((h) => ({ lengthM: h.length, boreM: h.bore })),
    flowM3s,
  );
  return accelerationHead(
    lv,
    (machine.speed * flowM3s) / machine.flow,
    machine.arrangement,
    cases.values['acceleration-k'],
    velocity(flowM3s, last.bore),
    cases.values[waveAssumption(last)],
  );
}

/** What each part of the path takes in the case just solved, and its share of the whole. */
export function partShares(
  cases: Cases,
  path: readonly Line[],
  dirty: boolean,
  flowOf: (line: Line) => number = (line) => cases.net.flowOf(line.id),
): PartShare[] {
  const { net, values } = cases;
  const out = path.flatMap((line) => {
    const flow = Math.abs(flowOf(line));
    return line.parts.map((part: Part) => ({
      lineId: line.id,
      partId: part.id,
      name: part.name,
      flowM3s: flow,
      share: 0,
      lossM: partHeadLoss(part, flow, net.water, values, dirty),
    }));
  });
  const total = out.reduce((sum, p) => sum + p.lossM, 0);
  return out.map((p) => ({ ...p, share: total > 0 ? p.lossM / total : 0 }));
}

const sum = (terms: readonly FeedTerm[]): number => terms.reduce((s, t) => s + t.valueM, 0);

interface InletMargin {
  readonly marginM: number;
  readonly availableM: number;
}

/** Inlet head available and to spare in the case just solved, m. */
function inletMargin(cases: Cases, machine: Machine, path: readonly Line[]): InletMargin {
  const { net, values, rig } = cases;
  const availableM = sum(inletTerms(cases, machine, path, rig.brief.altitude).terms);
  let marginM = availableM - (machine.npshRequired ?? values['npsh-required']);
  if (path[0].from.at === 'spigot') {
    const gaugeM = net.headOf(nodeIds.machineIn(machine.id)) - machine.inletHeight;
    marginM = Math.min(marginM, gaugeM - values['inlet-minimum'] / (net.water.densityKgM3 * GRAVITY));
  }
  return { marginM, availableM };
}

/** Judges the feed of one machine over all cases. Undefined when no open line reaches it. */
export function assessFeed(cases: Cases, machine: Machine): FeedResult | undefined {
  const { rig, net, values } = cases;
  if (net.cutOff.has(machine.id)) return undefined;
  cases.set({ level: 'half' });
  const path = feedPath(cases, machine);
  const from = path[0]?.from.at;
  if (path.length === 0 || (from !== 'tank' && from !== 'spigot')) return undefined;
  const direct = from === 'spigot';
  const requiredM = machine.npshRequired ?? values['npsh-required'];
  const altitude = rig.brief.altitude;

  const marginNow = (): InletMargin => inletMargin(cases, machine, path);

  const list: FeedCase[] = [];
  for (const spigot of direct ? (['poor', 'typical', 'good'] as const) : (['typical'] as const))
    for (const level of direct ? (['half'] as const) : (['full', 'half', 'lowest'] as const))
      for (const strainer of ['clean', 'dirty'] as const)
        for (const water of ['usual', 'summer'] as const) {
          cases.set({ level, strainer, water, spigot });
          list.push({ level, strainer, water, spigot, ...marginNow() });
        }
  // A direct machine is judged on its typical spigot; the poor one is told as a finding.
  const judged = direct ? list.filter((c) => c.spigot === 'typical') : list;
  const worst = judged.reduce((a, b) => (b.marginM < a.marginM ? b : a));
  cases.set(worst);
  const { terms, rigidM, capM } = inletTerms(cases, machine, path, altitude);
  const parts = partShares(cases, path, worst.strainer === 'dirty');
  const grade = gradeLine(cases, machine, path);
  const lossTotal = parts.reduce((s, p) => s + p.lossM, 0);
  const elbowParts = path.flatMap((l) => l.parts.filter((p) => p.kind === 'fitting' && p.is.startsWith('elbow')));
  const elbowCount = elbowParts.reduce((s, p) => s + (p.kind === 'fitting' ? p.count : 0), 0);
  const elbowLoss = parts.filter((p) => elbowParts.some((e) => e.id === p.partId)).reduce((s, p) => s + p.lossM, 0);
  const tightest = Math.min(...path.flatMap((l) => l.parts.map(tightestBore)), 1);
  const used: AssumptionId[] = ['acceleration-k', 'summer-water', ...new Set(hosesOf(path).flatMap((h) => [roughnessAssumption(h), waveAssumption(h)]))];
  if (machine.npshRequired === undefined) used.push('npsh-required');
  const widest = hosesOf(path);
  const suction = widest.length ? Math.max(...widest.map((h) => velocity(machine.flow, h.bore))) : 0;
  const available = sum(terms);
  const strainerLoss = parts
    .filter((p) => path.some((l) => l.parts.some((q) => q.id === p.partId && q.kind === 'strainer' && l.id === p.lineId)))
    .reduce((s, p) => s + p.lossM, 0);
  const byLevel = direct ? [] : marginByLevel(cases, worst, path, marginNow);

  const verdict: Verdict = worst.marginM < 0 ? 'starved' : worst.marginM < values['feed-comfort'] ? 'tight' : 'fed';
  return {
    machineId: machine.id,
    lineIds: path.map((l) => l.id),
    sourceId: path[0].from.id!,
    direct,
    boosted: path.some((l) => l.from.at === 'booster' && rig.boosters.find((b) => b.id === l.from.id)?.running),
    cases: list,
    worst,
    terms,
    available: figure(
      available,
      'length',
      'npsh-available',
      terms.map((t) => input(t.id, t.label, t.valueM, 'length')),
      used,
    ),
    required: figure(requiredM, 'length', 'given', [], machine.npshRequired === undefined ? ['npsh-required'] : []),
    margin: figure(
      worst.marginM,
      'length',
      'npsh-margin',
      [input('NPSHa', 'available', available, 'length'), input('NPSHr', 'required', requiredM, 'length')],
      used,
    ),
    velocity: figure(
      suction,
      'velocity',
      'velocity',
      [input('Q', 'flow', machine.flow, 'flow'), input('d', 'tightest bore', tightest, 'length')],
      ['suction-velocity'],
    ),
    acceleration: {
      rigidM,
      capM,
      used: figure(
        Math.min(rigidM, capM),
        'length',
        'acceleration-head',
        [
          input('h', 'rigid line, uncapped', rigidM, 'length'),
          input('cap', 'water-hammer cap', capM, 'length'),
          input('n', 'crank speed', machine.speed, 'rotation'),
        ],
        used,
      ),
    },
    parts,
    grade,
    byLevel,
    limits: {
      hottestK: hottest(worst.marginM, net.water.temperatureK),
      highestM: highest(worst.marginM, altitude, net.water.densityKgM3),
      lowestSurfaceM: crossing(byLevel),
      mostFlowM3s: mostFlow(cases, machine, worst, marginNow),
      dirtFactor: strainerLoss > 0 ? Math.max(0, 1 + worst.marginM / strainerLoss) : Infinity,
    },
    elbows: { count: elbowCount, shareByPhysics: lossTotal > 0 ? elbowLoss / lossTotal : 0, shareByRule: 1 - (1 - values['elbow-rule']) ** elbowCount },
    otherWay: otherWay(cases, worst, path, marginNow),
    verdict,
  };
}

/** Heads at every joint of the path, m above the deck, in the case just solved. */
function gradeLine(cases: Cases, machine: Machine, path: readonly Line[]): FeedResult['grade'] {
  const { net } = cases;
  const out: { label: string; headM: number; lineId: string }[] = [];
  for (const line of path) {
    const start =
      line.from.at === 'tank'
        ? nodeIds.tank(line.from.id!)
        : line.from.at === 'spigot'
          ? nodeIds.tap(line.from.id!)
          : line.from.at === 'booster'
            ? nodeIds.boosterOut(line.from.id!)
            : nodeIds.manifold(line.from.id!);
    let head = net.headOf(start);
    out.push({ label: line.from.at, headM: head, lineId: line.id });
    const dirty = cases.state.strainer === 'dirty';
    for (const part of line.parts) {
      head -= partHeadLoss(part, net.flowOf(line.id), net.water, cases.values, dirty);
      out.push({ label: part.name, headM: head, lineId: line.id });
    }
  }
  out.push({ label: 'pump', headM: net.headOf(nodeIds.machineIn(machine.id)), lineId: path[path.length - 1].id });
  return out;
}

/** Inlet head to spare against the water's height above the deck, everything else as set; empty for a machine not fed from a tank. */
export function feedByLevel(cases: Cases, machine: Machine, settings: CaseState): FeedResult['byLevel'] {
  if (cases.net.cutOff.has(machine.id)) return [];
  cases.set(settings);
  const path = feedPath(cases, machine);
  if (path[0]?.from.at !== 'tank') return [];
  return marginByLevel(cases, settings, path, () => inletMargin(cases, machine, path));
}

/** Inlet head to spare in the case just solved; undefined for a machine with no feed. */
export function feedMargin(cases: Cases, machine: Machine): number | undefined {
  if (cases.net.cutOff.has(machine.id)) return undefined;
  const path = feedPath(cases, machine);
  const from = path[0]?.from.at;
  return from === 'tank' || from === 'spigot' ? inletMargin(cases, machine, path).marginM : undefined;
}

/** Margin at nine levels from the tank's top to its bottom, everything else as in the worst case. */
function marginByLevel(cases: Cases, worst: CaseState, path: readonly Line[], marginNow: () => { marginM: number }): FeedResult['byLevel'] {
  const tank = cases.rig.tanks.find((t) => t.id === path[0].from.id);
  if (!tank) return [];
  const out = [];
  const height = shapeHeight(tank.shape);
  for (let i = 0; i <= 8; i++) {
    const level = height * (1 - i / 8);
    cases.set({ ...worst, levelOf: { tankId: tank.id, levelM: level } });
    out.push({ surfaceM: tank.base + level, marginM: marginNow().marginM });
  }
  cases.set(worst);
  return out;
}

function crossing(points: FeedResult['byLevel']): number | undefined {
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]];
    if (a.marginM >= 0 && b.marginM < 0) return a.surfaceM + ((b.surfaceM - a.surfaceM) * a.marginM) / (a.marginM - b.marginM);
  }
  return undefined;
}

/** Water temperature that eats the margin by vapour pressure alone (friction falls as water warms, so this is safe). */
function hottest(marginM: number, temperatureK: number): number {
  const vapourHead = (t: number): number => vapourPressure(t) / (waterDensity(t) * GRAVITY);
  const start = vapourHead(temperatureK);
  let low = 273.16;
  let high = 373;
  if (vapourHead(high) - start < marginM) return Infinity;
  if (vapourHead(low) - start > marginM) return low;
  for (let i = 0; i < 50; i++) {
    const t = (low + high) / 2;
    if (vapourHead(t) - start < marginM) low = t;
    else high = t;
  }
  return low;
}

/** Altitude at which thinner air has eaten the margin, m. */
function highest(marginM: number, altitudeM: number, density: number): number {
  const wanted = airPressure(altitudeM) - marginM * density * GRAVITY;
  let low = -2000;
  let high = 11000;
  for (let i = 0; i < 50; i++) {
    const h = (low + high) / 2;
    if (airPressure(h) > wanted) low = h;
    else high = h;
  }
  return low;
}

/** Largest flow the machine's inlet could take in the worst case before its margin is gone, other machines as they are. */
function mostFlow(cases: Cases, machine: Machine, worst: FeedCase, marginNow: () => { marginM: number }): number {
  const node = cases.net.network.node(nodeIds.machineIn(machine.id));
  const own = machine.flow;
  const marginAt = (flow: number): number => {
    cases.net.network.demand[node] = flow;
    return cases.net.solve() ? marginNow().marginM : -1e3;
  };
  cases.set(worst);
  // Illinois rule: a secant that never leaves the bracket.
  let low = 0;
  let high = worst.marginM >= 0 ? own * 4 : own;
  let atLow = marginAt(1e-9);
  let atHigh = marginAt(high);
  if (atLow > 0 && atHigh < 0) {
    let side = 0;
    for (let i = 0; i < 24 && high - low > 2e-4 * own; i++) {
      const flow = (low * atHigh - high * atLow) / (atHigh - atLow);
      const at = marginAt(flow);
      if (Math.abs(at) < 1e-4) {
        low = flow;
        break;
      }
      if (at > 0) {
        low = flow;
        atLow = at;
        if (side === 1) atHigh /= 2;
        side = 1;
      } else {
        high = flow;
        atHigh = at;
        if (side === -1) atLow /= 2;
        side = -1;
      }
    }
  } else if (atHigh >= 0) low = high;
  cases.net.network.demand[node] = own;
  cases.set(worst);
  return low;
}

/** The same feed the other way: its booster switched, or a usual one (45 psi shut off, open flow 2.2 times the line’s) where there is none. */
function otherWay(cases: Cases, worst: FeedCase, path: readonly Line[], marginNow: () => InletMargin): FeedResult['otherWay'] {
  const { rig, net } = cases;
  if (path[0].from.at !== 'tank') return undefined;
  const own = rig.boosters.find((b) => path.some((l) => l.from.at === 'booster' && l.from.id === b.id));
  const undo = own ? net.switchBooster(own) : net.tryBooster(path[0], 310264, net.flowOf(path[0].id) * 2.2);
  cases.set(worst);
  const { marginM } = marginNow();
  undo();
  cases.set(worst);
  return { boosted: own ? !own.running : true, marginM };
}

const WORDS = {
  full: 'full tank',
  half: 'half tank',
  lowest: 'lowest level',
  clean: 'clean strainer',
  dirty: 'dirty strainer',
  usual: 'usual water',
  summer: 'summer water',
  poor: 'poor spigot',
  typical: 'typical spigot',
  good: 'good spigot',
} as const;

/** The worst case in words: "lowest level, dirty strainer, summer water". */
export function caseWords(c: FeedCase, direct: boolean): string {
  return [...(direct ? [WORDS[c.spigot]] : [WORDS[c.level]]), WORDS[c.strainer], WORDS[c.water]].join(', ');
}

export function feedFindings(cases: Cases, machine: Machine, feed: FeedResult | undefined): Finding[] {
  const subject = { kind: 'machine', id: machine.id } as const;
  if (!feed)
    return [
      {
        code: 'no-feed',
        verdict: 'starved',
        station: 'feed',
        subject,
        message: message('{machine} has no water: no open line joins its inlet to a tank or a spigot.', { machine: machine.name }),
      },
    ];
  const out: Finding[] = [];
  const where = caseWords(feed.worst, feed.direct);
  const values = {
    machine: machine.name,
    where,
    margin: { value: Math.abs(feed.worst.marginM), dimension: 'length' as const },
    flow: { value: feed.limits.mostFlowM3s, dimension: 'flow' as const },
    wants: { value: machine.flow, dimension: 'flow' as const },
    hot: { value: feed.limits.hottestK, dimension: 'temperature' as const },
  };
  if (feed.verdict === 'starved')
    out.push({
      code: 'feed-starved',
      verdict: 'starved',
      station: 'feed',
      subject,
      message: message('{machine} is starved: {margin} of inlet head short at {where}. The feed passes {flow}; the pump wants {wants}.', values),
    });
  else if (feed.verdict === 'tight')
    out.push({
      code: 'feed-tight',
      verdict: 'tight',
      station: 'feed',
      subject,
      message: message(
        Number.isFinite(feed.limits.hottestK)
          ? '{machine} is fed, but only just: {margin} of inlet head to spare at {where}. Above {hot} it starves.'
          : '{machine} is fed, but only just: {margin} of inlet head to spare at {where}.',
        values,
      ),
    });
  if (feed.direct) {
    const poor = feed.cases.filter((c) => c.spigot === 'poor').reduce((a, b) => (b.marginM < a.marginM ? b : a));
    if (poor.marginM < 0 && feed.verdict !== 'starved')
      out.push({
        code: 'direct-poor-spigot',
        verdict: 'tight',
        station: 'feed',
        subject,
        message: message('{machine} runs straight from the spigot; at a poor site it starves. A buffer tank would carry it.', values),
      });
  }
  const limit = cases.values['suction-velocity'];
  if (!feed.direct && feed.velocity.value > 1.5 * limit && feed.verdict === 'fed')
    out.push({
      code: 'suction-fast',
      verdict: 'tight',
      station: 'feed',
      subject,
      message: message('Water runs at {v} in the suction line of {machine}; {limit} is the usual most.', {
        machine: machine.name,
        v: { value: feed.velocity.value, dimension: 'velocity' },
        limit: { value: limit, dimension: 'velocity' },
      }),
    });
  return out;
}
