import type { JobDocument, PhaseDocument } from '../rig/day-schema.js';
import { arrive, numbered } from './usual-day.js';

/** A usual kind of work, phase by phase; guns are those that do such work on the rig at hand. */
export interface JobTemplate {
  readonly id: string;
  readonly title: string;
  readonly make: (id: string) => JobDocument;
}

type Draft = Omit<PhaseDocument, 'id'>;
const leave: Draft = { kind: 'move', time: '10 min', crew: 'all' };
const job = (title: string, phases: readonly Draft[], water: JobDocument['water'] = 'tap') => ({
  title,
  make: (id: string): JobDocument => ({ id, name: title, water, phases: numbered(phases) }),
});
const by = (crew: Draft['crew'], kind: Draft['kind'], time: string, trigger?: string): Draft => ({ kind, time, crew, ...(trigger ? { trigger } : {}) });

/** Kinds of work to put on a day. Times and shares are common practice, to be changed. */
export const JOB_TEMPLATES: readonly JobTemplate[] = [
  {
    id: 'house',
    ...job('House wash', [
      ...arrive(),
      by('1', 'pre-wet', '5 min', '60 %'),
      by('1', 'mix', '12 min', '80 %'),
      by('1', 'dwell', '10 min'),
      by('1', 'rinse', '30 min', '70 %'),
      leave,
    ]),
  },
  {
    id: 'drive',
    ...job('Driveway and walks', [
      ...arrive(),
      by('1', 'pre-treat', '5 min', '80 %'),
      by('1', 'surface-clean', '50 min', '90 %'),
      by('1', 'rinse', '15 min', '80 %'),
      leave,
    ]),
  },
  {
    id: 'large-drive',
    ...job('Large driveway', [
      ...arrive(),
      by('1', 'pre-treat', '10 min', '80 %'),
      by('1', 'surface-clean', '2 h', '90 %'),
      by('1', 'rinse', '30 min', '80 %'),
      by('1', 'post-treat', '8 min', '80 %'),
      leave,
    ]),
  },
  {
    id: 'roof',
    ...job('Roof', [
      ...arrive(),
      by('1', 'pre-wet', '8 min', '60 %'),
      by('1', 'mix', '35 min', '85 %'),
      by('1', 'dwell', '20 min'),
      by('1', 'rinse', '15 min', '50 %'),
      leave,
    ]),
  },
  {
    id: 'pair',
    ...job('Two at it: walls and flatwork', [
      ...arrive(),
      by('1', 'mix', '15 min', '80 %'),
      by('2', 'surface-clean', '60 min', '90 %'),
      by('1', 'dwell', '10 min'),
      by('1', 'rinse', '35 min', '70 %'),
      leave,
    ]),
  },
  { id: 'fleet', ...job('Fleet, eight vehicles', [...arrive(), by('1', 'mix', '16 min', '60 %'), by('1', 'wash', '64 min', '55 %'), leave]) },
  {
    id: 'stone',
    ...job('Stone and wood', [...arrive(), by('1', 'mix', '15 min', '70 %'), by('1', 'dwell', '15 min'), by('1', 'wash', '45 min', '60 %'), leave]),
  },
  { id: 'gutters', ...job('Gutters and windows', [...arrive(), by('1', 'wash', '40 min', '35 %'), by('1', 'rinse', '15 min', '40 %'), leave]) },
  {
    id: 'dry',
    ...job(
      'Site without a tap',
      [
        by('all', 'drive', '15 min'),
        by('all', 'refill', '30 min'),
        by('all', 'drive', '20 min'),
        by('1', 'mix', '12 min', '80 %'),
        by('1', 'dwell', '10 min'),
        by('1', 'rinse', '25 min', '60 %'),
        leave,
      ],
      'none',
    ),
  },
];
