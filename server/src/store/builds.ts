import type { BuildSummary, Judgement } from '@pozzo/core';
import { KEPT } from './kinds.js';
import { type Beside, RecordStore } from './records.js';
import type { YardDatabase } from './yard-database.js';

/** The yard: builds, each with what was said of it by this engine. */
export class BuildStore extends RecordStore<'build', BuildSummary> {
  constructor(
    db: YardDatabase,
    private readonly engine: string,
    now?: () => Date,
  ) {
    super(db, KEPT.build, now);
  }

  protected override beside(): Beside {
    return {
      columns: ', j.verdict, j.scale, j.headline, j.sampled, j.chance, j.weight',
      join: 'LEFT JOIN judgement j ON j.build_id = r.id AND j.version = r.version AND j.engine = ?',
      parameters: [this.engine],
    };
  }

  protected override line({
    verdict,
    scale,
    headline,
    sampled,
    chance,
    weight,
    ...rest
  }: Readonly<Record<string, unknown>>): Readonly<Record<string, unknown>> {
    const read = (x: unknown): unknown => (typeof x === 'string' ? JSON.parse(x) : null);
    const said = { verdict, scale, headline: read(headline), sampled: sampled === 1, chance: read(chance), weight: read(weight) } as Judgement;
    return { ...rest, judged: verdict === null || headline === null ? null : said };
  }
}
