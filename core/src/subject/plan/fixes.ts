import { boxOf, type Standing, standingOn } from '../../deck/index.js';
import type { Assessment } from '../assessment.js';
import { assumptionValues } from '../../assumption/register.js';
import { raiseThing } from '../../edit/raise.js';
import { finely, layLine, moveThing, placeOf, swapThings, turnThing } from '../../edit/place.js';
import type { Rig, RigDocument } from '../../rig/schema.js';
import { boltStrength, forwardForce } from '../../structure/restraint.js';
import { message } from '../../working/figure.js';
import { shelf } from '../message-parts.js';
import type { Candidate, Rule } from '../rule.js';
import { overlapM, REEL_PAYS, TOUCH } from './room.js';

const INCH = 0.0254;
const WAYS = [
  ['forward', -1, 0],
  ['back', 1, 0],
  ['kerb', 0, -1],
  ['street', 0, 1],
] as const;
const WAY_WORDS = { forward: 'forward', back: 'back', kerb: 'towards the ‹curb›', street: 'towards the street' } as const;

/** A little aside, a quarter turn, a free spot, another's place; what holds it; a hose cut to the deck. */
export const planRules: Rule = (finding, rig, doc, now): Candidate[] => {
  const { id } = finding.subject;
  switch (finding.code) {
    case 'hose-short':
      return [{ id: 'as-laid', title: 'A hose as long as the deck lies, with a tenth of slack', change: (d) => layLine(d, id) }];
    case 'not-held':
    case 'held-weak':
    case 'tall-tips':
      return holdRules(id, rig);
    case 'ties-few': {
      const n = Number(placeOf(doc, id)?.held?.count ?? 1);
      return [1, 2, 3].map((more) => ({
        id: `straps-${n + more}`,
        title: message('{n} straps', { n: String(n + more) }),
        change: (d: RigDocument) => void (placeOf(d, id)!.held!.count = String(n + more)),
      }));
    }
    case 'exhaust-inside':
      return [{ id: 'pipe', title: 'A gas-tight pipe from its exhaust to outside', change: (d) => void (placeOf(d, id)!.exhaustPipe = true) }];
    case 'fuel-inside':
      return [];
    case 'battery-gas':
      return [{ id: 'agm', title: 'The same in AGM', change: (d) => void (d.batteries!.find((b) => b.id === id)!.chemistry = 'agm') }];
    case 'fumes-inside':
      return [
        {
          id: 'close',
          title: 'Close its lid and vent it outside',
          change: (d) => {
            const t = d.tanks.find((x) => x.id === id)!;
            t.lid = 'closed';
            t.ventTo = 'outside';
          },
        },
      ];
    case 'reel-unparked':
      return [{ id: 'hook', title: 'A hook for the end of its hose', change: (d) => void (d.reels!.find((r) => r.id === id)!.parked = 'hook') }];
    case 'fumes-intake':
      return [
        { id: 'vent-outside', title: 'Lead the vent outside', change: (d) => void (d.tanks.find((t) => t.id === id)!.ventTo = 'outside') },
        ...moves(id, rig, doc, false),
      ];
    case 'reel-low':
    case 'handle-height':
      return [...heightRules(finding.code, id, rig, doc, now), ...(finding.code === 'reel-low' ? moves(id, rig, doc, true) : [])];
    case 'drain-blocked':
      return [
        ...(['kerb', 'street', 'rear', 'front'] as const).map((side) => ({
          id: `drain-${side}`,
          title: `A hose from its drain to the ${side}`,
          change: (d: RigDocument) => void (placeOf(d, id)!.drain = side),
        })),
        ...moves(id, rig, doc, false),
      ];
    default:
      return [...(finding.also ?? []).flatMap((s) => moves(s.id, rig, doc, false)), ...moves(id, rig, doc, true)];
  }
};

const WHOLE_INCHES = (m: number): number => Math.ceil(m / INCH - 1e-6) * INCH;

/** A thing that sits too low stands higher, by no more than it has to; one too high comes down from its shelf. */
function heightRules(code: 'reel-low' | 'handle-height', id: string, rig: Rig, doc: RigDocument, now: Assessment): Candidate[] {
  const { platform } = rig;
  const own = standingOn(rig).find((t) => t.id === id);
  if (!platform || !own?.box || placeOf(doc, id)?.pinned) return [];
  const values = assumptionValues(rig.assumptions);
  const handles = [
    ...(now.plan?.hands ?? []).filter((h) => h.thing === id && (h.what === 'valve' || h.what === 'strainer')).map((h) => h.aboveGroundM),
    ...(own.kind === 'machine' ? [now.plan?.things.find((t) => t.id === id)?.access?.handleM ?? Infinity] : []),
  ];
  const short =
    code === 'reel-low'
      ? (platform.rail ?? 0) - (own.box.z0 + REEL_PAYS * (own.box.z1 - own.box.z0))
      : Math.max(0, ...handles.map((h) => values['handle-low'] - h).filter(Number.isFinite));
  const by = WHOLE_INCHES(short);
  return [
    ...(by > 0
      ? [{ id: `raise-${id}`, title: message('{t} {by} higher', { t: own.name, by: shelf(by) }), change: (d: RigDocument) => raiseThing(d, id, by) }]
      : []),
    ...(own.place?.on !== undefined && code === 'handle-height'
      ? [{ id: `down-${id}`, title: message('{t} on the deck instead', { t: own.name }), change: (d: RigDocument) => void delete placeOf(d, id)!.on }]
      : []),
  ];
}

