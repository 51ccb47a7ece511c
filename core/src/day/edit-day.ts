import { JOB_TEMPLATES } from './templates.js';
import { usualDayDocument } from './usual-day.js';
import { typeableQuantity } from '../quantity/format.js';
import { parseQuantity } from '../quantity/parse.js';
import { CREW, type PhaseDocument, type WorkDayDocument } from '../rig/day-schema.js';
import { parseRig } from '../rig/read.js';
import { type RigDocument } from '../rig/schema.js';
import { nextAmong } from '../edit/id.js';

/** The day as written down; a usual one is written down first where the brief has none. */
export function ownDay(d: RigDocument): WorkDayDocument {
  return (d.brief.day ??= usualDayDocument(parseRig(JSON.parse(JSON.stringify(d)))));
}

/** Puts a usual kind of job at the end of the day; gives its place. */
export function addJob(d: RigDocument, template: string): number {
  const day = ownDay(d);
  const kind = JOB_TEMPLATES.find((t) => t.id === template) ?? JOB_TEMPLATES[0];
  const made = kind.make(nextAmong(day.jobs, 'job-'));
  const same = day.jobs.filter((j) => j.name === made.name || j.name.startsWith(`${made.name} `)).length;
  day.jobs.push(same ? { ...made, name: `${made.name} ${same + 1}` } : made);
  return day.jobs.length - 1;
}

/** Takes a job off the day; the last one stays. */
export function removeJob(d: RigDocument, job: number): void {
  const { jobs } = ownDay(d);
  if (jobs.length > 1) jobs.splice(job, 1);
}

/** Moves a job earlier or later in the day; gives its new place. */
export function moveJob(d: RigDocument, job: number, by: number): number {
  const { jobs } = ownDay(d);
  const to = Math.min(Math.max(job + by, 0), jobs.length - 1);
  const [moved] = jobs.splice(job, 1);
  jobs.splice(to, 0, moved);
  return to;
}

/** A phase after another one, of its crew; gives its place. */
export function addPhase(d: RigDocument, job: number, after: number): number {
  const { phases } = ownDay(d).jobs[job];
  const before = phases[after];
  const made: PhaseDocument = { id: nextAmong(phases, 'p'), kind: 'wash', time: '20 min', crew: before && before.crew !== 'all' ? before.crew : '1' };
  phases.splice(after + 1, 0, made);
  return after + 1;
}

/** Another refill place, of water; gives its place on the list. */
export function addRefill(d: RigDocument, flow: string): number {
  const refills = (ownDay(d).refills ??= []);
  const id = nextAmong(refills, 'place-');
  return refills.push({ id, name: `Refill place ${refills.length + 1}`, flow }) - 1;
}

/** Takes a refill place off the list; what was filled there is filled at a usual one. */
export function removeRefill(d: RigDocument, place: number): void {
  const day = ownDay(d);
  const [gone] = (day.refills ?? []).splice(place, 1);
  if (day.refills?.length === 0) delete day.refills;
  for (const j of day.jobs) for (const p of j.phases) if (p.place === gone?.id) delete p.place;
}

/** Takes a phase off a job; gives the place of the one to look at next. */
export function removePhase(d: RigDocument, job: number, phase: number): number {
  const { phases } = ownDay(d).jobs[job];
  phases.splice(phase, 1);
  return Math.max(Math.min(phase, phases.length - 1), 0);
}

/** Moves a phase among those of its job; gives its new place. */
export function movePhase(d: RigDocument, job: number, phase: number, by: number): number {
  const { phases } = ownDay(d).jobs[job];
  const to = Math.min(Math.max(phase + by, 0), phases.length - 1);
  const [moved] = phases.splice(phase, 1);
  phases.splice(to, 0, moved);
  return to;
}

/** Gives a phase to the next or the one before of the crew, everybody first. */
export function passPhase(d: RigDocument, job: number, phase: number, by: number): void {
  const p = ownDay(d).jobs[job].phases[phase];
  p.crew = CREW[Math.min(Math.max(CREW.indexOf(p.crew) + by, 0), CREW.length - 1)];
}

/** Makes a phase last longer or shorter by so many seconds, to the minute; one at the least. */
export function stretchPhase(d: RigDocument, job: number, phase: number, bySeconds: number): void {
  const p = ownDay(d).jobs[job].phases[phase];
  const now = parseQuantity(p.time, 'time');
  if (!now.ok) return;
  const next = Math.min(Math.max(Math.round((now.si + bySeconds) / 60) * 60, 60), 12 * 3600);
  p.time = typeableQuantity(next, 'time', 'min');
}
