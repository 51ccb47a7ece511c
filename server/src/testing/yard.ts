import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pontoonRig, type RigDocument } from '@pozzo/core';
import type { Express } from 'express';
import { pino } from 'pino';
import { type AppOptions, createApp } from '../http/app';
import { DailyBackups } from '../keep/daily';
import type { BuildStore } from '../store/builds';
import { JudgementStore } from '../store/judgements';
import type { RevisionStore } from '../store/revisions';
import { type Yard, yardOf } from '../store/yard';
import { YardDatabase } from '../store/yard-database';
import { inlineWork } from '../work/work';

export const silent = pino({ level: 'silent' });
export const named = (name: string, more: Partial<RigDocument> = {}): RigDocument => ({ ...pontoonRig(), name, ...more });

/** An open yard in a folder of its own, with all that serves it but the background. */
export interface TestYard {
  readonly folder: string;
  readonly db: YardDatabase;
  readonly yard: Yard;
  /** Of builds. */
  readonly store: BuildStore;
  readonly revisions: RevisionStore<'build'>;
  readonly judgements: JudgementStore;
  readonly backups: DailyBackups;
  readonly app: Express;
  /** What the application is made of, for another one over the same yard. */
  readonly routes: AppOptions;
  /** Ids told as saved. */
  readonly saved: string[];
  /** Closes and opens the same folder anew. */
  reopen(): Promise<TestYard>;
  end(): Promise<void>;
}

export const newFolder = (): string => mkdtempSync(join(tmpdir(), 'pozzo-test-'));

export async function openYard(folder = newFolder(), now?: () => Date, aMinute?: number, engine = 'test'): Promise<TestYard> {
  const db = await YardDatabase.open(folder, 'a test');
  const yard = yardOf(db, engine, now);
  const store = yard.build;
  const { revisions } = store;
  const judgements = new JudgementStore(db, engine);
  const backups = new DailyBackups(folder, join(folder, 'backups'), now);
  const saved: string[] = [];
  const routes: AppOptions = { yard, work: inlineWork, backups, log: silent, aMinute, saved: (id) => saved.push(id) };
  const app = createApp(routes);
  return {
    folder,
    db,
    yard,
    store,
    revisions,
    judgements,
    backups,
    app,
    routes,
    saved,
    reopen: async () => {
      await db.close();
      return openYard(folder, now, aMinute, engine);
    },
    end: async () => {
      await db.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
