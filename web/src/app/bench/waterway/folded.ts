import { formatQuantity, type Moment, type RigDocument, si, type Station, type UnitSystem, type Verdict } from '@pozzo/core';
import type { ToldAssessment } from '../../workers/assessment-part';
import { boreWords, givesWords } from './line-words';
import { type Marks, marksOf } from './marks';
import { tankWords } from './tank-words';
import type { Stretch } from './waterway-layout';
import { serves } from './waterway-moment';
import { spell } from '@pozzo/core/page';

/** One figure of the waterway, folded: a link to its station. */
export interface Cell extends Stretch {
  readonly strong: string;
  readonly rest: string;
  /** Whether something flows there, at the moment that is shown. */
  readonly flowing: boolean;
}

export interface TankCell extends Cell {
  readonly chemical: boolean;
  /** Of its height, before the job and after. */
  readonly start: number;
  readonly end: number;
}

/** A machine or a mix: what feeds it, the pump, its return, its hose, what it sprays with. */
export interface Row {
  readonly key: string;
  readonly chemical: boolean;
  readonly verdict: Verdict;
  readonly feed: Cell;
  readonly pump: Cell;
  readonly back: Cell | undefined;
  readonly hose: Cell | undefined;
  readonly gun: Cell | undefined;
}

export interface FoldedWaterway {
  readonly sources: readonly Cell[];
  readonly tanks: readonly TankCell[];
  readonly rows: readonly Row[];
  /** Drawn at one moment: what does not flow stands back. */
  readonly momentary: boolean;
}

/** A moment of the day, with its time in words. */
export interface At {
  readonly moment: Moment;
  readonly clock: string;
}

/** Tanks up to which each has room for two lines. */
export const ROOMY = 3;

type Quantity = (value: number, dimension: Parameters<typeof formatQuantity>[1], digits?: number) => string;

interface FoldedPen {
  readonly doc: RigDocument;
  readonly a: ToldAssessment;
  readonly q: Quantity;
  readonly marks: Marks;
  readonly at: At | undefined;
  readonly cell: (station: Station, keys: readonly string[], subjectId: string, what: string, strong: string, rest: string, flowing?: boolean) => Cell;
}

const WORDS: Readonly<Record<Verdict, string>> = { fed: '', tight: ': tight', starved: ': short', stop: ': stop' };

/**
 * The waterway folded to a line a machine or mix. A pure function of document and assessment.
 * @param at shown at this moment of the day; left out, the job as judged
 */
export function foldWaterway(doc: RigDocument, a: ToldAssessment, system: UnitSystem, at?: At): FoldedWaterway {
  const q: Quantity = (value, dimension, digits) => formatQuantity(value, dimension, system, digits ? { digits } : {});
  const marks = marksOf(doc, a);
  const pen: FoldedPen = {
    doc,
    a,
    q,
    marks,
    at,
    cell: (station, keys, subjectId, what, strong, rest, flowing = true) => {
      const verdict = at ? 'fed' : marks.of(...keys);
      return {
        key: keys[0],
        station,
        subjectId,
        verdict,
        loud: !at && keys.some(marks.loud),
        spoken: `${[what, strong, rest].filter(Boolean).join(', ')}${WORDS[verdict]}`,
        strong,
        rest,
        flowing,
      };
    },
  };
  return {
    sources: sourcesOf(pen),
    tanks: doc.tanks.map((_, i) => tankOf(pen, i)),
    rows: [...doc.machines.map((m) => machineRow(pen, m, system)), ...a.chemical.mixes.map((m) => mixRow(pen, m, system))],
    momentary: at !== undefined,
  };
}

/** A spigot with what arrives by each of its fill lines, or what it gives a machine straight. */
function sourcesOf({ doc, a, q, at, cell }: FoldedPen): Cell[] {
  return doc.spigots.map((s) => {
    const fills = a.fills.filter((f) => f.spigotId === s.id);
    const keys = [`spigot:${s.id}`, ...doc.lines.filter((l) => l.role === 'fill' && l.from.id === s.id).map((l) => `fill:${l.id}`)];
    const direct = a.feeds.filter((f) => f.sourceId === s.id);
    const vessel = at?.moment.vessels.find((v) => fills.some((f) => v.tankIds.includes(f.tankId)));
    const flow = vessel ? vessel.inM3s : fills.reduce((sum, f) => sum + f.arrives.value, 0);
    const words = fills.length
      ? vessel && flow < 1e-9
        ? 'at rest'
        : `${q(flow, 'flow', 2)} in`
      : direct.length
        ? `${q(si(s.staticPressure, 'pressure'), 'pressure')} at rest`
        : 'shut';
    return cell('fill', keys, fills[0]?.lineId ?? s.id, spell('‹Spigot›'), s.name, words, flow > 1e-9 || direct.length > 0);
  });
}

