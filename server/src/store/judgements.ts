import type { Judgement } from '@pozzo/core';
import { JudgementEntity } from './entities.js';
import type { YardDatabase } from './yard-database.js';

/** A build that waits to be judged. */
export interface Waiting {
  readonly id: string;
  readonly version: number;
  readonly document: string;
  /** Whether only its days are missing. */
  readonly known: boolean;
}

/** A judgement of a version, as it comes from the judge. */
export interface Given {
  readonly id: string;
  readonly version: number;
  readonly judgement: Judgement;
}

/** Judgements of builds, each by one engine and of one version. */
export class JudgementStore {
  constructor(
    private readonly db: YardDatabase,
    readonly engine: string,
  ) {}

  /**
   * Builds of the yard without a judgement by this engine: those never judged first, then those whose days are not
   * sampled.
   * @param sampling whether those that only lack their days are asked for
   */
  waiting(most: number, sampling: boolean): Promise<Waiting[]> {
    return this.db.read((h) =>
      h
        .prepare(
          `SELECT b.id, b.version, b.document, j.build_id IS NOT NULL AS known FROM build b
             LEFT JOIN judgement j ON j.build_id = b.id AND j.version = b.version AND j.engine = ?
             WHERE b.deleted_at IS NULL AND ${sampling ? 'j.sampled = 0' : 'j.build_id IS NULL'} ORDER BY b.updated_at DESC LIMIT ?`,
        )
        .all(this.engine, most)
        .map((r) => ({ ...(r as Waiting), known: (r as { known: number }).known === 1 })),
    );
  }

  /** One build, if it waits. */
  async waits(id: string): Promise<Waiting | undefined> {
    return this.db.read((h) => {
      const r = h
        .prepare(
          `SELECT b.id, b.version, b.document, j.build_id IS NOT NULL AS known, j.sampled FROM build b
           LEFT JOIN judgement j ON j.build_id = b.id AND j.version = b.version AND j.engine = ? WHERE b.id = ? AND b.deleted_at IS NULL`,
        )
        .get(this.engine, id) as (Omit<Waiting, 'known'> & { known: number; sampled: number | null }) | undefined;
      return r && r.sampled !== 1 ? { id: r.id, version: r.version, document: r.document, known: r.known === 1 } : undefined;
    });
  }

  put(given: readonly Given[]): Promise<void> {
    return this.db.write((w) => {
      for (const { id, version, judgement: j } of given)
        w.run(
          w.source
            .createQueryBuilder()
            .insert()
            .into(JudgementEntity)
            .values({
              buildId: id,
              version,
              engine: this.engine,
              verdict: j.verdict,
              scale: j.scale,
              headline: JSON.stringify(j.headline),
              sampled: j.sampled ? 1 : 0,
              chance: j.chance ? JSON.stringify(j.chance) : null,
              weight: j.weight ? JSON.stringify(j.weight) : null,
            })
            .orUpdate(['version', 'engine', 'verdict', 'scale', 'headline', 'sampled', 'chance', 'weight'], ['build_id']),
        );
    });
  }
}
