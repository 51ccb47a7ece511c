import { standingOn } from '../deck/index.js';
import { readRig } from '../rig/read.js';
import type { PlacementDocument, Rig, RigDocument } from '../rig/schema.js';
import { overlapM, solidOf, toEdge, TOUCH } from '../subject/plan/room.js';
import { arrangeSteps } from './arrange.js';

/** Layouts looked at to make room: enough to push things aside, not to arrange a deck anew. */
const TRIES = 1500;
const SEED = 5;
const OVER = 0.16;

/** Whether things on a deck stand in one another, or hang far over its edge. */
function crowded(rig: Rig): boolean {
  const { platform } = rig;
  if (!platform) return false;
  const things = standingOn(rig).filter((t) => t.box !== undefined);
  const solid = things.map((t) =>
    solidOf(
      t,
      rig.gear.some((g) => g.id === t.id && g.kind === 'shelf'),
    )!,
  );
  return solid.some(
    (a, i) =>
      Math.min(toEdge(a, 'front', platform), toEdge(a, 'rear', platform), toEdge(a, 'kerb', platform), toEdge(a, 'street', platform)) < -OVER ||
      solid.slice(i + 1).some((b) => overlapM(a, b) > TOUCH),
  );
}

/** Whether something that weighs has no place. */
const waits = (rig: Rig): boolean => standingOn(rig).some((t) => !t.box && (t.dryKg > 0 || t.kind === 'tank'));

/**
 * Places for a rig whose deck was in order before a change and is not after it: things moved a little to make room for what
 * grew, and a place for what is new. Undefined where nothing has to move.
 */
export function makeRoom(before: Rig, doc: RigDocument): readonly PlacementDocument[] | undefined {
  if (!before.platform || !doc.placements?.length || crowded(before)) return undefined;
  const read = readRig(doc);
  if (!read.ok || !(crowded(read.rig) || (waits(read.rig) && !waits(before)))) return undefined;
  const steps = arrangeSteps(doc, 'near', SEED, TRIES);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value?.placements;
  }
}