function tankOf({ doc, a, q, at, cell }: FoldedPen, i: number): TankCell {
  const t = doc.tanks[i];
  const r = a.tanks[i];
  const chemical = a.chemical.tanks.find((x) => x.tankId === t.id);
  const vessel = at?.moment.vessels.find((v) => v.tankIds.includes(t.id));
  const top = r.fullVolumeM3 || 1;
  const start = vessel ? vessel.share : chemical ? chemical.startM3 / (chemical.fullM3 || 1) : r.startVolumeM3 / top;
  const end = vessel
    ? vessel.share
    : chemical
      ? Math.max(chemical.startM3 - chemical.perDay.value, 0) / (chemical.fullM3 || 1)
      : r.series.volumeM3.at(-1)! / top;
  const { dry, left } = tankWords(r, q);
  const story = vessel
    ? `${Math.round(100 * vessel.share)}% at ${at!.clock}`
    : chemical
      ? Number.isFinite(chemical.lastsDays) && `${q(chemical.lastsDays, 'number', 2)} days`
      : dry
        ? `dry ${dry}`
        : left;
  // What matters most has the room: its level at a minute, that it runs dry, or of one of many its story, in place of what it holds.
  const alone = vessel ?? (!chemical && (dry || (left && doc.tanks.length > ROOMY)));
  const volume = !alone && q(chemical ? chemical.startM3 : r.ownVolumeM3, 'volume');
  return {
    ...cell('tanks', [`tank:${t.id}`, ...tiesOf(doc, t.id)], t.id, 'Tank', t.name, [volume, story].filter(Boolean).join(' · ')),
    chemical: t.holds !== undefined,
    start,
    end,
  };
}

const tiesOf = (doc: RigDocument, tankId: string): string[] =>
  doc.lines.filter((l) => l.role === 'tie' && (l.from.id === tankId || l.to.id === tankId)).map((l) => `tie:${l.id}`);

/** Names that begin alike, the beginning told once: "Gun A1, A2"; others by their number. */
function namesOf(names: readonly string[]): string {
  const first = names[0].split(' ')[0];
  const alike = names.length > 1 && names.every((n) => n.startsWith(`${first} `));
  if (alike) return `${first} ${names.map((n) => n.slice(first.length + 1)).join(', ')}`;
  return names.length > 1 ? `${names.length} guns` : names[0];
}

/** Several guns in one: told once where they are alike. */
function gunWords(guns: readonly { readonly name: string; readonly pressure: string; readonly flow: string }[]): [string, string] {
  const [first] = guns;
  const names = namesOf(guns.map((g) => g.name));
  if (guns.length === 1) return [names, `${first.pressure} · ${first.flow}`];
  const alike = guns.every((g) => g.pressure === first.pressure && g.flow === first.flow);
  return [names, alike ? `${first.pressure} · ${first.flow} each` : guns.map((g) => g.pressure).join(', ')];
}

function machineRow(pen: FoldedPen, m: RigDocument['machines'][number], system: UnitSystem): Row {
  const { doc, a, q, at, marks, cell } = pen;
  const feed = a.feeds.find((f) => f.machineId === m.id);
  const result = a.machines.find((x) => x.machineId === m.id);
  const bypass = a.bypasses.find((b) => b.machineId === m.id);
  const outlets = a.outlets.filter((o) => o.machineIds[0] === m.id);
  const inHand = at?.moment.guns.filter((g) => serves(doc, m.id, g.outletId));
  const running = !inHand || inHand.length > 0;
  const guns = outlets.map((o) => {
    const now = inHand?.find((g) => g.outletId === o.outletId);
    return {
      name: doc.outlets.find((x) => x.id === o.outletId)?.name ?? '',
      pressure: inHand ? (now ? q(now.pressurePa, 'pressure') : 'shut') : q(o.pressure.value, 'pressure'),
      flow: q(o.flow.value, 'flow', 2),
    };
  });
  const line = doc.lines.find((l) => l.id === outlets[0]?.lineIds.at(-1));
  const spare = feed?.margin.value ?? 0;
  const returned = result?.returned.value ?? 0;
  const own = [`machine:${m.id}`, `feed:${m.id}`, `return:${m.id}`, ...outlets.map((o) => `gun:${o.outletId}`)];
  return {
    key: `machine:${m.id}`,
    chemical: false,
    verdict: at ? 'fed' : marks.of(...own),
    feed: cell(
      'feed',
      [`feed:${m.id}`],
      m.id,
      'Feed',
      !feed ? 'no water' : at ? (running ? 'running' : 'at rest') : `${q(Math.abs(spare), 'length', 2)} ${spare < 0 ? 'short' : 'spare'}`,
      feed?.boosted ? 'boosted' : feed?.direct ? 'direct' : '',
      running,
    ),
    pump: cell(
      'machines',
      [`machine:${m.id}`],
      m.id,
      'Machine',
      m.name,
      [givesWords(m.flow, result, system), result && q(result.pumpPressure.value, 'pressure')].filter(Boolean).join(' · '),
      running,
    ),
    back:
      bypass &&
      cell(
        'bypass',
        [`return:${m.id}`],
        m.id,
        'Return',
        '',
        bypass.goesTo === 'inlet'
          ? `hot in ${q(bypass.minutesToLimit.value, 'time', 2)}`
          : returned > 0.02 * si(m.flow, 'flow')
            ? `${q(returned, 'flow', 2)} back`
            : 'return idle',
        running,
      ),
    hose: outlets.length
      ? cell(
          'reels',
          outlets.map((o) => `hose:${o.outletId}`),
          outlets[0].outletId,
          'Hose',
          boreWords(line, system),
          `−${q(outlets[0].lineLossPa, 'pressure')}`,
          running,
        )
      : undefined,
    gun: outlets.length
      ? cell(
          'guns',
          outlets.map((o) => `gun:${o.outletId}`),
          outlets[0].outletId,
          'Gun',
          ...gunWords(guns),
          running,
        )
      : undefined,
  };
}

