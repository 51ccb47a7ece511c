import type { AssumptionId } from '../../assumption/register.js';
import { roughnessAssumption, waveAssumption } from '../../catalogue/part-loss.js';
import { GRAVITY } from '../../fluid/air.js';
import { velocity } from '../../hydraulics/friction.js';
import { ACCELERATION_C, RIPPLE_AMPLITUDE } from '../../hydraulics/plunger-pump.js';
import type { Machine } from '../../rig/schema.js';
import { figure, input } from '../../working/figure.js';
import type { Cases } from '../../solve/cases.js';
import { crossing, gradeLine, highest, highestInlet, hottest, marginByLevel, mostFlow, otherWay, stateOf } from './feed-limits.js';
import { feedPath, headOf, inletMargin, inletTerms, leastInlet, raised } from '../../solve/inlet.js';
import { partShares } from '../../solve/part-shares.js';
import type { FeedCase, FeedResult } from './result.js';
import type { Verdict } from '../verdict.js';

/** Heads that differ by less are the same, m. */
const NOISE_M = 1e-7;

/** Judges the feed of one machine over all cases. Undefined when no open line reaches it. */
export function assessFeed(cases: Cases, machine: Machine): FeedResult | undefined {
  const { rig, net, values } = cases;
  if (net.cutOff.has(machine.id)) return undefined;
  const path = feedPath(cases.asDrawn, machine);
  const from = path[0]?.from.at;
  if (path.length === 0 || (from !== 'tank' && from !== 'spigot')) return undefined;
  const direct = from === 'spigot';
  const requiredM = machine.npshRequired ?? values['npsh-required'];
  const altitude = rig.brief.altitude;

  const hoses = path.flatMap((l) => l.parts.filter((p) => p.kind === 'hose'));
  const laid = cases.laidOf(path);
  const tank = direct ? undefined : rig.tanks.find((t) => t.id === path[0].from.id);
  // With a tank's surface alone to hang on, each level is the full tank's case with the water so much lower.
  const sole = tank && cases.hangsOnlyOn(machine, tank.id) ? tank : undefined;
  const list: FeedCase[] = [];
  for (const spigot of direct ? (['poor', 'typical', 'good'] as const) : (['typical'] as const))
    for (const level of direct ? (['half'] as const) : (['full', 'half', 'lowest'] as const))
      for (const strainer of ['clean', 'dirty'] as const)
        for (const water of ['usual', 'summer'] as const) {
          const state = { level, strainer, water, spigot };
          const full = sole && list.find((c) => c.strainer === strainer && c.water === water);
          const margin = full
            ? raised(full, cases.levelIn(sole, state) - cases.levelIn(sole, { level: 'full' }))
            : inletMargin(cases.at(state), machine, path, laid);
          const { marginM, availableM, npshM, gaugeM } = margin;
          list.push({ level, strainer, water, spigot, marginM, availableM, npshM, gaugeM });
        }
  // A direct machine is judged on its typical spigot; the poor one is told as a finding.
  const judged = direct ? list.filter((c) => c.spigot === 'typical') : list;
  // Cases that the solver tells apart by its noise alone are one: the first of them is told.
  const worst = judged.reduce((a, b) => (b.marginM < a.marginM - NOISE_M ? b : a));
  const solved = cases.at(stateOf(worst));
  const { terms, pulse } = inletTerms(solved, machine, path, altitude, laid);
  const { rigidM, capM } = pulse;
  const least = leastInlet(solved, machine, path);
  const rhoG = solved.water.densityKgM3 * GRAVITY;
  const { gaugeM } = worst;
  const parts = partShares(solved, path);
  const grade = gradeLine(solved, machine, path);
  const lossTotal = parts.reduce((s, p) => s + p.lossM, 0);
  const elbowParts = path.flatMap((l) => l.parts.filter((p) => p.kind === 'fitting' && p.is.startsWith('elbow')));
  const elbowCount = elbowParts.reduce((s, p) => s + (p.kind === 'fitting' ? p.count : 0), 0);
  const elbows = new Set(elbowParts.map((p) => p.id));
  const elbowLoss = parts.reduce((s, p) => (elbows.has(p.partId) ? s + p.lossM : s), 0);
  const used: AssumptionId[] = ['acceleration-k', 'summer-water', ...new Set(hoses.flatMap((hose) => [roughnessAssumption(hose), waveAssumption(hose)]))];
  if (machine.npshRequired === undefined) used.push('npsh-required');
  if (least.by) used.push(least.by);
  const fastest = hoses.length ? hoses.reduce((a, b) => (b.bore < a.bore ? b : a)) : undefined;
  const suction = fastest ? velocity(machine.flow, fastest.bore) : 0;
  const available = headOf(terms);
  const strainers = new Set(path.flatMap((l) => l.parts.flatMap((q) => (q.kind === 'strainer' ? [`${l.id} ${q.id}`] : []))));
  const strainerLoss = strainers.size ? parts.reduce((s, p) => (strainers.has(`${p.lineId} ${p.partId}`) ? s + p.lossM : s), 0) : 0;
  const byLevel = direct ? [] : marginByLevel(cases, worst, machine, path);

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
    required: machine.npshRequired === undefined ? figure(requiredM, 'length', 'assumed', [], ['npsh-required']) : figure(requiredM, 'length', 'given'),
    margin: figure(
      worst.marginM,
      'length',
      'inlet-margin',
      [
        input('NPSHa', 'available', available, 'length'),
        input('NPSHr', 'required', requiredM, 'length'),
        input('H_in', 'gauge head at the inlet', gaugeM, 'length'),
        input('H_min', 'least there', least.leastM, 'length'),
      ],
      used,
    ),
    inlet: {
      mean: figure(gaugeM * rhoG, 'pressure', 'inlet-gauge', [
        input('H_in', 'gauge head at the inlet', gaugeM, 'length'),
        input('ρ', 'of the water', solved.water.densityKgM3, 'density'),
      ]),
      troughPa: (gaugeM - pulse.usedM) * rhoG,
      leastPa: least.leastM * rhoG,
    },
    highest: highestInlet(cases, machine, path),
    velocity: figure(
      suction,
      'velocity',
      'velocity',
      [input('Q', 'flow', machine.flow, 'flow'), input('d', 'tightest hose', fastest ? fastest.bore : 0, 'length')],
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
          ...pulse.pieces
            .filter((p) => p.lengthM > 0)
            .flatMap((p) => [input('L', 'length of hose', p.lengthM, 'length'), input('V', 'velocity in it', velocity(p.flowM3s, p.boreM), 'velocity')]),
          input('n', 'turns a minute', pulse.turnsPerMinute, 'number'),
          input('C', 'of the pump’s kind', ACCELERATION_C[machine.arrangement], 'number'),
          input('K', 'of the liquid', values['acceleration-k'], 'number'),
          input('h_b', 'up to where the line yields', pulse.beforeM, 'length'),
          input('r', 'ripple of the flow, half its swing', RIPPLE_AMPLITUDE[machine.arrangement], 'number'),
          input('ω', 'of the ripple, rad/s', pulse.omega, 'number'),
          ...pulse.yielding.flatMap((y) => [
            input('h_j', 'up to a stretch that yields', y.beforeM, 'length'),
            input('Q_j', 'flow in it', y.flowM3s, 'flow'),
            input('S_j', 'how it yields, m³ ‹a meter› of head', y.yieldsM2, 'number'),
          ]),
          input('', 'first term, a rigid line', rigidM, 'length'),
          ...(Number.isFinite(capM) ? [input('', 'second term, with hose that yields', capM, 'length')] : []),
        ],
        used,
      ),
    },
    parts,
    grade,
    byLevel,
    limits: {
      hottestK: hottest(available - requiredM, solved.water.temperatureK),
      highestM: highest(available - requiredM, altitude, solved.water.densityKgM3),
      lowestSurfaceM: crossing(byLevel),
      mostFlowM3s: mostFlow(cases, machine, worst, path, laid),
      dirtFactor: strainerLoss > 0 ? Math.max(0, 1 + worst.marginM / strainerLoss) : Infinity,
    },
    elbows: { count: elbowCount, shareByPhysics: lossTotal > 0 ? elbowLoss / lossTotal : 0, shareByRule: 1 - (1 - values['elbow-rule']) ** elbowCount },
    otherWay: otherWay(cases, worst, machine, path, laid),
    verdict,
  };
}
