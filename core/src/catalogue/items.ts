import type { UnitSystem } from '../quantity/dimension.js';
import { shelfName, type ShelfPart } from '../quantity/nominal.js';
import { parseQuantity } from '../quantity/parse.js';
import type { LineRole, Part, PartDocument } from '../rig/schema.js';
import type { Device } from '../rig/thing/part.js';

/** A generic part on the shelf: what it does to the water, what it costs and weighs. */
export interface CatalogueItem {
  readonly id: string;
  readonly name: string;
  readonly group: string;
  readonly part: PartDocument;
  /** Price of one piece, or of one metre of hose, in dollars: the workshop's own list. Estimate. */
  readonly price: number;
  /** Mass of one piece, or of one metre of hose, kg, dry. Estimate. */
  readonly massKg: number;
  readonly source: string;
}

const CRANE = 'K from Crane TP-410 (from memory)';
const ESTIMATE = 'estimate: typical of generic parts of this size';

/** Nominal size, its inside diameter in hose and pipe, a barb's bore and a reduced ball valve's bore. Bores in inches. */
const SIZES = [
  { nominal: '1/2', barb: 0.39, ball: 0.37, scale: 0.5, strainer: [6, 2.5] },
  { nominal: '5/8', barb: 0.5, ball: 0.47, scale: 0.65, strainer: [9, 4] },
  { nominal: '3/4', barb: 0.6, ball: 0.57, scale: 0.75, strainer: [14, 6] },
  { nominal: '1', barb: 0.84, ball: 0.77, scale: 1, strainer: [25, 11] },
  { nominal: '1 1/4', barb: 1.06, ball: 0.98, scale: 1.4, strainer: [40, 18] },
  { nominal: '1 1/2', barb: 1.3, ball: 1.22, scale: 1.8, strainer: [60, 27] },
  { nominal: '2', barb: 1.76, ball: 1.6, scale: 2.8, strainer: [110, 50] },
] as const;

const slug = (nominal: string): string => nominal.replace(' ', '-').replaceAll('/', '');

function item(id: string, name: string, group: string, part: Record<string, unknown>, price: number, massKg: number, source: string): CatalogueItem {
  return { id, name, group, part: { id: 'part', name, item: id, ...part } as PartDocument, price: Math.round(price * 100) / 100, massKg, source };
}