function mixRow(pen: FoldedPen, m: ToldAssessment['chemical']['mixes'][number], system: UnitSystem): Row {
  const { doc, a, q, at, marks, cell } = pen;
  const mix = doc.mixes!.find((x) => x.id === m.mixId)!;
  const pump = doc.softPumps?.find((p) => p.id === m.pumpId);
  const result = a.chemical.softPumps.find((p) => p.pumpId === m.pumpId);
  const now = at?.moment.mixes.find((x) => x.mixId === m.mixId);
  const running = !at || now !== undefined;
  const clear = m.streams.every((s) => s.kind === 'water' || s.kind === 'pure-water');
  const strength = clear ? 'clear water' : q(now?.strength ?? m.first.value, 'ratio');
  const gun = doc.outlets.find((o) => o.id === mix.injector?.outlet);
  const hose = doc.lines.find((l) => l.from.at === 'soft-pump' && l.from.id === m.pumpId);
  const sprayer = doc.sprayers?.find((s) => s.id === m.sprayerId);
  const keys = [`mix:${m.mixId}`, ...(pump ? [`pump:${pump.id}`] : [])];
  return {
    key: `mix:${m.mixId}`,
    chemical: !clear,
    verdict: at ? 'fed' : marks.of(...keys),
    feed: cell('mix', [`mix:${m.mixId}`], m.mixId, mix.name, strength, '', running),
    pump: pump
      ? cell(
          'machines',
          [`pump:${pump.id}`],
          pump.id,
          'Pump',
          pump.name,
          result ? `${q(result.flow.value, 'flow', 2)} · ${q(result.rise.value, 'pressure', 2)}` : '',
          running,
        )
      : cell('mix', [`mix:${m.mixId}`], m.mixId, mix.name, 'Injector', gun ? `into the hose of ${gun.name}` : '', running),
    back: undefined,
    hose: pump && cell('reels', [`hose:${m.sprayerId ?? ''}`], hose?.id ?? pump.id, 'Hose', boreWords(hose, system), '', running),
    gun: cell(
      'mix',
      [`mix:${m.mixId}`],
      m.mixId,
      mix.name,
      sprayer?.name ?? gun?.name ?? '',
      m.flow.value > 0 ? q(m.flow.value, 'flow', 2) : 'nothing',
      running,
    ),
  };
}

/** What is shown of a list that does not fit: what shouts, what the open station speaks of and the worst, in the list's own order. */
export function shownOf<T>(list: readonly T[], most: number, cells: (x: T) => readonly Cell[], inFocus: (x: T) => boolean): readonly T[] {
  if (list.length <= most) return list;
  const weight = (x: T): number => (cells(x).some((c) => c.loud) ? 4 : 0) + (inFocus(x) ? 2 : 0) + (cells(x).every((c) => c.verdict === 'fed') ? 0 : 1);
  const chosen = new Set([...list].sort((x, y) => weight(y) - weight(x)).slice(0, most));
  return list.filter((x) => chosen.has(x));
}

/** The cells of a row from left to right. */
export const cellsOf = (r: Row): Cell[] => [r.feed, r.pump, r.back, r.hose, r.gun].filter((c) => c !== undefined);
