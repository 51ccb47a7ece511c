import type { PlatformDocument } from '../rig/schema.js';

/** A generic platform to start from. Measures, masses and ratings are estimates of what such a one usually has. */
export interface StockPlatform {
  readonly id: string;
  readonly title: string;
  readonly make: () => PlatformDocument;
}

const pickup = (name = 'Three-quarter-ton pickup'): NonNullable<PlatformDocument['tow']> => ({
  name,
  wheelbase: '148 in',
  overhang: '50 in',
  front: '3800 lb',
  rear: '2900 lb',
  rearRating: '6200 lb',
  gvwr: '9900 lb',
  hitch: '1700 lb',
  combined: '23000 lb',
});

const trailer = (
  name: string,
  size: readonly [length: string, width: string],
  axles: readonly string[],
  changes: Pick<PlatformDocument, 'empty' | 'gvwr'> & Partial<PlatformDocument> & { readonly axleRating: string },
): PlatformDocument => {
  const { axleRating, ...rest } = changes;
  return {
    kind: 'trailer',
    name,
    length: size[0],
    width: size[1],
    height: '22 in',
    rail: '12 in',
    axles: axles.map((at) => ({ at, track: '84 in', rating: axleRating, tyres: axleRating })),
    coupling: { kind: 'ball', ahead: '48 in', rating: '2000 lb', gross: '10000 lb' },
    brakes: 'electric',
    deck: 'wood',
    coat: 'bare',
    tow: pickup(),
    ...rest,
  };
};

const known = (mass: string, at: string, height = '20 in'): PlatformDocument['empty'] => ({ by: 'centre', mass, at, height });

const truck = (
  kind: PlatformDocument['kind'],
  name: string,
  size: readonly [length: string, width: string, height: string],
  axles: readonly [frontAt: string, rearAt: string, frontRating: string, rearRating: string, track: string],
  empty: PlatformDocument['empty'],
  gvwr: string,
  changes: Partial<PlatformDocument> = {},
): PlatformDocument => ({
  kind,
  name,
  length: size[0],
  width: size[1],
  height: size[2],
  empty,
  axles: [
    { at: axles[0], track: axles[4], rating: axles[2], tyres: axles[2] },
    { at: axles[1], track: axles[4], rating: axles[3], tyres: axles[3] },
  ],
  gvwr,
  brakes: 'vehicle',
  deck: 'steel',
  coat: 'painted',
  riding: [{ id: 'crew', name: 'Crew of two', mass: '380 lb', at: '-30 in' }],
  ...changes,
});

