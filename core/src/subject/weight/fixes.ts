import { standingOn } from '../../deck/index.js';
import { PLATFORMS } from '../../catalogue/platforms.js';
import { like, m } from '../../edit/length.js';
import { splitTank } from '../../edit/split-tank.js';
import { moveThing, placeOf, setPlatform } from '../../edit/place.js';
import { typeableQuantity } from '../../quantity/format.js';
import { fullDepth, levelOf, volumeAt } from '../../rig/tank-shape.js';
import { si } from '../../quantity/parse.js';
import type { Rig, RigDocument, Tank } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import { shelf } from '../message-parts.js';
import type { Candidate, Rule } from '../rule.js';

const INCH = 0.0254;
const STEPS = [4, 8, 14, 20, 30] as const;

const heaviest = (rig: Rig): Tank[] => [...rig.tanks].sort((a, b) => volumeAt(b.shape, fullDepth(b)) - volumeAt(a.shape, fullDepth(a)));

/** The heaviest tanks a little forward, back or aside, or as two narrow ones; the axles moved; less water; brakes; a larger platform of the same kind. */
export const weightRules: Rule = (finding, rig, doc): Candidate[] => {
  const { platform } = rig;
  if (!platform) return [];
  if (finding.code === 'no-brakes') return [{ id: 'brakes', title: 'Electric brakes on every axle', change: (d) => void (d.platform!.brakes = 'electric') }];
  if (finding.code === 'over-shelf') return shelfRules(finding.subject.id, rig);
  const out: Candidate[] = [];
  const movable = heaviest(rig).filter((t) => placeOf(doc, t.id) && !placeOf(doc, t.id)!.pinned);
  for (const tank of movable.slice(0, 2))
    for (const step of STEPS)
      for (const [word, dx, dy] of waysFor(finding.code))
        out.push({
          id: `move-${tank.id}-${word}-${step}`,
          title: message(`{tank} {by} ${WAY_WORDS[word]}`, { tank: tank.name, by: shelf(step * INCH) }),
          change: (d) => moveThing(d, tank.id, dx * step * INCH, dy * step * INCH),
        });
  if (platform.kind === 'trailer' && (finding.code === 'tongue-light' || finding.code === 'tongue-heavy'))
    for (const step of [2, 4, 8, 12, 18]) {
      const by = (finding.code === 'tongue-light' ? 1 : -1) * step * INCH;
      out.push({
        id: `axle-${by > 0 ? 'back' : 'forward'}-${step}`,
        title: message(by > 0 ? 'The axles {by} further back' : 'The axles {by} further forward', { by: shelf(step * INCH) }),
        change: (d) => d.platform!.axles.forEach((a) => (a.at = like(a.at, m(a.at) + by))),
      });
    }
  // What moves from side to side goes with the third power of its width.
  if (finding.code === 'tips' || finding.code === 'slope-tips')
    for (const tank of movable.filter((t) => t.shape.kind === 'box' && t.liquid === 'water').slice(0, 2))
      out.push({
        id: `two-${tank.id}`,
        title: message('Two narrow tanks, tied at the bottom, in place of {tank}', { tank: tank.name }),
        change: (d) => void splitTank(d, tank.id),
      });
  if (finding.code.startsWith('over-')) {
    const main = movable[0] ?? heaviest(rig)[0];
    if (main)
      for (const share of [0.9, 0.8, 0.7, 0.6, 0.5]) {
        const volume = volumeAt(main.shape, fullDepth(main)) * share;
        out.push({
          id: `carry-${main.id}-${share}`,
          title: message('Carry {v} in {tank}', { v: { value: volume, dimension: 'volume' }, tank: main.name }),
          change: (d) => carry(d, main, volume),
          days: true,
        });
      }
    const larger = PLATFORMS.map((p) => ({ p, made: p.make() })).filter(
      ({ made }) => made.kind === platform.kind && si(made.gvwr, 'mass') > platform.gvwr * 1.02,
    );
    for (const { p, made } of larger.slice(0, 3))
      out.push({
        id: `platform-${p.id}`,
        title: message(`On another platform: ${p.title.toLowerCase()}`),
        change: (d) => setPlatform(d, { ...made, ...(d.platform?.road ? { road: d.platform.road } : {}) }),
      });
  }
  return out;
};

type Way = 'forward' | 'back' | 'kerb' | 'street';
const WAY_WORDS: Readonly<Record<Way, string>> = { forward: 'forward', back: 'further back', kerb: 'towards the ‹curb›', street: 'towards the street' };

/** Directions that may help. */
function waysFor(code: string): readonly (readonly [Way, number, number])[] {
  const along = [
    ['forward', -1, 0],
    ['back', 1, 0],
  ] as const;
  const across = [
    ['kerb', 0, -1],
    ['street', 0, 1],
  ] as const;
  switch (code) {
    case 'tongue-light':
    case 'slope-tips':
      return [along[0]];
    case 'tongue-heavy':
    case 'over-coupling':
      return [along[1]];
    case 'steer-light':
      return [along[0]];
    case 'side-heavy':
      return across;
    case 'over-gross':
    case 'tips':
      return [];
    default:
      return along;
  }
}

/** A tank filled no higher than holds a volume, m³. */
function carry(d: RigDocument, tank: Tank, volumeM3: number): void {
  const own = d.tanks.find((t) => t.id === tank.id)!;
  const level = levelOf(tank.shape, volumeM3);
  own.fullLevel = typeableQuantity(level, 'length', 'in', 3);
  if (m(own.startLevel) > level) own.startLevel = own.fullLevel;
}

function shelfRules(gearId: string, rig: Rig): Candidate[] {
  const on = rig.placements.filter((p) => p.on === gearId);
  const index = rig.gear.findIndex((g) => g.id === gearId);
  const own = rig.gear[index];
  if (index < 0 || own.carries === undefined) return [];
  return [
    {
      id: 'stronger',
      title: message('A shelf made for {m}', { m: { value: own.carries * 2, dimension: 'mass' } }),
      change: (d) => void (d.gear![index].carries = typeableQuantity(own.carries! * 2, 'mass', 'lb', 3)),
    },
    ...on.map((p) => ({
      id: `down-${p.thing}`,
      title: message('Stand {thing} on the deck instead', { thing: nameOf(rig, p.thing) }),
      change: (d: RigDocument) => void delete placeOf(d, p.thing)?.on,
    })),
  ];
}

const nameOf = (rig: Rig, id: string): string => standingOn(rig).find((x) => x.id === id)?.name ?? id;
