import type { Dimension } from '../quantity/dimension.js';
import { si } from '../quantity/parse.js';

/** Families of equipment: what a rig carries besides the parts of its lines. */
export const EQUIPMENT_KINDS = {
  tank: { word: 'Tank', by: 'volume' },
  bund: { word: '‹Containment tray›', by: 'volume' },
  receiver: { word: 'Air receiver', by: 'volume' },
  pump: { word: 'Plunger pump', by: 'flow' },
  engine: { word: 'Engine', by: 'power' },
  booster: { word: 'Booster', by: 'flow' },
  'soft-pump-electric': { word: 'Soft wash pump, 12 V', by: 'flow' },
  'soft-pump-engine': { word: 'Soft wash pump with engine', by: 'flow' },
  'soft-pump-air': { word: 'Air-operated soft wash pump', by: 'flow' },
  'battery-lead-acid': { word: 'Battery, lead-acid', by: 'charge' },
  'battery-agm': { word: 'Battery, AGM', by: 'charge' },
  'battery-lithium': { word: 'Battery, lithium', by: 'charge' },
  compressor: { word: 'Compressor', by: 'airFlow' },
  'fuel-tank': { word: 'Fuel tank', by: 'volume' },
  'fuse-panel': { word: 'Fuse panel', by: 'number' },
  charger: { word: 'Charger', by: 'current' },
  burner: { word: 'Burner with coil', by: 'power' },
  reel: { word: 'Hose reel', by: 'volume' },
  'reel-motor': { word: 'Motor of a reel', by: 'current' },
  gun: { word: 'Gun with ‹wand›', by: 'pressure' },
  'surface-cleaner': { word: 'Surface cleaner', by: 'length' },
  'soft-gun': { word: 'Soft wash gun', by: 'length' },
  box: { word: 'Lockable box', by: 'volume' },
} as const satisfies Readonly<Record<string, { readonly word: string; readonly by: Dimension }>>;
export type EquipmentKind = keyof typeof EQUIPMENT_KINDS;

/** A generic piece of equipment that can be bought. */
export interface Equipment {
  readonly id: string;
  readonly kind: EquipmentKind;
  /** Of what its kind is sized by: gallons of a tank, flow of a pump, wound drum of a reel. */
  readonly size: string;
  /** Length, width and height over all, m. */
  readonly outsideM: readonly [length: number, width: number, height: number];
  /** Dollars: the workshop's own list. Estimate. */
  readonly price: number;
  /** Dry, kg. Estimate. */
  readonly massKg: number;
}

type Row = readonly [size: string, outside: string, price: number, massKg: number];

