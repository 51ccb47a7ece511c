import { placeable } from './drop-places.js';
import type { Problem } from './read.js';
import type { Rig } from './schema.js';
import { placesOf } from './stand.js';

const problem = (code: string, path: string, bound: string, message: string): Problem => ({ code, path, bound, message });

/** Places of nothing, things placed twice or on themselves, and a platform that does not add up. */
export function deckProblems(rig: Rig): Problem[] {
  const out: Problem[] = [];
  const known = new Set(placeable(rig));
  const places = placesOf(rig);
  const seen = new Set<string>();
  rig.placements.forEach((p, i) => {
    const path = `placements.${i}`;
    if (!known.has(p.thing)) out.push(problem('nowhere', `${path}.thing`, 'a thing', `Nothing called "${p.thing}" is on the rig, yet it has a place.`));
    if (seen.has(p.thing)) out.push(problem('twice', `${path}.thing`, 'unique', `"${p.thing}" has two places.`));
    seen.add(p.thing);
    if (p.on === undefined) return;
    const shelf =
      rig.gear.some((g) => g.id === p.on && g.kind === 'shelf') || (rig.reels.some((r) => r.id === p.on) && rig.reels.some((r) => r.id === p.thing));
    if (!shelf) out.push(problem('nowhere', `${path}.on`, 'a shelf', `"${p.thing}" is on "${p.on}", which is no shelf (a reel may carry a reel).`));
    else if (!places.has(p.on)) out.push(problem('nowhere', `${path}.on`, 'a placed shelf', `"${p.thing}" is on "${p.on}", which has no place itself.`));
    const chain = new Set<string>();
    for (let at: string | undefined = p.thing; at !== undefined; at = places.get(at)?.on) {
      if (chain.has(at)) {
        out.push(problem('itself', `${path}.on`, 'another thing', `"${p.thing}" is on itself.`));
        break;
      }
      chain.add(at);
    }
  });
  const { platform } = rig;
  if (!platform) return out;
  const axles = platform.axles.length;
  if (platform.kind === 'trailer' && !platform.coupling) out.push(problem('missing', 'platform.coupling', '‹a coupler›', 'A trailer has ‹a coupler›.'));
  if (platform.kind !== 'trailer' && axles < 2) out.push(problem('below', 'platform.axles', '≥ 2', 'What drives by itself has two axles at least.'));
  for (let i = 1; i < axles; i++)
    if (!(platform.axles[i].at > platform.axles[i - 1].at))
      out.push(problem('order', `platform.axles.${i}.at`, '> the axle before', 'List axles from front to rear.'));
  if (platform.kind === 'trailer' && platform.coupling && !(platform.axles[0].at + platform.coupling.ahead > 0))
    out.push(problem('order', 'platform.coupling.ahead', 'ahead of the axles', 'The ‹coupler› is ahead of the first axle.'));
  const counted = [
    ['empty.axles', platform.empty.by === 'scale' ? platform.empty.axles : undefined],
    ['ticket.axles', platform.ticket?.axles],
  ] as const;
  for (const [path, list] of counted)
    if (list && list.length !== axles)
      out.push(problem('count', `platform.${path}`, `${axles}`, `The scale shows ${list.length} axles; the platform has ${axles}.`));
  return out;
}
