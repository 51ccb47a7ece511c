import { type Box, laidLines, middleOf, type Point, standingOn } from '../../deck/index.js';
import { fullDepth, volumeAt } from '../../rig/tank-shape.js';
import type { Cases } from '../../solve/cases.js';
import { isDraw } from '../../solve/solved.js';
import type { FeedResult } from '../feed/result.js';
import type { SlopeFeed, SlopeResult, SlopeTank } from './result.js';

/**
 * What the steepest site takes, nose or tail, kerb or street side down, whichever is worse: a surface that stays level while
 * the tank leans is a slope times a distance lower at the outlet, and a pump as much higher over it. Things without a place
 * are not judged. Undefined without a slope.
 */
export function assessSlope(cases: Cases, feeds: readonly FeedResult[]): SlopeResult | undefined {
  const { rig } = cases;
  const slope = rig.platform?.slope;
  if (!slope) return undefined;
  const [along, across] = [Math.abs(slope.nose), Math.abs(slope.kerb)];
  const things = standingOn(rig);
  const boxes = new Map(things.flatMap((t): (readonly [string, Box])[] => (t.box ? [[t.id, t.box]] : [])));
  const laid = new Map(laidLines(rig, things).map((l) => [l.lineId, l]));
  const between = (a: Pick<Point, 'x' | 'y'>, b: Pick<Point, 'x' | 'y'>): number => along * Math.abs(a.x - b.x) + across * Math.abs(a.y - b.y);

  const tanks = rig.tanks.flatMap((tank): SlopeTank[] => {
    const box = boxes.get(tank.id);
    const draws = rig.lines.filter((l) => isDraw(l) && l.from.id === tank.id && !l.closed);
    if (!box || !draws.length) return [];
    // An outlet whose way nobody knows may be in a corner.
    const corner = { x: box.x0, y: box.y0 };
    const tiltM = Math.max(...draws.map((l) => between(laid.get(l.id)?.points[0] ?? corner, middleOf(box))));
    const heel = cases.heel.get(tank.id)!;
    const full = Math.max(fullDepth(tank), heel);
    const lowestM = Math.min(heel + tiltM, full);
    const usable = volumeAt(tank.shape, full) - volumeAt(tank.shape, heel);
    const keptM3 = volumeAt(tank.shape, lowestM) - volumeAt(tank.shape, heel);
    return [{ tankId: tank.id, tiltM, lowestM, keptM3, keptShare: usable > 0 ? keptM3 / usable : 0 }];
  });
  const feedsOn = feeds.flatMap((f): SlopeFeed[] => {
    const [tank, pump] = [boxes.get(f.sourceId), boxes.get(f.machineId)];
    if (f.direct || !tank || !pump) return [];
    const from = laid.get(f.lineIds[0])?.points[0] ?? middleOf(tank);
    const to = laid.get(f.lineIds[f.lineIds.length - 1])?.points.at(-1) ?? middleOf(pump);
    const dropM = between(from, to);
    return [{ machineId: f.machineId, dropM, marginM: f.worst.marginM - dropM }];
  });
  return { tanks, feeds: feedsOn };
}
