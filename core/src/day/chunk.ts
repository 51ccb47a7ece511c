/** A run of sampled days, as plain arrays that cross to another worker. Days are counted from `from`. */
export interface DayChunk {
  readonly from: number;
  readonly count: number;
  /** Figure by figure, day by day. */
  readonly figures: Float64Array;
  /** Short kind by short kind, day by day: first time, s; Infinity for a day without. */
  readonly firstAt: Float64Array;
  /** The same: waited for and left undone, s. */
  readonly lost: Float64Array;
  /** Mix by mix, day by day: trade share, mean by volume; NaN where none was sprayed. */
  readonly strength: Float64Array;
  /** Fuel tank by fuel tank, day by day: burnt, m³. */
  readonly fuel: Float64Array;
  /** Levels counted, see `LevelCounter`; empty where nobody asked for them. */
  readonly levels: Uint32Array;
  /** Day by day: place of its season in the model. */
  readonly season: Uint8Array;
  /** Days that took too many steps: told, never hidden. */
  readonly unsettled: number;
}

/** Joins neighbouring runs of days into one. Throws a RangeError where days are missing or doubled. */
export function joinChunks(parts: readonly DayChunk[]): DayChunk {
  const chunks = [...parts].sort((a, b) => a.from - b.from);
  chunks.slice(1).forEach((c, i) => {
    if (c.from !== chunks[i].from + chunks[i].count) throw new RangeError(`Day ${c.from} does not follow day ${chunks[i].from + chunks[i].count - 1}.`);
  });
  const count = chunks.reduce((s, c) => s + c.count, 0);
  const columns = (of: (c: DayChunk) => Float64Array): Float64Array => {
    const n = of(chunks[0]).length / Math.max(chunks[0].count, 1);
    const out = new Float64Array(n * count);
    for (let i = 0; i < n; i++) {
      let at = i * count;
      for (const c of chunks) {
        out.set(of(c).subarray(i * c.count, (i + 1) * c.count), at);
        at += c.count;
      }
    }
    return out;
  };
  const levels = chunks[0].levels.slice();
  for (const c of chunks.slice(1)) for (let i = 0; i < levels.length; i++) levels[i] += c.levels[i];
  const season = new Uint8Array(count);
  let at = 0;
  for (const c of chunks) {
    season.set(c.season, at);
    at += c.count;
  }
  return {
    from: chunks[0].from,
    count,
    figures: columns((c) => c.figures),
    firstAt: columns((c) => c.firstAt),
    lost: columns((c) => c.lost),
    strength: columns((c) => c.strength),
    fuel: columns((c) => c.fuel),
    levels,
    season,
    unsettled: chunks.reduce((s, c) => s + c.unsettled, 0),
  };
}
