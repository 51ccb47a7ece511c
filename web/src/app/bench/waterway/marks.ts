import { type Finding, type RigDocument, type About, type Verdict, worstOf } from '@pozzo/core';
import type { ToldAssessment } from '../../workers/assessment-part';

/** What is marked for a finding about a machine: the figure of it that the finding's station tells. */
const MACHINE_KEYS: Partial<Record<Finding['station'], string>> = { feed: 'feed', bypass: 'return' };

/** What on the waterway shows a line. */
function keysOfLine(doc: RigDocument, a: ToldAssessment, id: string): string[] {
  const line = doc.lines.find((l) => l.id === id);
  switch (line?.role) {
    case 'fill':
      return [`fill:${id}`];
    case 'tie':
      return [`tie:${id}`];
    case 'dump':
      return line.from.at === 'tank' ? [`tank:${line.from.id}`] : [];
    case 'bypass':
      return [`return:${line.from.id}`];
    default: {
      const feeds = a.feeds.filter((f) => f.lineIds.includes(id)).map((f) => `feed:${f.machineId}`);
      const guns = a.outlets.filter((o) => o.lineIds.includes(id)).map((o) => `gun:${o.outletId}`);
      const mixes = a.chemical.mixes.filter((m) => m.streams.some((s) => s.lineId === id)).map((m) => `mix:${m.mixId}`);
      const pumps = a.chemical.softPumps.filter((p) => p.lineIds.includes(id)).map((p) => `pump:${p.pumpId}`);
      return [...feeds, ...guns, ...mixes, ...pumps];
    }
  }
}

function keysOfReel(doc: RigDocument, a: ToldAssessment, id: string): string[] {
  const reel = doc.reels?.find((r) => r.id === id);
  return reel?.line ? keysOfLine(doc, a, reel.line) : [];
}

/** What on the waterway shows a thing, as the station speaks of it. */
function keysOf(doc: RigDocument, a: ToldAssessment, of: About, station: Finding['station']): string[] {
  switch (of.kind) {
    case 'spigot':
    case 'tank':
    case 'mix':
      return [`${of.kind}:${of.id}`];
    case 'soft-pump':
      return [`pump:${of.id}`];
    case 'outlet':
      return [`gun:${of.id}`];
    case 'machine':
      return [`${MACHINE_KEYS[station] ?? 'machine'}:${of.id}`];
    case 'line':
      return keysOfLine(doc, a, of.id);
    case 'reel':
      return keysOfReel(doc, a, of.id);
    case 'liquid':
      return doc.tanks.filter((t) => t.holds === of.id).map((t) => `tank:${t.id}`);
    case 'booster':
    case 'manifold':
      return doc.lines.filter((l) => l.from.at === of.kind && l.from.id === of.id).flatMap((l) => keysOfLine(doc, a, l.id));
    case 'rig':
    case 'gear':
    case 'sprayer':
    case 'fuel-tank':
    case 'battery':
    case 'panel':
    case 'load':
    case 'compressor':
    case 'receiver':
      return [];
    case 'burner':
      return (doc.burners ?? []).filter((b) => b.id === of.id).map((b) => `machine:${b.machine}`);
  }
}

/** How the things on the waterway are marked: each by the findings about it. */
export interface Marks {
  readonly of: (...keys: string[]) => Verdict;
  /** Whether it is what holds the rig back most: that alone shouts. */
  readonly loud: (key: string) => boolean;
  /** The worst finding about it in so many words, if any. */
  readonly worst: (...keys: string[]) => Finding | undefined;
}

/** The findings laid on what they are about: by subject, never by what a name or a station looks like. */
export function marksOf(doc: RigDocument, a: ToldAssessment): Marks {
  const about = a.findings.map((f) => ({ f, keys: [f.subject, ...(f.also ?? [])].flatMap((s) => keysOf(doc, a, s, f.station)) }));
  const worstKeys = new Set(about.find(({ f }) => f.verdict !== 'fed')?.keys.slice(0, 1));
  return {
    of: (...keys) => worstOf(about.filter((x) => x.keys.some((k) => keys.includes(k))).map((x) => x.f.verdict)),
    loud: (key) => worstKeys.has(key),
    // They come worst first.
    worst: (...keys) => about.find((x) => x.keys.some((k) => keys.includes(k)))?.f,
  };
}
