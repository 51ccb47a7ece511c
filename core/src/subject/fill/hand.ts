import { guardOf } from '../../rig/backflow.js';
import type { HandTap, Line } from '../../rig/schema.js';
import { Cases } from '../../solve/cases.js';
import { handLine, handTee, tapPlace, withTapOpen } from '../../solve/hand-tap.js';
import { partShares } from '../../solve/part-shares.js';
import { figure, input, message } from '../../working/figure.js';
import type { Finding } from '../finding.js';
import type { HandTapResult } from './result.js';

/** A shut way passes the solver's leak. */
const tidy = (flowM3s: number): number => (flowM3s > 1e-9 ? flowM3s : 0);

/** What a hand hose or a bucket tap off a fill line gives while it is open, and what is left for the tank. */
export function assessTap(cases: Cases, line: Line, tap: HandTap): HandTapResult {
  const { rig, net, values } = cases;
  const of = (full: boolean): Cases => new Cases(withTapOpen(rig, line, tap, net.curves, full), values);
  const filling = of(false);
  const solved = filling.asDrawn;
  const own = filling.rig.lines.find((l) => l.id === handLine(tap))!;
  const flow = tidy(solved.flowOf(own.id));
  const toTank = tidy(solved.flowOf(line.id));
  const head = solved.headOf('manifold', handTee(tap));
  return {
    tapId: tap.id,
    gives: figure(
      flow,
      'flow',
      'hand-tap',
      [
        input('H', 'at its tee, above the deck', head, 'length'),
        input('z', 'its open end above the deck', tap.height, 'length'),
        ...partShares(solved, [own]).map((p) => input('h', p.name, p.lossM, 'length')),
        input('Q_t', 'goes on to the tank', toTank, 'flow'),
      ],
      ['roughness-smooth'],
    ),
    toTank,
    alone: tidy(of(true).asDrawn.flowOf(own.id)),
    poor: tidy(filling.at({ spigot: 'poor' }).flowOf(own.id)),
    bucketTime: figure(
      flow > 0 ? values.bucket / flow : Infinity,
      'time',
      'fill-time',
      [input('V', 'bucket', values.bucket, 'volume'), input('Q_in', 'arrives', flow, 'flow')],
      ['bucket'],
    ),
    guarded: guardOf(line.parts.slice(0, tapPlace(line)), false, true) === 'held',
  };
}

export function tapFindings(cases: Cases, line: Line, taps: readonly HandTapResult[]): Finding[] {
  const least = cases.values['hand-least'];
  const base = { station: 'fill', subject: { kind: 'line', id: line.id } } as const;
  const nameOf = (r: HandTapResult): string => line.taps!.find((t) => t.id === r.tapId)!.name;
  const weak = taps
    .filter((r) => r.gives.value < least)
    .map((r): Finding => ({
      ...base,
      code: 'hand-weak',
      verdict: r.gives.value > 0 ? 'tight' : 'starved',
      message: message('{name} gives {q} while the tank fills; it needs {least}.', {
        name: nameOf(r),
        q: { value: r.gives.value, dimension: 'flow' },
        least: { value: least, dimension: 'flow' },
      }),
    }));
  const open = taps.filter((r) => !r.guarded);
  if (!open.length) return weak;
  // They stand at one place of the line: one preventer guards them all.
  return [
    ...weak,
    {
      ...base,
      code: 'hand-backflow',
      verdict: 'tight',
      message: message('No backflow preventer before {name}: an end left in a bucket can siphon back into the house’s pipes.', {
        name: open.map(nameOf).join(', '),
      }),
    },
  ];
}
