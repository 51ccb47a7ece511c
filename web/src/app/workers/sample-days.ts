import type { DayChunk, DaySample, RigDocument } from '@pozzo/core';
import { DAY_SEED, isEnough, joinChunks, nextRound } from '@pozzo/core/page';
import { concat, forkJoin, map, type Observable, of, switchMap } from 'rxjs';
import { doneOf, type HeavyClient } from './heavy-client';

/**
 * Days in rounds over all workers, gathered after each round, until enough is known.
 * @param all go on to `most` even when fewer are enough
 */
export function sampleInRounds(
  heavy: HeavyClient,
  document: RigDocument,
  most: number,
  all = false,
  seed = DAY_SEED,
): Observable<{ sample: DaySample; share: number }> {
  const round = (before: DayChunk | undefined): Observable<{ sample: DaySample; share: number }> => {
    const from = before?.count ?? 0;
    const count = nextRound(from, most);
    const hands = Math.max(1, Math.min(heavy.most, Math.floor(count / 50)));
    const parts = Array.from({ length: hands }, (_, i) => {
      const start = from + Math.floor((count * i) / hands);
      const end = from + Math.floor((count * (i + 1)) / hands);
      return doneOf(heavy.run('sample', { document, seed, from: start, count: end - start }));
    });
    return forkJoin(parts).pipe(
      map((chunks) => joinChunks(before ? [before, ...chunks] : chunks)),
      switchMap((part) =>
        doneOf(heavy.run('gather', { document, seed, part })).pipe(
          switchMap((sample) => {
            const enough = sample.days >= most || (!all && isEnough(sample.short, sample.tolerance));
            const now = of({ sample, share: enough ? 1 : sample.days / most });
            return enough ? now : concat(now, round(part));
          }),
        ),
      ),
    );
  };
  return round(undefined);
}