/** Starting platforms, by kind and size. */
export const PLATFORMS: readonly StockPlatform[] = [
  {
    id: 'single-6',
    title: 'Small open trailer, single axle, 6½ × 4½ ft',
    make: () =>
      trailer('Small single-axle trailer', ['80 in', '56 in'], [], {
        axleRating: '2000 lb',
        empty: known('620 lb', '38 in'),
        gvwr: '2000 lb',
        brakes: 'none',
        rail: '8 in',
        height: '20 in',
        coupling: { kind: 'ball', ahead: '40 in', rating: '2000 lb', gross: '3500 lb' },
        axles: [{ at: '48 in', track: '64 in', rating: '2000 lb', tyres: '2200 lb' }],
      }),
  },
  {
    id: 'single-8',
    title: 'Open trailer, single axle, 8 × 5 ft',
    make: () =>
      trailer('Single-axle trailer', ['96 in', '60 in'], ['58 in'], {
        axleRating: '3500 lb',
        empty: known('900 lb', '44 in'),
        gvwr: '2990 lb',
        brakes: 'none',
        coupling: { kind: 'ball', ahead: '44 in', rating: '2000 lb', gross: '3500 lb' },
        axles: [{ at: '58 in', track: '70 in', rating: '3500 lb', tyres: '3600 lb' }],
      }),
  },
  {
    id: 'single-10',
    title: 'Open trailer, single axle, 10 × 6 ft',
    make: () => trailer('Single-axle trailer', ['120 in', '72 in'], ['74 in'], { axleRating: '5200 lb', empty: known('1150 lb', '56 in'), gvwr: '5200 lb' }),
  },
  {
    id: 'single-3m',
    title: 'Open trailer, one axle, 3.0 × 1.6 m',
    make: () => ({
      kind: 'trailer',
      name: 'Single-axle trailer',
      length: '3.0 m',
      width: '1.6 m',
      height: '60 cm',
      rail: '30 cm',
      empty: { by: 'centre', mass: '420 kg', at: '1.40 m', height: '50 cm' },
      axles: [{ at: '1.80 m', track: '1.75 m', rating: '1800 kg', tyres: '1900 kg' }],
      coupling: { kind: 'ball', ahead: '1.2 m', rating: '250 kg', gross: '3500 kg' },
      gvwr: '1800 kg',
      brakes: 'surge',
      deck: 'aluminium',
      coat: 'bare',
      tow: {
        name: 'Panel van',
        wheelbase: '3.7 m',
        overhang: '1.3 m',
        front: '1350 kg',
        rear: '1000 kg',
        rearRating: '1900 kg',
        gvwr: '3500 kg',
        hitch: '250 kg',
        combined: '6000 kg',
      },
    }),
  },
  {
    id: 'tandem-12',
    title: 'Open trailer, two axles, 12 × 6½ ft',
    make: () =>
      trailer('Tandem-axle trailer', ['144 in', '78 in'], ['74 in', '108 in'], { axleRating: '3500 lb', empty: known('1700 lb', '74 in'), gvwr: '7000 lb' }),
  },
  {
    id: 'tandem-14',
    title: 'Open trailer, two axles, 14 × 7 ft, heavy',
    make: () =>
      trailer('Heavy tandem-axle trailer', ['168 in', '83 in'], ['88 in', '122 in'], {
        axleRating: '5200 lb',
        empty: known('2300 lb', '88 in'),
        gvwr: '9990 lb',
      }),
  },
  {
    id: 'tandem-16',
    title: 'Open trailer, two axles, 16 × 7 ft, heavy',
    make: () =>
      trailer('Long tandem-axle trailer', ['192 in', '83 in'], ['104 in', '138 in'], {
        axleRating: '7000 lb',
        empty: known('3000 lb', '102 in'),
        gvwr: '14000 lb',
        coupling: { kind: 'pintle', ahead: '54 in', rating: '3000 lb', gross: '18000 lb' },
        tow: { ...pickup('One-ton pickup'), rear: '3300 lb', rearRating: '7000 lb', gvwr: '11500 lb', hitch: '2500 lb', combined: '27000 lb' },
      }),
  },
  {
    id: 'enclosed-14',
    title: 'Closed trailer, two axles, 14 × 7 ft',
    make: () =>
      trailer('Closed trailer', ['168 in', '80 in'], ['88 in', '122 in'], {
        axleRating: '5200 lb',
        empty: known('3000 lb', '86 in', '40 in'),
        gvwr: '9990 lb',
        headroom: '78 in',
        doors: ['rear', 'kerb'],
        rail: '0 in',
      }),
  },
  {
    id: 'flatbed',
    title: 'Flatbed truck, 11 × 7½ ft',
    make: () =>
      truck(
        'truck',
        'Flatbed truck',
        ['132 in', '90 in', '40 in'],
        ['-50 in', '88 in', '7000 lb', '13500 lb', '74 in'],
        { by: 'scale', axles: ['4300 lb', '3600 lb'], height: '36 in' },
        '19500 lb',
        {
          rail: '12 in',
        },
      ),
  },
  {
    id: 'long-flatbed',
    title: 'Long flatbed truck, 20 × 8 ft',
    make: () =>
      truck(
        'truck',
        'Long flatbed truck',
        ['240 in', '96 in', '42 in'],
        ['-56 in', '154 in', '10000 lb', '17500 lb', '78 in'],
        { by: 'scale', axles: ['5600 lb', '5200 lb'], height: '40 in' },
        '25900 lb',
        {
          rail: '10 in',
        },
      ),
  },
  {
    id: 'skid-8',
    title: 'Drop-in skid on an 8 ft bed of a one-ton truck',
    make: () =>
      truck(
        'skid',
        'Drop-in skid, 8 ft bed',
        ['96 in', '66 in', '36 in'],
        ['-70 in', '70 in', '6000 lb', '9750 lb', '72 in'],
        { by: 'scale', axles: ['4100 lb', '3100 lb'], height: '30 in' },
        '14000 lb',
        {
          rail: '8 in',
        },
      ),
  },
  {
    id: 'skid-10',
    title: 'Drop-in skid on a 10 ft flatbed',
    make: () =>
      truck(
        'skid',
        'Drop-in skid, 10 ft bed',
        ['120 in', '84 in', '32 in'],
        ['-58 in', '80 in', '7000 lb', '12500 lb', '74 in'],
        { by: 'scale', axles: ['4400 lb', '3500 lb'], height: '36 in' },
        '17500 lb',
        {
          rail: '8 in',
        },
      ),
  },
  {
    id: 'van',
    title: 'Panel van, 11 ft load floor',
    make: () =>
      truck(
        'van',
        'Panel van',
        ['130 in', '66 in', '26 in'],
        ['-64 in', '84 in', '4400 lb', '6000 lb', '68 in'],
        { by: 'scale', axles: ['2900 lb', '2300 lb'], height: '32 in' },
        '9000 lb',
        {
          headroom: '74 in',
          doors: ['rear', 'kerb'],
          riding: [{ id: 'crew', name: 'Driver', mass: '190 lb', at: '-40 in' }],
        },
      ),
  },
  {
    id: 'small-van',
    title: 'Small van, 7 ft load floor',
    make: () =>
      truck(
        'van',
        'Small van',
        ['84 in', '52 in', '22 in'],
        ['-58 in', '60 in', '2600 lb', '2900 lb', '60 in'],
        { by: 'scale', axles: ['1900 lb', '1450 lb'], height: '28 in' },
        '5100 lb',
        {
          headroom: '50 in',
          doors: ['rear', 'kerb'],
          riding: [{ id: 'crew', name: 'Driver', mass: '190 lb', at: '-34 in' }],
        },
      ),
  },
  {
    id: 'box-truck',
    title: 'Box truck, 14 × 7½ ft',
    make: () =>
      truck(
        'box-body',
        'Box truck',
        ['168 in', '88 in', '38 in'],
        ['-48 in', '112 in', '6000 lb', '9900 lb', '72 in'],
        { by: 'scale', axles: ['4100 lb', '4300 lb'], height: '44 in' },
        '14500 lb',
        {
          headroom: '84 in',
          doors: ['rear', 'kerb'],
        },
      ),
  },
];

const BY_ID: ReadonlyMap<string, StockPlatform> = new Map(PLATFORMS.map((p) => [p.id, p]));

/** A starting platform by its id; throws `RangeError` when there is none. */
export function platformOf(id: string): PlatformDocument {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`There is no platform "${id}".`);
  return found.make();
}