function sized(): CatalogueItem[] {
  return SIZES.flatMap(({ nominal, barb, ball, scale, strainer }) => {
    const bore = `${nominal} in`;
    const s = slug(nominal);
    const fitting = (is: string, label: string, price: number, mass: number, extra: Record<string, unknown> = {}, source = CRANE) =>
      item(`${is}-${s}`, `${label} ${nominal} in`, 'Fittings', { kind: 'fitting', is, bore, count: '1', ...extra }, price * scale, mass * scale, source);
    return [
      item(
        `hose-helix-${s}`,
        `Suction hose ${nominal} in`,
        'Hose',
        { kind: 'hose', is: 'suction-helix', bore, length: '3 ft' },
        12 * scale,
        0.45 * scale,
        ESTIMATE,
      ),
      item(
        `hose-corrugated-${s}`,
        `Corrugated suction hose ${nominal} in`,
        'Hose',
        { kind: 'hose', is: 'suction-corrugated', bore, length: '3 ft' },
        9 * scale,
        0.4 * scale,
        ESTIMATE,
      ),
      item(`pipe-${s}`, `Plastic pipe ${nominal} in`, 'Hose', { kind: 'hose', is: 'plastic-pipe', bore, length: '3 ft' }, 7 * scale, 0.4 * scale, ESTIMATE),
      fitting('elbow-90', 'Elbow 90°', 5, 0.09),
      fitting('elbow-90-swept', 'Sweep bend 90°', 8, 0.11),
      fitting('elbow-45', 'Elbow 45°', 5, 0.08),
      fitting('tee-run', 'Tee, straight through', 7, 0.12),
      fitting('tee-branch', 'Tee, into the branch', 7, 0.12),
      fitting(
        'barb',
        'Hose barb',
        4,
        0.06,
        { reducedBore: `${barb} in` },
        'bore of the barb: estimate; loss as sudden contraction and expansion, Crane TP-410 (from memory)',
      ),
      item(
        `ball-valve-full-${s}`,
        `Ball valve ${nominal} in, full bore`,
        'Valves',
        { kind: 'fitting', is: 'ball-valve', bore, count: '1' },
        22 * scale,
        0.4 * scale,
        CRANE,
      ),
      item(
        `ball-valve-reduced-${s}`,
        `Ball valve ${nominal} in, reduced bore`,
        'Valves',
        { kind: 'fitting', is: 'ball-valve', bore, count: '1', reducedBore: `${ball} in` },
        14 * scale,
        0.3 * scale,
        'bore of the ball: estimate; loss as sudden contraction and expansion, Crane TP-410 (from memory)',
      ),
      item(
        `check-valve-${s}`,
        `Swing check valve ${nominal} in`,
        'Valves',
        { kind: 'fitting', is: 'check-valve', bore, count: '1' },
        18 * scale,
        0.35 * scale,
        CRANE,
      ),
      item(
        `foot-valve-${s}`,
        `Foot valve with screen ${nominal} in`,
        'Valves',
        { kind: 'fitting', is: 'foot-valve', bore, count: '1' },
        24 * scale,
        0.4 * scale,
        'K as a hinged foot valve with strainer, Crane TP-410 (from memory)',
      ),
      fitting('anti-vortex', 'Anti-vortex plate over the outlet', 16, 0.15, {}, ESTIMATE),
      fitting('three-way-run', 'Three- or four-way valve, straight through', 42, 0.5, {}, 'K as a multi-port plug valve, Crane TP-410 (from memory)'),
      fitting('three-way-turn', 'Three- or four-way valve, round the corner', 42, 0.5, {}, 'K as a multi-port plug valve, Crane TP-410 (from memory)'),
      fitting('grommet', 'Rubber grommet, hose straight into the tank', 6, 0.05, {}, 'K as a projecting inlet, Crane TP-410 (from memory)'),
      fitting('accumulator', 'Suction accumulator on a tee', 85, 1.2, {}, ESTIMATE),
      item(
        `foot-strainer-${s}`,
        `Slotted foot strainer in a drop tube ${nominal} in`,
        'Strainers',
        { kind: 'strainer', is: 'strainer', bore, cvClean: `${(strainer[0] * 0.7).toFixed(1)} Cv`, cvDirty: `${(strainer[1] * 0.6).toFixed(1)} Cv` },
        22 * scale,
        0.3 * scale,
        ESTIMATE,
      ),
      fitting('bulkhead', 'Bulkhead', 14, 0.25),
      fitting('bulkhead-projecting', 'Bulkhead, pipe standing into the tank', 14, 0.25),
      fitting('quick-coupler', 'Quick coupler', 12, 0.15, { reducedBore: `${barb} in` }, ESTIMATE),
      fitting('cam-coupler', 'Cam coupler', 11, 0.2),
      item(
        `strainer-${s}`,
        `Strainer ${nominal} in, 50 mesh`,
        'Strainers',
        { kind: 'strainer', is: 'strainer', bore, cvClean: `${strainer[0]} Cv`, cvDirty: `${strainer[1]} Cv` },
        26 * scale,
        0.4 * scale,
        ESTIMATE,
      ),
    ];
  });
}

const garden = (nominal: string, price: number, mass: number): CatalogueItem =>
  item(
    `hose-garden-${slug(nominal)}`,
    `Garden hose ${nominal} in`,
    'Hose',
    { kind: 'hose', is: 'smooth-hose', bore: `${nominal} in`, length: '100 ft' },
    price,
    mass,
    ESTIMATE,
  );
const pressureHose = (nominal: string, price: number, mass: number): CatalogueItem =>
  item(
    `hose-pressure-${slug(nominal)}`,
    `Pressure hose ${nominal} in`,
    'Hose',
    { kind: 'hose', is: 'smooth-hose', bore: `${nominal} in`, length: '100 ft' },
    price,
    mass,
    ESTIMATE,
  );
const chemHose = (nominal: string, price: number, mass: number): CatalogueItem =>
  item(
    `hose-chemical-${slug(nominal)}`,
    `Chemical hose ${nominal} in`,
    'Hose',
    { kind: 'hose', is: 'smooth-hose', bore: `${nominal} in`, length: '10 ft' },
    price,
    mass,
    ESTIMATE,
  );
const device = (
  is: string,
  id: string,
  name: string,
  bore: string,
  cv: string,
  price: number,
  massKg: number,
  extra: Record<string, unknown> = {},
): CatalogueItem => item(id, name, is === 'filter' ? 'Strainers' : 'Valves', { kind: 'valve', is, bore, cv, ...extra }, price, massKg, ESTIMATE);

