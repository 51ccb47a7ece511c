import type { AssumptionValues } from '../../assumption/register.js';
import { massOf } from '../../catalogue/pieces.js';
import { lineVolume, partHeadLoss } from '../../catalogue/part-loss.js';
import { GRAVITY } from '../../fluid/air.js';
import { reelCapacity } from '../../hydraulics/outflow.js';
import type { Hose, Line, Outlet, Reel } from '../../rig/schema.js';
import { placesOf, rootOf } from '../../rig/stand.js';
import type { Cases } from '../../solve/cases.js';
import { hoseIn, hosesOf, pressurePath } from '../../solve/paths.js';
import { DRY } from '../../solve/solved.js';
import type { Finding } from '../finding.js';
import type { OutletResult } from '../pressure/result.js';
import type { ReelResult, RunResult } from './result.js';
import { figure, input, message } from '../../working/figure.js';

/** A flow either way, m³/s; nothing where it is only what the solver leaves. */
const flowing = (q: number): number => (Math.abs(q) > DRY ? Math.abs(q) : 0);

/** What a reel takes, weighs and costs in time. */
export function assessReel(cases: Cases, reel: Reel, lineFlow: Readonly<Record<string, number>>): ReelResult {
  const { rig, values } = cases;
  const line = rig.lines.find((l) => l.id === reel.line)!;
  const hoses = hosesOf(line);
  const hoseM = hoseIn([line]);
  const bore = Math.max(...hoses.map((h) => h.bore), 0.006);
  const outsideM = bore + 2 * values['hose-wall'];
  const capacityM = reelCapacity(reel.flange, reel.core, reel.width, outsideM, values['reel-winding']);
  const wrapsPerLayer = Math.max(Math.floor(reel.width / outsideM), 1);
  const { layers, woundM } = wind(hoseM, reel.core, wrapsPerLayer, outsideM);
  const dry = hoses.reduce((s, h) => s + massOf({ what: 'part', line, part: h }), 0);
  const volume = lineVolume(hoses);
  const solved = cases.asDrawn;
  const flow = flowing(lineFlow[line.id] ?? 0);
  const rho = solved.water.densityKgM3;
  return {
    reelId: reel.id,
    lineId: line.id,
    hoseM,
    outsideM,
    capacity: figure(
      capacityM,
      'length',
      'reel-capacity',
      [
        input('A', 'flange depth', (reel.flange - reel.core) / 2, 'length'),
        input('B', 'core', reel.core, 'length'),
        input('C', 'width', reel.width, 'length'),
        input('d', 'hose outside', outsideM, 'length'),
      ],
      ['hose-wall', 'reel-winding'],
    ),
    wrapsPerLayer,
    layers,
    woundM,
    dryKg: figure(dry, 'mass', 'hose-mass', [input('L', 'hose', hoseM, 'length')]),
    fullKg: figure(dry + volume * rho, 'mass', 'hose-mass', [input('L', 'hose', hoseM, 'length'), input('V', 'holds', volume, 'volume')]),
    pullOut: figure(hoseM > 0 ? hoseM / values['pull-speed'] : 0, 'time', 'pull-out', [input('L', 'hose', hoseM, 'length')], ['pull-speed']),
    empty: figure(flow > 0 ? volume / flow : Infinity, 'time', 'change-over', [input('V', 'holds', volume, 'volume'), input('Q', 'flow', flow, 'flow')]),
    verdict: hoseM > capacityM ? 'tight' : 'fed',
  };
}

/** Layers on a drum, each wider by two hose diameters than the one below. */
export function wind(hoseM: number, coreM: number, wrapsPerLayer: number, outsideM: number): { layers: number; woundM: number } {
  let left = hoseM;
  let layers = 0;
  while (left > 1e-9 && layers < 60) {
    left -= Math.PI * (coreM + (2 * layers + 1) * outsideM) * wrapsPerLayer;
    layers++;
  }
  return { layers, woundM: coreM + 2 * layers * outsideM };
}

