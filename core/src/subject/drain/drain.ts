import { lineTerms } from '../../solve/rig-network.js';
import { airPressure } from '../../fluid/air.js';
import { jetQuadratic, outflowThrough } from '../../hydraulics/outflow.js';
import type { Line, Tank } from '../../rig/schema.js';
import { shapeHeight, surfaceAt, volumeAt } from '../../rig/tank-shape.js';
import { figure, input, message } from '../../working/figure.js';
import type { Cases } from '../../solve/cases.js';
import { partShares } from '../../solve/part-shares.js';
import type { DrainResult } from './result.js';
import type { Finding } from '../finding.js';
import type { Verdict } from '../verdict.js';

/** Outflow, m³/s, that a head drives through a line into the open; the jet leaves with the last bore. */
export function outflow(headM: number, line: Line, cases: Cases, guess = 0): number {
  const { values } = cases;
  const { water } = cases.asDrawn;
  const terms = lineTerms(line, values, water, false);
  const lastBore = line.parts[line.parts.length - 1]?.bore ?? 0.0254;
  return outflowThrough(headM, (terms.quadratic ?? 0) + jetQuadratic(lastBore), terms.runs!, water.kinematicViscosityM2S, guess);
}

const STEPS = 48;

/** Drains a tank, and those tied to it, from full through a dump line: time, level of the first and volume of all as it goes. */
export function drain(cases: Cases, tanks: readonly Tank[], line: Line): DrainResult['series'] & { readonly fastestM3s: number } {
  const drained = tanks.find((t) => t.id === line.from.id)!;
  const outletHeight = line.to.height ?? line.from.height ?? drained.base;
  const bulkhead = Math.max(line.from.height ?? drained.base, drained.base);
  const inside = (t: Tank, surface: number): number => Math.min(Math.max(surface - t.base, 0), Math.min(t.fullLevel, shapeHeight(t.shape)));
  const volume = (surface: number): number => tanks.reduce((s, t) => s + volumeAt(t.shape, inside(t, surface)), 0);
  const area = (surface: number): number => tanks.reduce((s, t) => (surface > t.base ? s + surfaceAt(t.shape, inside(t, surface)) : s), 0);
  const top = Math.max(...tanks.map((t) => t.base + Math.min(t.fullLevel, shapeHeight(t.shape))));
  const timeS = [0];
  const levelM = [top - drained.base];
  const volumeM3 = [volume(top)];
  let last = 0;
  const rate = (surface: number): number => (last = outflow(surface - outletHeight, line, cases, last));
  let time = 0;
  // Even steps of the root of the depth: the outflow falls with that root, so that the last drops cost no accuracy.
  const root = Math.sqrt(Math.max(top - bulkhead, 0));
  const step = root / STEPS;
  for (let i = 1; i <= STEPS; i++) {
    const middle = root - step * (i - 0.5);
    const surface = bulkhead + middle * middle;
    const q = rate(surface);
    time = q > 0 ? time + (2 * middle * step * area(surface)) / q : Infinity;
    const after = bulkhead + (root - step * i) ** 2;
    timeS.push(time);
    levelM.push(after - drained.base);
    volumeM3.push(volume(after));
    if (!Number.isFinite(time)) break;
  }
  return { timeS, levelM, volumeM3, fastestM3s: rate(top) };
}

/**
 * Vacuum, Pa, behind a vent when liquid leaves at a rate: orifice equation for air. No vent and any outflow: Infinity.
 * @param coefficient discharge coefficient
 */
export function ventVacuum(outM3s: number, ventBoreM: number, airDensityKgM3: number, coefficient: number): number {
  if (!(outM3s > 0)) return 0;
  if (!(ventBoreM > 0)) return Infinity;
  const v = outM3s / (coefficient * (Math.PI / 4) * ventBoreM ** 2);
  return (airDensityKgM3 / 2) * v * v;
}

export function assessDrain(cases: Cases, tank: Tank): DrainResult {
  const { rig, values } = cases;
  const group = cases.net.tieGroupOf.get(tank.id);
  const tied = group === undefined ? [tank] : rig.tanks.filter((t) => cases.net.tieGroupOf.get(t.id) === group);
  const dumps = rig.lines.filter((l) => l.role === 'dump' && !l.closed);
  const line = dumps.find((l) => l.from.id === tank.id) ?? dumps.find((l) => tied.some((t) => t.id === l.from.id));
  const drained = line ? drain(cases, tied, line) : undefined;
  const draw = Math.max(cases.asDrawn.drawnFrom(tank.id), 0);
  const dump = drained?.fastestM3s ?? 0;
  // Nothing is emptier than empty: no more than the whole of the air can be missing.
  const air = airPressure(rig.brief.altitude);
  const density = air / (287.05 * 298.15);
  const vacuum = (q: number): number => (tank.lid === 'open' ? 0 : Math.min(ventVacuum(q, tank.ventBore, density, values['vent-coefficient']), air));
  const fastest = Math.max(dump, draw);
  const worst = vacuum(fastest);
  const limit = values['tank-vacuum'];
  let verdict: Verdict = 'fed';
  if (worst > limit) verdict = worst < air && worst <= values['tank-crush'] * limit && vacuum(draw) <= limit ? 'tight' : 'stop';
  const end = drained?.timeS[drained.timeS.length - 1];
  return {
    tankId: tank.id,
    lineId: line?.id,
    time:
      line && drained
        ? figure(
            end!,
            'time',
            'drain-time',
            [input('V', 'full tank', drained.volumeM3[0], 'volume'), input('Q', 'at full level', dump, 'flow')],
            ['roughness-smooth'],
          )
        : undefined,
    series: drained ? { timeS: drained.timeS, levelM: drained.levelM, volumeM3: drained.volumeM3 } : { timeS: [], levelM: [], volumeM3: [] },
    parts: line ? partShares(cases.asDrawn, [line], () => dump) : [],
    fastestOutflowM3s: fastest,
    vacuum: figure(
      worst,
      'pressure',
      'vent-vacuum',
      [input('Q', 'fastest outflow', fastest, 'flow'), input('d', 'vent', tank.ventBore, 'length')],
      ['vent-coefficient', 'tank-vacuum', 'tank-crush'],
    ),
    vacuumAtDraw: vacuum(draw),
    verdict,
  };
}

export function drainFindings(cases: Cases, tank: Tank, result: DrainResult): Finding[] {
  const out: Finding[] = [];
  const subject = { kind: 'tank', id: tank.id } as const;
  if (result.verdict === 'fed') return out;
  if (tank.ventBore <= 0)
    out.push({
      code: 'no-vent',
      verdict: 'stop',
      station: 'dump',
      subject,
      message: message('{tank} has a closed lid and no vent: drawing or dumping sucks it in.', { tank: tank.name }),
    });
  else
    out.push({
      code: 'vent-small',
      verdict: result.verdict,
      station: 'dump',
      subject,
      message: message(
        'With the lid closed, {tank} is pulled to {p} below the air at {q}; {limit} is taken as its limit. A wider vent, or an open lid while dumping.',
        {
          tank: tank.name,
          p: { value: result.vacuum.value, dimension: 'pressure' },
          q: { value: result.fastestOutflowM3s, dimension: 'flow' },
          limit: { value: cases.values['tank-vacuum'], dimension: 'pressure' },
        },
      ),
    });
  return out;
}