/** A backflow preventer of which it is known what it is; its loss is the usual one of its kind (estimate). */
const preventer = (is: Device, size: '34' | '1', name: string, cv: string, openingLoss: string, price: number, massKg: number): CatalogueItem =>
  device('backflow-preventer', `${is}-${size}`, name, size === '34' ? '3/4 in' : '1 in', cv, price, massKg, { openingLoss, oneWay: true, device: is });

/** The shelf. Generic parts only; prices and masses are the workshop's estimates. */
export const CATALOGUE: readonly CatalogueItem[] = [
  ...sized(),
  garden('1/2', 1.6, 0.16),
  garden('5/8', 2.2, 0.22),
  garden('3/4', 3.2, 0.3),
  garden('1', 5.5, 0.5),
  pressureHose('1/4', 4.2, 0.25),
  pressureHose('5/16', 4.6, 0.32),
  pressureHose('3/8', 5.6, 0.4),
  pressureHose('1/2', 8.4, 0.62),
  device('inlet-valve', 'inlet-valve-12', 'Inlet valve 1/2 in, small bore', '1/2 in', '2.5 Cv', 12, 0.2),
  device('inlet-valve', 'inlet-valve-34', 'Inlet valve 3/4 in', '3/4 in', '8 Cv', 16, 0.3),
  device('inlet-valve', 'inlet-valve-34-thick', 'Inlet valve 3/4 in, thick-walled plastic, full bore', '3/4 in', '14 Cv', 18, 0.35),
  device('inlet-valve', 'inlet-valve-34-thin', 'Inlet valve 3/4 in, small brass, a third of the bore', '1/4 in', '1.5 Cv', 9, 0.2),
  device('inlet-valve', 'inlet-valve-1', 'Inlet valve 1 in', '1 in', '18 Cv', 24, 0.45),
  device('float-valve', 'float-valve-12', 'Float valve 1/2 in', '1/2 in', '2.8 Cv', 28, 0.5),
  device('float-valve', 'float-valve-34', 'Float valve 3/4 in', '3/4 in', '6 Cv', 42, 0.8),
  device('float-valve', 'float-valve-1', 'Float valve 1 in', '1 in', '13 Cv', 68, 1.1),
  device('backflow-preventer', 'backflow-34', 'Backflow preventer 3/4 in', '3/4 in', '7 Cv', 55, 0.7, { openingLoss: '3 psi', oneWay: true }),
  device('backflow-preventer', 'backflow-1', 'Backflow preventer 1 in', '1 in', '14 Cv', 90, 1.1, { openingLoss: '3 psi', oneWay: true }),
  preventer('vacuum-breaker', '34', 'Vacuum breaker 3/4 in', '9 Cv', '1 psi', 14, 0.3),
  preventer('double-check', '34', 'Double check valve 3/4 in', '7 Cv', '4 psi', 95, 1.2),
  preventer('double-check', '1', 'Double check valve 1 in', '14 Cv', '4 psi', 140, 1.8),
  preventer('reduced-pressure', '34', 'Reduced pressure backflow preventer 3/4 in', '7 Cv', '10 psi', 240, 2.2),
  preventer('reduced-pressure', '1', 'Reduced pressure backflow preventer 1 in', '14 Cv', '10 psi', 310, 3.2),
  device('filter', 'filter-34', 'Cartridge filter 3/4 in', '3/4 in', '7 Cv', 48, 1.2),
  device('filter', 'filter-1', 'Cartridge filter 1 in', '1 in', '14 Cv', 70, 1.6),
  device('gun-valve', 'gun-valve', 'Trigger gun', '3/8 in', '2.4 Cv', 65, 1.3),
  device('gun-valve', 'soft-gun-12', 'Ball gun for soft wash', '1/2 in', '6 Cv', 48, 0.6),
  device('metering-valve', 'metering-14', 'Metering valve 1/4 in', '1/4 in', '0.4 Cv', 28, 0.15, { setting: '50 %' }),
  device('metering-valve', 'metering-12', 'Metering valve 1/2 in', '1/2 in', '2.5 Cv', 38, 0.25, { setting: '50 %' }),
  device('metering-valve', 'metering-34', 'Metering valve 3/4 in', '3/4 in', '7 Cv', 52, 0.4, { setting: '100 %' }),
  chemHose('1/4', 1.4, 0.08),
  chemHose('3/8', 2.1, 0.14),
  chemHose('1/2', 2.8, 0.2),
  chemHose('5/8', 3.6, 0.27),
  chemHose('3/4', 4.6, 0.35),
  chemHose('1', 6.4, 0.5),
  item('swivel-38', 'Reel swivel 3/8 in', 'Fittings', { kind: 'fitting', is: 'swivel', bore: '3/8 in', count: '1', reducedBore: '0.31 in' }, 38, 0.3, ESTIMATE),
  item('swivel-12', 'Reel swivel 1/2 in', 'Fittings', { kind: 'fitting', is: 'swivel', bore: '1/2 in', count: '1', reducedBore: '0.42 in' }, 46, 0.4, ESTIMATE),
  item(
    'quick-coupler-38',
    'Quick coupler 3/8 in',
    'Fittings',
    { kind: 'fitting', is: 'quick-coupler', bore: '3/8 in', count: '1', reducedBore: '0.3 in' },
    9,
    0.1,
    ESTIMATE,
  ),
];