export function reelFindings(cases: Cases, results: readonly ReelResult[]): Finding[] {
  const { reels, lines, site } = cases.rig;
  const places = placesOf(cases.rig);
  const together = (a: Reel, b: Reel): boolean => !places.has(a.id) || !places.has(b.id) || rootOf(places, a.id) === rootOf(places, b.id);
  const out: Finding[] = [];
  const tell = (reel: Reel, code: Finding['code'], m: Finding['message']): void =>
    void out.push({ code, verdict: 'tight', station: 'reels', subject: { kind: 'reel', id: reel.id }, message: m });
  const roleOf = (reel: Reel): string => lines.find((l) => l.id === reel.line)!.role;
  for (const r of results) {
    const reel = reels.find((x) => x.id === r.reelId)!;
    if (r.verdict !== 'fed')
      tell(
        reel,
        'reel-small',
        message('{reel} fits {most} of this hose; you have {hose}.', {
          reel: reel.name,
          most: { value: r.capacity.value, dimension: 'length' },
          hose: { value: r.hoseM, dimension: 'length' },
        }),
      );
    if (site && reel.place === 'street')
      tell(
        reel,
        'reel-street',
        message('{reel} pays out into the traffic: where it keeps {side}, the ‹curb› is on the {side}.', { reel: reel.name, side: site.traffic }),
      );
  }
  reels.forEach((reel, i) => {
    // Once they have places of their own, only what stands on one another is a stack.
    const stack = reels.filter((x) => x.place === reel.place && together(x, reel));
    const above = stack.find((x) => roleOf(reel) === 'fill' && x.row < reel.row && roleOf(x) === 'pressure');
    if (above)
      tell(
        reel,
        'reel-order',
        message('{reel} sits above {other}. Supply hose is pulled first: put it at the bottom.', {
          reel: reel.name,
          other: above.name,
        }),
      );
    const beside = reels.slice(0, i).find((x) => x.place === reel.place && x.row === reel.row && together(x, reel));
    if (beside)
      tell(
        reel,
        'reel-cross',
        message('{reel} and {other} pay out at the same spot and height: hoses cross. Move one.', {
          reel: reel.name,
          other: beside.name,
        }),
      );
  });
  return out;
}

/** Hose that a run asks, m: along the ground and up to the work, and round its corners. Exact roots, so the same everywhere. */
export const runLength = (distanceM: number, heightM: number, corners: number, values: AssumptionValues): number =>
  Math.sqrt(distanceM * distanceM + heightM * heightM) + corners * values['corner-hose'];

/** Whether the hose to a gun reaches the far corner of the site, what arrives there and how long a change of liquid takes. */
export function assessRun(cases: Cases, outlet: Outlet, result: OutletResult): RunResult | undefined {
  const { rig, values } = cases;
  const { water } = cases.asDrawn;
  const site = rig.site;
  if (!site) return undefined;
  const path = pressurePath(rig, result.machineIds[0], outlet.id);
  const ownM = hoseIn(path);
  const carriedM = ownM + site.spare;
  const neededM = runLength(site.distance, site.height, site.corners, values);
  const flow = flowing(result.flow.value);
  // All hose is off the reel and straight; the height comes off the gun.
  const rhoG = water.densityKgM3 * GRAVITY;
  const straight =
    path.reduce((s, l) => s + l.parts.reduce((t, p) => t + partHeadLoss(p.kind === 'hose' ? { ...p, coiledLength: 0 } : p, flow, water, values, false), 0), 0) *
    rhoG;
  const atPump = cases.asDrawn.pressureOf('machineOut', result.machineIds[0]);
  const spareLoss = spareHoseLoss(path, site.spare, flow, cases) * rhoG;
  const arrives = Math.max(atPump - straight - spareLoss - site.height * rhoG, 0);
  const volume = path.reduce((s, l) => s + lineVolume(l.parts), 0);
  return {
    outletId: outlet.id,
    needed: figure(
      neededM,
      'length',
      'run-length',
      [
        input('distance', 'to the far corner', site.distance, 'length'),
        input('height', 'of the work', site.height, 'length'),
        input('corners', 'corners', site.corners, 'number'),
      ],
      ['corner-hose'],
    ),
    carried: figure(carriedM, 'length', 'hose-carried', [input('L', 'hose of the line', ownM, 'length'), input('spare', 'spare hose', site.spare, 'length')]),
    arrives: figure(
      arrives,
      'pressure',
      'gun-pressure',
      [
        input('p_pump', 'at the pump', atPump, 'pressure'),
        input('Δp', 'hose pulled out', straight + spareLoss, 'pressure'),
        input('z', 'height', site.height, 'length'),
      ],
      ['roughness-smooth'],
    ),
    changeOver: figure(flow > 0 ? volume / flow : Infinity, 'time', 'change-over', [
      input('V', 'way to the tip', volume, 'volume'),
      input('Q', 'flow', flow, 'flow'),
    ]),
    verdict: carriedM < neededM ? 'tight' : 'fed',
  };
}

/** Head that spare hose of the run's own bore would lose, m. */
function spareHoseLoss(path: readonly Line[], spareM: number, flow: number, cases: Cases): number {
  const longest = path.flatMap(hosesOf).reduce<Hose | undefined>((a, h) => (!a || h.length > a.length ? h : a), undefined);
  return longest && spareM > 0 ? partHeadLoss({ ...longest, length: spareM, coiledLength: 0 }, flow, cases.asDrawn.water, cases.values, false) : 0;
}

export function runFindings(cases: Cases, runs: readonly RunResult[]): Finding[] {
  return runs
    .filter((r) => r.verdict !== 'fed')
    .map((r) => ({
      code: 'run-short',
      verdict: 'tight',
      station: 'reels',
      subject: { kind: 'outlet', id: r.outletId },
      message: message('{gun} can’t reach the far corner: the run is {needed}, you carry {carried}.', {
        gun: cases.rig.outlets.find((o) => o.id === r.outletId)!.name,
        carried: { value: r.carried.value, dimension: 'length' },
        needed: { value: r.needed.value, dimension: 'length' },
      }),
    }));
}
