import { usualGear } from '../catalogue/gear.js';
import { platformOf } from '../catalogue/platforms.js';
import { setPlatform } from '../edit/place.js';
import type { GearDocument, PlatformDocument, RigDocument } from '../rig/schema.js';
import { si } from '../quantity/parse.js';
import { DECK_HOSES, DECK_PLACES } from './deck-places.js';

/** What a layout stands on, and what rides along. */
interface DeckPlan {
  readonly platform: string;
  readonly changes?: Partial<PlatformDocument>;
  readonly gear: readonly GearDocument[];
  /** What stands on a shelf, or as a second reel on another. */
  readonly on?: Readonly<Record<string, string>>;
  /** Inlets of machines above the shelf that they stand on. */
  readonly inlets?: Readonly<Record<string, string>>;
}

const kept = (...more: GearDocument[]): GearDocument[] => [
  usualGear('extinguisher', 'extinguisher'),
  usualGear('first-aid', 'first-aid'),
  usualGear('gun-rack', 'gun-rack'),
  ...more,
];
const box = usualGear('box', 'tool-box', { name: 'Tool box', mass: '110 lb' });
const smallBox = usualGear('box', 'tool-box', { name: 'Tool box', length: '30 in', width: '14 in', height: '14 in', mass: '60 lb' });
const chocks = usualGear('chocks', 'chocks');
const cones = usualGear('cones', 'cones');
const can = usualGear('fuel-can', 'fuel-can');

/** By layout. */
export const DECK_PLANS: Readonly<Record<string, DeckPlan>> = {
  'buffer-skid': { platform: 'skid-8', gear: kept(smallBox), on: { 'hose-reel': 'supply-reel' } },
  'big-tank': { platform: 'tandem-14', gear: kept(box, chocks, cones, can), on: { 'reel-hose-a': 'reel-fill' } },
  'tied-tanks': { platform: 'flatbed', gear: kept(box), on: { 'reel-hose-a': 'reel-fill', 'reel-soft-hose': 'reel-hose-b' } },
  'gravity-van': {
    platform: 'small-van',
    gear: [usualGear('extinguisher', 'extinguisher'), usualGear('first-aid', 'first-aid')],
    on: { 'reel-hose': 'reel-fill' },
  },
  'boosted-skid': {
    platform: 'skid-10',
    gear: kept(
      usualGear('shelf', 'pump-shelf', {
        name: 'Shelf over the transfer pump',
        length: '44 in',
        width: '26 in',
        height: '24 in',
        carries: '500 lb',
        mass: '60 lb',
      }),
      smallBox,
    ),
    on: { 'washer-a': 'pump-shelf', 'reel-hose-a': 'reel-fill', 'reel-batch-hose': 'reel-hose-b' },
    inlets: { 'washer-a': '14 in' },
  },
  'two-unequal': { platform: 'tandem-16', gear: kept(box, chocks, cones, can), on: { 'reel-hose-large': 'reel-fill', 'reel-stick-hose': 'reel-hose-small' } },
  'two-gun-split': { platform: 'tandem-12', gear: kept(smallBox, chocks), on: { 'reel-hose-a': 'reel-fill' } },
  'carried-water': { platform: 'single-10', gear: kept(smallBox, chocks) },
  'small-buffer': { platform: 'flatbed', gear: kept(box, cones), on: { 'reel-hose-a': 'reel-fill' } },
  'metric-header': {
    platform: 'single-3m',
    gear: [
      usualGear('extinguisher', 'extinguisher', { length: '13 cm', width: '13 cm', height: '40 cm', mass: '4 kg' }),
      usualGear('first-aid', 'first-aid', { length: '30 cm', width: '15 cm', height: '30 cm', mass: '4 kg' }),
      usualGear('chocks', 'chocks', { length: '25 cm', width: '20 cm', height: '20 cm', mass: '4 kg' }),
    ],
    on: { 'reel-hose': 'reel-fill', 'reel-glass-hose': 'reel-soft-hose' },
  },
  'winter-split': { platform: 'tandem-16', gear: kept(box, chocks, cones), on: { 'reel-hose-a': 'reel-fill', 'reel-batch-hose': 'reel-hose-b' } },
  'mix-tank-truck': { platform: 'box-truck', gear: kept(box, cones), on: { 'reel-hose-a': 'reel-fill' } },
  'two-batch': {
    platform: 'single-6',
    gear: [usualGear('extinguisher', 'extinguisher'), usualGear('first-aid', 'first-aid')],
    on: { 'reel-roofs-hose': 'reel-walls-hose' },
  },
  'two-totes': { platform: 'long-flatbed', gear: kept(box, cones), on: { 'reel-soft-hose': 'reel-hose-a' } },
  'crew-of-four': {
    platform: 'long-flatbed',
    changes: { name: 'Crew truck', riding: [{ id: 'crew', name: 'Crew of four', mass: '760 lb', at: '-30 in' }] },
    gear: kept(box, cones),
    on: {
      'reel-hose-a1': 'reel-fill-quay',
      'reel-hose-a2': 'reel-fill-shed',
      'reel-hose-b2': 'reel-hose-b1',
      'reel-roofs-hose': 'reel-soft-hose',
    },
  },
};

/** The longest hose of a line that is not wound up. */
function longestLaid(d: RigDocument, line: RigDocument['lines'][number]) {
  const wound = (d.reels ?? []).some((r) => r.line === line.id);
  const hoses = line.parts.flatMap((p) => (p.kind === 'hose' && (!wound || p.use === 'whip') ? [p] : []));
  return hoses.sort((a, b) => si(b.length, 'length') - si(a.length, 'length'))[0];
}

/** Stands a layout on its platform: gear, places, and what holds each thing. */
export function onDeck(id: string, d: RigDocument): RigDocument {
  const plan = DECK_PLANS[id];
  setPlatform(d, { ...platformOf(plan.platform), ...plan.changes });
  d.gear = [...plan.gear.map((g) => ({ ...g }))];
  for (const m of d.machines) m.inletHeight = plan.inlets?.[m.id] ?? m.inletHeight;
  for (const l of d.lines) {
    const length = DECK_HOSES[id]?.[l.id];
    const own = longestLaid(d, l);
    if (length && own) own.length = length;
  }
  const places = DECK_PLACES[id];
  if (places) d.placements = places.map((p) => ({ ...p, ...(p.held ? { held: { ...p.held } } : {}) }));
  return d;
}