const BY_ID: ReadonlyMap<string, CatalogueItem> = new Map(CATALOGUE.map((x) => [x.id, x]));
if (BY_ID.size !== CATALOGUE.length) throw new Error('Two catalogue items share an id.');

/** Ids that the shelf once had, and what they are now. An id is never renamed or used again: files name it for ever (`testdata/catalogue-ids.json`). */
const RETIRED: Readonly<Record<string, string>> = {};

/** The shelf's item of an id, retired ones by what took their place; undefined where there was never one. */
export const findItem = (id: string | undefined): CatalogueItem | undefined => (id === undefined ? undefined : BY_ID.get(RETIRED[id] ?? id));

/**
 * A part from the shelf, ready for a line.
 * @param id catalogue id; throws `RangeError` when the shelf has none
 * @param partId id in the line
 */
export function takePart(id: string, partId: string, changes: Partial<Record<string, string>> = {}): PartDocument {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`The catalogue has no "${id}".`);
  return { ...found.part, id: partId, ...changes };
}

const family = (id: string): string => id.replace(/-[\d-]+$/, '');
const boreOf = (text: string): number => {
  const read = parseQuantity(text, 'length');
  return read.ok ? read.si : NaN;
};

/** Shelf items of the same family as a part (`ball-valve-full`, `hose-helix`), narrowest first; empty for a part that never came from the shelf. */
export function siblings(part: PartDocument): readonly CatalogueItem[] {
  const own = findItem(part.item);
  if (!own) return [];
  families ??= inFamilies();
  return families.get(family(own.id))!;
}
let families: ReadonlyMap<string, readonly CatalogueItem[]> | undefined;

function inFamilies(): Map<string, CatalogueItem[]> {
  const out = new Map<string, CatalogueItem[]>();
  for (const x of CATALOGUE) {
    const of = out.get(family(x.id));
    if (of) of.push(x);
    else out.set(family(x.id), [x]);
  }
  for (const of of out.values()) of.sort((a, b) => boreOf(a.part.bore) - boreOf(b.part.bore));
  return out;
}

/**
 * The same kind of part in another bore. Where the shelf has that size its figures are taken (inner bore, Cv, price);
 * otherwise the bore alone changes and the part no longer counts as one from the shelf. Length, count and coil stay.
 * @param bore as typed
 */
export function resize(part: PartDocument, bore: string): PartDocument {
  const wanted = boreOf(bore);
  const found = siblings(part).find((x) => Math.abs(boreOf(x.part.bore) - wanted) < 2e-4);
  if (found) {
    const kept =
      part.kind === 'hose'
        ? {
            length: part.length,
            ...(part.coiledLength ? { coiledLength: part.coiledLength } : {}),
            ...(part.coilDiameter ? { coilDiameter: part.coilDiameter } : {}),
            ...(part.use ? { use: part.use } : {}),
          }
        : part.kind === 'fitting'
          ? { count: part.count }
          : {};
    return { ...found.part, ...kept, id: part.id, bore };
  }
  const { item: _gone, ...rest } = part;
  return { ...rest, bore, name: part.name.includes(part.bore) ? part.name.replace(part.bore, bore) : part.name };
}

/** What a sentence calls a part: the shelf's name as such, so that its size is said in the reader's sizes, or the name somebody typed. */
export function calledPart(part: Pick<Part, 'name' | 'kind' | 'item'>): string | ShelfPart {
  return findItem(part.item)?.name === part.name ? { name: part.name, kind: part.kind } : part.name;
}

/** A part's name as a list says it: one that still has the shelf's name in the reader's sizes, a typed one as typed. */
export function partName(part: Pick<Part, 'name' | 'kind' | 'item'>, system: UnitSystem): string {
  const called = calledPart(part);
  return typeof called === 'string' ? called : shelfName(called, system);
}

