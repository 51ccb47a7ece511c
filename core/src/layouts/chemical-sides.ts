import {
  chemicalTank,
  drawHose,
  hypochlorite,
  injectorFor,
  jet,
  meteredBranch,
  mixSuction,
  plainBranch,
  soap,
  softDelivery,
} from '../catalogue/chemical-pieces.js';
import type { LiquidDocument, MixDocument, SoftPumpDocument } from '../rig/schema.js';
import type { LineDocument, RigDocument } from '../rig/schema.js';
import { bottomLike } from '../edit/length.js';
import type { EndText } from './pieces.js';

type Size = [length: string, width: string, height: string];

/** Adds things to the chemical side of a rig, whatever is there already; liquids known by id are not added twice. */
function add(
  rig: RigDocument,
  more: {
    liquids?: LiquidDocument[];
    tanks?: RigDocument['tanks'];
    softPumps?: SoftPumpDocument[];
    sprayers?: NonNullable<RigDocument['sprayers']>;
    mixes?: MixDocument[];
    lines: LineDocument[];
  },
): RigDocument {
  const known = rig.liquids ?? [];
  return {
    ...rig,
    tanks: [...rig.tanks, ...(more.tanks ?? [])],
    liquids: [...known, ...(more.liquids ?? []).filter((l) => !known.some((k) => k.id === l.id))],
    softPumps: [...(rig.softPumps ?? []), ...(more.softPumps ?? [])],
    sprayers: [...(rig.sprayers ?? []), ...(more.sprayers ?? [])],
    mixes: [...(rig.mixes ?? []), ...(more.mixes ?? [])],
    lines: [...rig.lines, ...more.lines],
  };
}

export interface DownstreamSide {
  readonly outlet: string;
  readonly size?: Size;
  readonly surface?: MixDocument['surface'];
  readonly soapNozzle?: string;
  readonly remote?: boolean;
  readonly highFlow?: boolean;
  readonly wanted?: string;
  readonly liquid?: LiquidDocument;
}

/** SH drawn by an injector behind the washer: a drum, a draw hose, a soap nozzle. Soap is poured into the drum. */
export function withDownstream(rig: RigDocument, o: DownstreamSide): RigDocument {
  const stock = o.liquid ?? hypochlorite();
  const mix: MixDocument = {
    id: 'downstream',
    name: 'Downstream mix',
    way: 'downstream',
    height: '18 in',
    surface: o.surface ?? 'house',
    stock: stock.id,
    ...(o.wanted ? { wanted: o.wanted } : {}),
    soap: { liquid: 'soap', dose: '1 oz/gal', by: 'poured' },
    flush: 'pump',
    injector: injectorFor(o.outlet, o.soapNozzle, o.remote, o.highFlow),
  };
  return add(rig, {
    liquids: [stock, soap()],
    tanks: [chemicalTank('drum', 'SH drum', stock.id, o.size ?? ['14 in', '14 in', '20 in'])],
    mixes: [mix],
    lines: [drawHose('draw', 'tank:drum@0 in', 'downstream')],
  });
}

export interface ProportionerSide {
  readonly pump: SoftPumpDocument;
  readonly water: EndText;
  readonly sh: Size;
  readonly soap: Size;
  /** Settings of the metering valves. */
  readonly valves: { readonly water: string; readonly sh: string; readonly soap: string };
  readonly hose: readonly ['12' | '58' | '34', string];
  readonly tip: string;
  readonly surface?: MixDocument['surface'];
  readonly liquid?: LiquidDocument;
  readonly base?: string;
  readonly wanted?: string;
  readonly flush?: MixDocument['flush'];
  readonly gunHeight?: string;
}

/** Water, SH and soap blended live into the soft wash pump's suction. */
export function withProportioner(rig: RigDocument, o: ProportionerSide): RigDocument {
  const stock = o.liquid ?? hypochlorite();
  const base = o.base ?? '2 in';
  return add(rig, {
    liquids: [stock, soap()],
    tanks: [
      chemicalTank('sh-tank', stock.kind === 'hypochlorite' ? 'SH tank' : 'Site mix', stock.id, o.sh, { base }),
      chemicalTank('soap-tank', 'Soap tank', 'soap', o.soap, { base }),
    ],
    softPumps: [o.pump],
    sprayers: [jet('soft-gun', 'Soft wash gun', o.tip, o.gunHeight)],
    mixes: [
      {
        id: 'blend',
        name: 'Proportioner',
        way: 'proportioner',
        height: o.pump.height,
        surface: o.surface ?? 'house',
        stock: stock.id,
        ...(o.wanted ? { wanted: o.wanted } : {}),
        soap: { liquid: 'soap', dose: '1 oz/gal', by: 'metered' },
        flush: o.flush ?? 'through',
      },
    ],
    lines: [
      meteredBranch('blend-water', o.water, 'blend', '34', o.valves.water),
      meteredBranch('blend-sh', `tank:sh-tank@${bottomLike(base)}`, 'blend', '12', o.valves.sh),
      meteredBranch('blend-soap', `tank:soap-tank@${bottomLike(base)}`, 'blend', '14', o.valves.soap),
      mixSuction('blend-suction', 'blend', o.pump.id),
      softDelivery('soft-hose', o.pump.id, 'soft-gun', o.hose[0], o.hose[1]),
    ],
  });
}

export interface BatchSide {
  readonly id: string;
  readonly name?: string;
  readonly pump: SoftPumpDocument;
  readonly tank: Size;
  readonly base?: string;
  readonly hose: readonly ['12' | '58' | '34', string];
  readonly tip: string;
  readonly surface?: MixDocument['surface'];
  readonly way?: 'batch' | 'draw-stick';
  readonly liquid?: LiquidDocument;
  readonly wanted?: string;
  readonly changes?: Partial<RigDocument['tanks'][number]>;
  readonly gunHeight?: string;
}

/** A tank of finished mix behind its pump; by draw stick, a bucket the hose is moved to. */
export function withBatch(rig: RigDocument, o: BatchSide): RigDocument {
  const stock = o.liquid ?? hypochlorite();
  const base = o.base ?? '2 in';
  const tank = `${o.id}-tank`;
  return add(rig, {
    liquids: [stock, soap()],
    tanks: [chemicalTank(tank, o.name ? `Mix ${o.name}` : 'Mix tank', stock.id, o.tank, { base, use: 'mixed', ...o.changes })],
    softPumps: [o.pump],
    sprayers: [jet(`${o.id}-gun`, o.name ? `${o.name} gun` : 'Soft wash gun', o.tip, o.gunHeight)],
    mixes: [
      {
        id: o.id,
        name: o.name ? `${o.name} mix` : o.way === 'draw-stick' ? 'Draw stick' : 'Batch',
        way: o.way ?? 'batch',
        height: o.pump.height,
        surface: o.surface ?? 'house',
        stock: stock.id,
        ...(o.wanted ? { wanted: o.wanted } : {}),
        soap: { liquid: 'soap', dose: '1 oz/gal', by: 'poured' },
        flush: 'pump',
      },
    ],
    lines: [
      plainBranch(`${o.id}-draw`, `tank:${tank}@${bottomLike(base)}`, o.id, '1'),
      mixSuction(`${o.id}-suction`, o.id, o.pump.id, '1'),
      softDelivery(`${o.id}-hose`, o.pump.id, `${o.id}-gun`, o.hose[0], o.hose[1]),
    ],
  });
}