/** Rows by rising size; outside measures in inches. All are workshop estimates of generic goods. */
const ROWS: Readonly<Record<EquipmentKind, readonly Row[]>> = {
  // Plastic, with lid and vent: $60 and what the plastic weighs.
  tank: [
    ['25 gal', '26 18 14', 99.75, 2.27],
    ['65 gal', '38 22 20', 163.34, 5.91],
    ['125 gal', '42 30 25', 258.74, 11.36],
    ['225 gal', '50 38 30', 417.72, 20.44],
    ['325 gal', '60 40 34', 576.71, 29.53],
    ['550 gal', '82 48 36', 934.44, 49.97],
  ],
  bund: [
    ['30 gal', '32 24 12', 102.21, 6.81],
    ['130 gal', '52 40 16', 442.89, 29.53],
    ['300 gal', '72 50 22', 1022.06, 68.14],
  ],
  receiver: [
    ['5 gal', '20 10 12', 37.85, 5.11],
    ['20 gal', '34 14 16', 151.42, 20.44],
    ['60 gal', '50 20 24', 454.25, 61.32],
  ],
  pump: [
    ['2 gpm', '10 8 7', 260, 6],
    ['4 gpm', '12 10 8', 420, 10],
    ['8 gpm', '15 13 10', 780, 20],
    ['16 gpm', '20 17 14', 1700, 48],
  ],
  engine: [
    ['5 hp', '15 14 13', 260, 16],
    ['9 hp', '17 18 17', 420, 27],
    ['13 hp', '18 19 18', 560, 33],
    ['22 hp', '18 20 20', 1250, 48],
    ['37 hp', '20 21 24', 2300, 62],
  ],
  booster: [
    ['4 gpm', '8 5 5', 140, 4],
    ['30 gpm', '10 7 8', 140, 4],
  ],
  'soft-pump-electric': [
    ['3 gpm', '9 5 5', 190, 4],
    ['7 gpm', '10 6 6', 190, 4],
    ['14 gpm', '12 8 7', 380, 8],
  ],
  'soft-pump-engine': [
    ['8 gpm', '24 18 20', 1400, 34],
    ['12 gpm', '24 18 20', 1400, 34],
    ['24 gpm', '28 22 22', 2300, 52],
  ],
  'soft-pump-air': [
    ['8 gpm', '9 8 11', 640, 11],
    ['17 gpm', '9 8 11', 640, 11],
    ['35 gpm', '13 12 16', 1150, 19],
  ],
  'battery-lead-acid': [
    ['35 Ah', '8 5 7', 56, 9.8],
    ['100 Ah', '13 7 9', 160, 28],
    ['200 Ah', '21 11 10', 320, 56],
  ],
  'battery-agm': [
    ['35 Ah', '8 5 7', 84, 9.8],
    ['100 Ah', '13 7 9', 240, 28],
    ['200 Ah', '21 9 9', 480, 56],
  ],
  'battery-lithium': [
    ['30 Ah', '8 5 7', 165, 3.6],
    ['100 Ah', '13 7 9', 550, 12],
    ['200 Ah', '21 9 9', 1100, 24],
  ],
  compressor: [
    ['6 cfm', '20 14 16', 510, 30],
    ['20 cfm', '34 18 26', 1700, 100],
    ['40 cfm', '42 22 30', 3400, 200],
  ],
  'fuel-tank': [
    ['3 gal', '16 10 8', 65, 2],
    ['6 gal', '20 13 10', 90, 3.5],
    ['13 gal', '24 16 13', 190, 7],
    ['17 gal', '28 17 14', 240, 9],
    ['40 gal', '36 20 18', 480, 20],
  ],
  // By the loads that it feeds.
  'fuse-panel': [
    ['4', '7 4 3', 35, 0.4],
    ['12', '9 6 3', 70, 0.8],
  ],
  charger: [
    ['5 A', '8 4 3', 60, 1],
    ['20 A', '10 7 4', 160, 2.5],
    ['60 A', '12 9 5', 420, 6],
  ],
  burner: [
    ['40 kW', '24 20 30', 1500, 60],
    ['100 kW', '30 26 38', 2600, 110],
    ['200 kW', '40 32 48', 4800, 210],
  ],
  // By the drum between its flanges.
  reel: [
    ['0.02 m³', '22 20 20', 240, 18],
    ['0.06 m³', '26 22 24', 420, 30],
    ['0.15 m³', '32 30 30', 760, 52],
  ],
  'reel-motor': [
    ['20 A', '8 5 5', 160, 4],
    ['60 A', '10 6 6', 290, 7],
  ],
  gun: [
    ['3000 psi', '44 6 3', 85, 1.6],
    ['5000 psi', '46 6 3', 120, 1.9],
  ],
  'surface-cleaner': [
    ['16 in', '18 18 38', 260, 11],
    ['20 in', '22 22 40', 380, 16],
    ['30 in', '32 32 40', 720, 30],
  ],
  'soft-gun': [
    ['2 mm', '14 6 3', 45, 0.6],
    ['8 mm', '16 6 3', 75, 0.9],
  ],
  box: [
    ['15 gal', '24 14 12', 120, 12],
    ['60 gal', '48 18 18', 260, 28],
  ],
};

const INCH = 0.0254;

export const EQUIPMENT: readonly Equipment[] = (Object.entries(ROWS) as [EquipmentKind, readonly Row[]][]).flatMap(([kind, rows]) =>
  rows.map(([size, outside, price, massKg]) => {
    const [length, width, height] = outside.split(' ').map((x) => Number(x) * INCH);
    return { id: `${kind}-${size.replace(/[^\w.]+/g, '')}`, kind, size, outsideM: [length, width, height], price, massKg };
  }),
);

/** Length, width and height over all, m, of equipment of a size (SI): between two on the list in proportion; never below a quarter of the least. */
export function outsideOf(kind: EquipmentKind, size: number): readonly [length: number, width: number, height: number] {
  const { a, b, share } = between(kind, size);
  const side = (i: 0 | 1 | 2): number => Math.max(a.outsideM[i] + (b.outsideM[i] - a.outsideM[i]) * share, a.outsideM[i] / 4);
  return [side(0), side(1), side(2)];
}

/**
 * Price, $, and dry mass, kg, of equipment of a size (SI): between two on the list in proportion, beyond its ends as the
 * last two go. Never below nothing.
 */
export function equipmentOf(kind: EquipmentKind, size: number): { readonly price: number; readonly massKg: number } {
  const { a, b, share } = between(kind, size);
  const of = (key: 'price' | 'massKg'): number => Math.max(a[key] + (b[key] - a[key]) * share, 0);
  return { price: of('price'), massKg: of('massKg') };
}

interface Listed extends Pick<Equipment, 'price' | 'massKg' | 'outsideM'> {
  readonly size: number;
}

/** The two on the list that a size lies between, and how far on. */
function between(kind: EquipmentKind, size: number): { readonly a: Listed; readonly b: Listed; readonly share: number } {
  const rows = OF_KIND.get(kind)!;
  let at = 1;
  while (at < rows.length - 1 && size > rows[at].size) at++;
  const [a, b] = [rows[at - 1], rows[at]];
  return { a, b, share: (size - a.size) / (b.size - a.size) };
}

const OF_KIND: ReadonlyMap<EquipmentKind, readonly Listed[]> = new Map(
  (Object.keys(EQUIPMENT_KINDS) as EquipmentKind[]).map((kind) => [
    kind,
    EQUIPMENT.filter((e) => e.kind === kind).map((e) => ({
      size: si(e.size, EQUIPMENT_KINDS[kind].by),
      price: e.price,
      massKg: e.massKg,
      outsideM: e.outsideM,
    })),
  ]),
);
