import { standingOn } from '../deck/index.js';
import { changed } from '../edit/draft.js';
import { placeAnywhere } from '../edit/place.js';
import { readRig } from '../rig/read.js';
import { finished } from '../steps.js';
import type { PlacementDocument, Rig, RigDocument } from '../rig/schema.js';
import { overlapM, solidOf, toEdge, TOUCH } from '../subject/plan/room.js';
import { arrangeSteps } from './arrange.js';

/** Layouts looked at to make room: enough to push things aside, not to arrange a deck anew. */
const TRIES = 1500;
/** Pairs of things looked at in all, whatever the number of things: fewer layouts where very much stands on a deck. */
const PAIRS = TRIES * 50 ** 2;
/** Searches that are made, each while the one before left things in one another. */
const SEEDS = [5, 6];
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

/** What weighs and has no place, by id. */
const waiting = (rig: Rig): readonly string[] => standingOn(rig).flatMap((t) => (!t.box && (t.dryKg > 0 || t.kind === 'tank') ? [t.id] : []));

/**
 * Places for a rig whose deck was in order before a change and is not after it: things moved a little to make room for what
 * grew, and a place for what is new. Undefined where nothing has to move.
 */
export const makeRoom = (before: Rig, doc: RigDocument): readonly PlacementDocument[] | undefined => finished(makeRoomSteps(before, doc));

/** {@link makeRoom} a stretch of its search at a time, so that a worker may look up between them. */
export function* makeRoomSteps(before: Rig, doc: RigDocument): Generator<unknown, readonly PlacementDocument[] | undefined> {
  if (!before.platform || !doc.placements?.length || crowded(before)) return undefined;
  const read = readRig(doc);
  if (!read.ok) return undefined;
  yield;
  const full = crowded(read.rig);
  const fresh = waiting(before).length ? [] : waiting(read.rig);
  if (!full && !fresh.length) return undefined;
  // Where only something new wants a place, a free one is taken before anything is moved.
  if (!full) {
    yield;
    const placed = changed(doc, (d) => fresh.forEach((id) => placeAnywhere(d, id)));
    yield;
    const tried = readRig(placed);
    if (tried.ok && !crowded(tried.rig)) return placed.placements;
  }
  let placements: readonly PlacementDocument[] | undefined;
  const tries = Math.min(TRIES, Math.ceil(PAIRS / standingOn(read.rig).length ** 2));
  for (const seed of SEEDS) {
    const found = yield* arrangeSteps(doc, 'near', seed, tries, 1);
    placements = found?.placements ?? placements;
    yield;
    const tried = placements && readRig(changed(doc, (d) => void (d.placements = [...placements!])));
    if (tried?.ok && !crowded(tried.rig)) break;
  }
  return placements;
}
