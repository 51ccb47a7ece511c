import type { AssumptionValues } from '../assumption/register.js';
import type { Cases } from '../solve/cases.js';
import { pressurePath } from '../solve/paths.js';
import { runLength } from '../subject/reel/reels.js';
import { hoseIn } from '../solve/paths.js';
import type { Rig } from '../rig/schema.js';

/** How far a hand's hose goes and how high its jet climbs, m. */
export interface Reach {
  readonly hoseM: number;
  /** Of work above the kerb that a jet from the ground gets to; Infinity for a hand that is carried up. */
  readonly climbsM: number;
}

/** Reach of each outlet, in the rig's order: its longest way from a machine, with the spare hose carried. */
export function reachOfOutlets(cases: Cases): Reach[] {
  const { rig } = cases;
  return rig.outlets.map((o) => ({
    hoseM: Math.max(0, ...rig.machines.map((m) => hoseIn(pressurePath(rig, m.id, o.id)))) + (rig.site?.spare ?? 0),
    climbsM: Infinity,
  }));
}

const USUAL_CORNERS = 2;

/**
 * Whether a hand gets to the work of a site: the hose lies along the ground round its corners, and up the wall where the gun
 * is carried up; a jet has to climb the rest.
 */
export function reaches(reach: Reach, rig: Rig, values: AssumptionValues, distanceM: number, heightM: number): boolean {
  const up = reach.climbsM === Infinity ? heightM : 0;
  return reach.hoseM >= runLength(distanceM, up, rig.site?.corners ?? USUAL_CORNERS, values) && reach.climbsM >= heightM;
}