function moves(id: string, rig: Rig, doc: RigDocument, all: boolean): Candidate[] {
  const things = standingOn(rig);
  const own = things.find((t) => t.id === id);
  const place = placeOf(doc, id);
  if (!own?.box || !place || place.pinned) return [];
  const out: Candidate[] = [];
  for (const step of [4, 8, 14])
    for (const [word, dx, dy] of WAYS)
      out.push({
        id: `${id.replace('/', '-')}-${word}-${step}`,
        title: message(`{t} {by} ${WAY_WORDS[word]}`, { t: own.name, by: shelf(step * INCH) }),
        change: (d) => moveThing(d, id, dx * step * INCH, dy * step * INCH),
      });
  const free = freeSpot(rig, own, things);
  if (free)
    out.push({
      id: `${id.replace('/', '-')}-free`,
      title: message('{t} where the deck is free', { t: own.name }),
      change: (d) => {
        const p = placeOf(d, id)!;
        p.x = finely(p.x, free.x);
        p.y = finely(p.y, free.y);
      },
    });
  if (all) {
    out.push({ id: 'turn', title: message('{t} turned by a quarter', { t: own.name }), change: (d) => turnThing(d, id) });
    if (place.exhaust)
      for (const side of ['front', 'rear', 'kerb', 'street'] as const)
        if (side !== place.exhaust)
          out.push({
            id: `exhaust-${side}`,
            title: message(`The exhaust of {t} to the ${side}`, { t: own.name }),
            change: (d) => void (placeOf(d, id)!.exhaust = side),
          });
    for (const side of ['rear', 'kerb', 'street'] as const)
      if (side !== place.service)
        out.push({
          id: `service-${side}`,
          title: message(`{t} served from the ${side}`, { t: own.name }),
          change: (d) => void (placeOf(d, id)!.service = side),
        });
    const others = things.filter((t) => t.kind === own.kind && t.id !== id && t.box && !t.place?.pinned && t.place?.on === place.on);
    for (const o of others.slice(0, 2))
      out.push({
        id: `swap-${o.id.replace('/', '-')}`,
        title: message('{a} and {b} change places', { a: own.name, b: o.name }),
        change: (d) => swapThings(d, id, o.id),
      });
  }
  return out;
}

/** The free spot of the deck nearest to where a thing stands now. */
function freeSpot(rig: Rig, own: Standing, things: readonly Standing[]): { readonly x: number; readonly y: number } | undefined {
  const { platform } = rig;
  if (!platform || !own.place || !own.box || own.place.on !== undefined) return undefined;
  const others = things.flatMap((t) => (t.box && t !== own ? [t.box] : []));
  let [best, least] = [undefined as { x: number; y: number } | undefined, Infinity];
  const step = 2 * INCH;
  const [l, w] = [own.box.x1 - own.box.x0, own.box.y1 - own.box.y0];
  for (let x = 0; x + l <= platform.length + 1e-9; x += step)
    for (let y = 0; y + w <= platform.width + 1e-9; y += step) {
      const far = Math.abs(x - own.box.x0) + Math.abs(y - own.box.y0);
      if (far >= least || far < step) continue;
      const box = boxOf(own.size, { x, y, turned: own.place.turned }, own.box.z0);
      if (others.every((o) => overlapM(box, o) <= TOUCH)) [best, least] = [{ x, y }, far];
    }
  return best;
}

/** Bolts enough for a thing when the brakes go on. */
function holdRules(id: string, rig: Rig): Candidate[] {
  const own = standingOn(rig).find((t) => t.id === id);
  const tank = rig.tanks.find((t) => t.id === id);
  if (!own) return [];
  return (['3/8-16', '1/2-13'] as const).flatMap((bolt) =>
    [4, 6, 8, 12].map((count) => ({
      id: `${tank ? 'hoops' : 'bolts'}-${bolt.replace('/', '-')}-${count}`,
      title: message(tank ? `{n} bolted hoops, ${bolt}` : `{n} bolts ${bolt} through the deck`, { n: String(tank ? count / 2 : count) }),
      change: (d: RigDocument) => {
        const p = placeOf(d, id);
        if (p) delete p.loose;
        if (p) p.held = { by: tank ? 'hoops' : 'bolts', count: String(tank ? count / 2 : count), bolt };
      },
    })),
  );
}

/** Fewest bolts of a size that hold a mass. */
export const boltsFor = (massKg: number, bolt: '3/8-16' | '1/2-13', safety: number): number =>
  Math.max(4, 2 * Math.ceil((forwardForce(massKg) * safety) / boltStrength(bolt).shearN / 2));
