import { nextBore } from '../../catalogue/hose-sizes.js';
import { partHeadLoss } from '../../catalogue/part-loss.js';
import { GRAVITY } from '../../fluid/air.js';
import type { Rig } from '../../rig/schema.js';
import type { Line } from '../../rig/schema.js';
import { fullDepth, volumeAt } from '../../rig/tank-shape.js';
import type { Cases } from '../../solve/cases.js';
import { partShares } from '../../solve/part-shares.js';
import { bucketFlow } from '../../solve/spigot-curve.js';
import { assessTap, tapFindings } from './hand.js';
import type { FillResult } from './result.js';
import type { Finding } from '../finding.js';
import { figure, input, message } from '../../working/figure.js';

/** Whether water may come by a line from a spigot to a tank. */
export const fills = (line: Line): boolean => line.role === 'fill' && line.from.at === 'spigot' && line.to.at === 'tank' && !line.closed;

/** What arrives at a tank by one fill line. */
export function assessFill(cases: Cases, line: Line): FillResult {
  const { rig, net } = cases;
  const tank = rig.tanks.find((t) => t.id === line.to.id)!;
  const spigot = rig.spigots.find((s) => s.id === line.from.id)!;
  const poor = cases.at({ spigot: 'poor' }).flowOf(line.id);
  const good = cases.at({ spigot: 'good' }).flowOf(line.id);
  const solved = cases.asDrawn;
  const arrives = solved.flowOf(line.id);
  const parts = partShares(solved, [line]);
  const curve = net.curves.get(spigot.id)!;
  const bareFlow = bucketFlow(curve);
  const full = volumeAt(tank.shape, fullDepth(tank));
  const head = curve.staticPressurePa / (solved.water.densityKgM3 * GRAVITY);
  return {
    lineId: line.id,
    spigotId: spigot.id,
    tankId: tank.id,
    arrives: figure(
      arrives,
      'flow',
      'fill-balance',
      [
        input('p₀', 'at rest', curve.staticPressurePa, 'pressure'),
        input('H₀', 'the same as head', head, 'length'),
        input('h_house', 'lost in the house’s pipes', head + spigot.height - solved.headOf('tap', spigot.id), 'length'),
        input('z', 'up to the inlet', Math.max(line.to.height ?? 0, tank.base) - spigot.height, 'length'),
        ...parts.map((p) => input('h', p.name, p.lossM, 'length')),
      ],
      ['roughness-smooth'],
    ),
    poor,
    good,
    spigotFlow: figure(bareFlow, 'flow', 'spigot-curve', [
      input('p₀', 'at rest', curve.staticPressurePa, 'pressure'),
      input('k', 'of the house, Pa·s²/m⁶', curve.k, 'number'),
    ]),
    parts,
    costliest: parts.reduce<FillResult['costliest']>((a, b) => (!a || b.lossM > a.lossM ? b : a), undefined),
    fillTime: figure(arrives > 0 ? full / arrives : Infinity, 'time', 'fill-time', [
      input('V', 'full tank', full, 'volume'),
      input('Q_in', 'arrives', arrives, 'flow'),
    ]),
    wider: widerHose(cases, line),
    curve,
    asks: asks(cases, line, bareFlow, Math.max(line.to.height ?? 0, tank.base) - spigot.height),
    taps: (line.taps ?? []).map((t) => assessTap(cases, line, t)),
    verdict: arrives > 0 ? 'fed' : 'starved',
  };
}

/** Pressure the line asks at the spigot, from rest to what the bare spigot gives. */
function asks(cases: Cases, line: Line, most: number, liftM: number): FillResult['asks'] {
  if (!Number.isFinite(most)) return [];
  const { water } = cases.asDrawn;
  const rhoG = water.densityKgM3 * GRAVITY;
  return Array.from({ length: 21 }, (_, i) => {
    const flowM3s = (most * i) / 20;
    const head = line.parts.reduce((s, p) => s + partHeadLoss(p, flowM3s, water, cases.values, false), liftM);
    return { flowM3s, pressurePa: head * rhoG };
  });
}

/** The same line with its longest hose one size wider. */
function widerHose(cases: Cases, line: Line): FillResult['wider'] {
  const hoses = line.parts.filter((p) => p.kind === 'hose');
  if (hoses.length === 0) return undefined;
  const longest = hoses.reduce((a, b) => (b.length > a.length ? b : a));
  const boreM = nextBore(longest.bore);
  if (!boreM) return undefined;
  // The spigot stays what it was measured to be, through the hose it was measured with.
  return { boreM, flowM3s: cases.at({ trial: { what: 'bore', line, hose: longest, boreM } }).flowOf(line.id) };
}

export function fillFindings(cases: Cases, fill: FillResult): Finding[] {
  const line = cases.rig.lines.find((l) => l.id === fill.lineId)!;
  const tank = cases.rig.tanks.find((t) => t.id === fill.tankId)!;
  const out: Finding[] = [];
  if (!(fill.arrives.value > 0))
    out.push({
      code: 'no-fill',
      verdict: 'starved',
      station: 'fill',
      subject: { kind: 'line', id: line.id },
      message: message('{tank} can’t fill: the ‹spigot› can’t push water up to its inlet.', { tank: tank.name }),
    });
  return [...out, ...tapFindings(cases, line, fill.taps)];
}

/** A tank that a spigot fills with nothing to shut it: left alone it runs over. */
export const floatFindings = (rig: Rig): Finding[] =>
  rig.lines.flatMap((l): Finding[] => {
    const tank = l.role === 'fill' && !l.closed && l.from.at === 'spigot' ? rig.tanks.find((t) => t.id === l.to.id) : undefined;
    if (!tank || l.parts.some((p) => p.kind === 'valve' && p.is === 'float-valve')) return [];
    return [
      {
        code: 'fill-no-float',
        verdict: 'tight',
        station: 'fill',
        subject: { kind: 'line', id: l.id },
        message: message(
          tank.liquid === 'chemical'
            ? '{tank} is filled from ‹a spigot› with no float valve: left alone, chemicals run over its brim.'
            : '{tank} is filled from ‹a spigot› with no float valve: left alone, it runs over.',
          { tank: tank.name },
        ),
      },
    ];
  });