/** What a part costs and weighs by, as built in. SI. */
export interface BuiltIn {
  readonly item?: string | undefined;
  readonly kind: Part['kind'];
  readonly is: Part['is'];
  readonly bore: number;
  /** Of its line: hose under pressure is another hose. */
  readonly role?: LineRole;
  readonly lengthM?: number;
  readonly count?: number;
}

/** Price ($) and dry mass (kg) of a part as built in: by its item on the shelf, or by what is near it there, see {@link nearOnShelf}. */
export function priceAndMass(part: BuiltIn): { readonly price: number; readonly massKg: number } {
  const one = findItem(part.item) ?? nearOnShelf(part.is, part.bore, part.role);
  const n = part.kind === 'hose' ? (part.lengthM ?? 0) : (part.count ?? 1);
  return { price: one.price * n, massKg: one.massKg * n };
}

/** Kinds that the shelf has none of: what stands in for them, with what their price and mass are of its. Estimates; an exit is no piece. */
const STANDS_IN: Readonly<Partial<Record<Part['is'], readonly [is: Part['is'], price: number, mass: number]>>> = {
  'gate-valve': ['ball-valve', 1.2, 1.2],
  reducer: ['barb', 1, 1],
  exit: ['barb', 0, 0],
  unloader: ['gun-valve', 1, 1],
  'steel-pipe': ['plastic-pipe', 1.5, 5],
  'galvanised-pipe': ['plastic-pipe', 1.8, 5],
};

/**
 * Price ($) and dry mass (kg) of one piece, or of one metre of hose, that is none of the shelf's: between the sizes of its kind next to
 * it, or as its bore is to the last of them. Never nothing: what is not on the shelf is bought and carried all the same.
 */
export function nearOnShelf(is: Part['is'], boreM: number, role?: LineRole): { readonly price: number; readonly massKg: number } {
  const [kind, dearer, heavier] = STANDS_IN[is] ?? [is, 1, 1];
  sizesOfKind ??= bySize();
  const sizes = sizesOfKind.get(kind === 'smooth-hose' ? HOSE_OF[role ?? 'fill'] : kind)!;
  const next = sizes.findIndex((x) => x.boreM >= boreM);
  const [low, high] = [sizes[next < 0 ? sizes.length - 1 : Math.max(next - 1, 0)], sizes[next < 0 ? sizes.length - 1 : next]];
  const share = high.boreM > low.boreM ? (boreM - low.boreM) / (high.boreM - low.boreM) : 0;
  const scale = high.boreM > low.boreM ? 1 : boreM / low.boreM;
  return {
    price: dearer * scale * (low.price + (high.price - low.price) * share),
    massKg: heavier * scale * (low.massKg + (high.massKg - low.massKg) * share),
  };
}

/** Families of smooth hose on the shelf, by the line that one lies in. */
const HOSE_OF: Readonly<Record<LineRole, string>> = {
  pressure: 'hose-pressure',
  chemical: 'hose-chemical',
  fill: 'hose-garden',
  tie: 'hose-garden',
  feed: 'hose-garden',
  boost: 'hose-garden',
  bypass: 'hose-garden',
  dump: 'hose-garden',
};

interface Sized {
  readonly boreM: number;
  readonly price: number;
  readonly massKg: number;
}
let sizesOfKind: ReadonlyMap<string, readonly Sized[]> | undefined;

/** The sizes of each kind, of smooth hose of each family of it, narrowest first; of several of a size their mean. */
function bySize(): ReadonlyMap<string, readonly Sized[]> {
  const out = new Map<string, Sized[]>();
  const classOf = (x: CatalogueItem): string => (x.part.is === 'smooth-hose' ? family(x.id) : x.part.is);
  for (const is of new Set(CATALOGUE.map(classOf))) {
    const own = CATALOGUE.filter((x) => classOf(x) === is);
    const bores = [...new Set(own.map((x) => boreOf(x.part.bore)))].sort((a, b) => a - b);
    const mean = (xs: readonly number[]): number => xs.reduce((sum, x) => sum + x, 0) / xs.length;
    out.set(
      is,
      bores.map((boreM) => {
        const of = own.filter((x) => boreOf(x.part.bore) === boreM);
        return { boreM, price: mean(of.map((x) => x.price)), massKg: mean(of.map((x) => x.massKg)) };
      }),
    );
  }
  return out;
}
