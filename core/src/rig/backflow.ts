import type { Line, Part } from './schema.js';

/**
 * What a device is good for. A vacuum breaker admits air where water would be siphoned; it does nothing against pressure from
 * behind, and none may stand under pressure for long: nothing that shuts may come after it. A double check holds against both
 * where only water that has stood is behind it; chemicals take a reduced pressure device (IPC 608, ASSE 1001, 1013, 1015, EN 1717;
 * from memory).
 */
const SHUTS: ReadonlySet<string> = new Set([
  'inlet-valve',
  'float-valve',
  'gun-valve',
  'metering-valve',
  'ball-valve',
  'gate-valve',
  'three-way-run',
  'three-way-turn',
]);

/** How well a way off the customer's pipes is held: well; by a device of which nobody said what it is; by one that is too weak; not at all. */
export type Guard = 'held' | 'unsaid' | 'weak' | 'open';

const order: readonly Guard[] = ['held', 'unsaid', 'weak', 'open'];
export const better = (a: Guard, b: Guard): Guard => (order.indexOf(a) <= order.indexOf(b) ? a : b);

/** @param pushed something behind the line can press water back: a pump, or a tank that stands higher than its way in */
export function guardOf(parts: readonly Part[], chemical: boolean, pushed: boolean): Guard {
  let out: Guard = 'open';
  parts.forEach((p, i) => {
    if (p.kind !== 'valve' || p.is !== 'backflow-preventer') return;
    const breaks = !pushed && !parts.slice(i + 1).some((x) => (x.kind === 'valve' || x.kind === 'fitting') && SHUTS.has(x.is));
    const own: Guard =
      p.device === 'reduced-pressure'
        ? 'held'
        : p.device === 'vacuum-breaker'
          ? breaks
            ? 'held'
            : 'weak'
          : !chemical
            ? 'held'
            : p.device === 'double-check'
              ? 'weak'
              : 'unsaid';
    out = better(out, own);
  });
  return out;
}

/** Whether nothing in a line runs backwards: a check valve, a foot valve, a preventer, a valve of one way. */
export const oneWay = (l: Pick<Line, 'parts'>): boolean =>
  l.parts.some(
    (p) =>
      (p.kind === 'fitting' && (p.is === 'check-valve' || p.is === 'foot-valve')) ||
      (p.kind === 'valve' && (p.oneWay === true || p.is === 'backflow-preventer')),
  );
