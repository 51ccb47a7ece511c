import { typeableQuantity } from '../quantity/format.js';
import type { Rig, RigDocument } from '../rig/schema.js';
import { parseRig } from '../rig/read.js';
import { assumptionValues } from '../assumption/register.js';
import { washNeeds } from '../solve/consumption.js';
import { MOST_JOBS } from '../solve/hours.js';
import { type Message, message } from '../working/figure.js';
import { usualDayDocument } from './usual-day.js';

/** How far a written day may be from the brief before it is another one: nobody writes a day to the minute. */
const CLOSE = 0.1;

/** Longest that one of the crew washes on one job of the written day, s. */
const longestWash = (rig: Rig): number =>
  Math.max(
    0,
    ...(rig.brief.day?.jobs ?? []).flatMap((j) => {
      const washing = j.phases.filter((p) => p.kind === 'wash' || p.kind === 'surface-clean');
      const hands = new Set(washing.map((p) => p.crew));
      return [...hands].map((hand) => washing.reduce((s, p) => s + (p.crew === hand || p.crew === 'all' ? p.time : 0), 0));
    }),
  );

/** Jobs a day that are soft washed: by the brief, and by the written day. */
const sprayed = (rig: Rig): { readonly brief: number; readonly day: number } => {
  const values = assumptionValues(rig.assumptions);
  return {
    brief: rig.mixes.flatMap((m) => washNeeds(rig, m, values)).reduce((n, need) => n + Math.round(need.perDay), 0),
    day: (rig.brief.day?.jobs ?? []).filter((j) => j.phases.some((p) => p.kind === 'mix' || p.kind === 'dwell')).length,
  };
};

/** Where the written day and the brief it belongs to say different things; none where no day is written. */
export function againstBrief(rig: Rig): readonly Message[] {
  if (!rig.brief.day) return [];
  const out: Message[] = [];
  const { job } = rig.brief;
  const washed = longestWash(rig);
  if (rig.outlets.some((o) => o.open) && washed > 0 && Math.abs(washed - job) > CLOSE * job)
    out.push(
      message('The longest job of the written day washes for {day}; the brief says {brief}.', {
        day: { value: washed, dimension: 'time' },
        brief: { value: job, dimension: 'time' },
      }),
    );
  const { brief, day } = sprayed(rig);
  // A day holds so many jobs and no more.
  if (rig.mixes.length && rig.brief.washes?.length && brief !== day && !(brief > day && rig.brief.day.jobs.length >= MOST_JOBS))
    out.push(
      message('The written day soft washes {day} jobs; the brief says {brief} a day.', {
        day: { value: day, dimension: 'number' },
        brief: { value: brief, dimension: 'number' },
      }),
    );
  return out;
}

/** Makes the jobs of the day anew from the brief; when it starts, its season, its sites and its tolerance stay as written. */
export function dayFromBrief(d: RigDocument): void {
  const { day, ...brief } = d.brief;
  const { jobs } = usualDayDocument(parseRig(JSON.parse(JSON.stringify({ ...d, brief }))));
  if (day) d.brief.day = { ...day, jobs };
}

/** Takes what the written day washes into the brief: its longest job. */
export function briefFromDay(d: RigDocument): void {
  const washed = longestWash(parseRig(JSON.parse(JSON.stringify(d))));
  if (washed > 0) d.brief.job = typeableQuantity(washed, 'time', 'min');
}
