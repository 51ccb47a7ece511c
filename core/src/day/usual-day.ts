import * as v from 'valibot';
import { assumptionValues, type AssumptionValues } from '../assumption/register.js';
import { BlendNetwork, wayOf } from '../solve/blend-network.js';
import { Stocks } from '../solve/stock.js';
import type { Mix } from '../rig/schema.js';
import { WASH_IDS, WASH_SURFACE_NAMES } from '../assumption/wash-surfaces.js';
import { washNeeds } from '../solve/consumption.js';
import { heldShare, MOST_JOBS } from '../solve/hours.js';
import { typeableQuantity } from '../quantity/format.js';
import { workDay, type JobDocument, type PhaseDocument, type WorkDay, type WorkDayDocument } from '../rig/day-schema.js';
import type { Rig } from '../rig/schema.js';
import { handsOf } from './hands.js';

/** Longest phase that can be typed, and longest that one kind of work is made to take in a day that nobody wrote, s. */
const LONGEST_PHASE = 12 * 3600;
const LONGEST_WORK = 24 * 3600;

/** Whole minutes, one at least: nobody plans a phase closer. */
const planned = (s: number): number => Math.max(Math.ceil(s / 60 - 1e-6), 1) * 60;

/** A wash of so many seconds with the trigger pulled, in whole minutes: the share of the trigger gives up what the minutes add, so that the day takes what the brief does. */
const pulled = (heldS: number, usual: number): { readonly s: number; readonly trigger: string } => {
  const s = planned(heldS / heldShare(usual));
  return { s, trigger: `${Number(((100 * heldS) / s).toPrecision(3))} %` };
};

/** A stretch of work as phases that can be typed; work beyond a day and a night is not made up any longer. */
function stretch(s: number, phase: Omit<Draft, 'time'>): Draft[] {
  const whole = Math.min(Number.isFinite(s) ? s : LONGEST_WORK, LONGEST_WORK);
  const parts = Math.max(1, Math.ceil(whole / LONGEST_PHASE));
  return Array.from({ length: parts }, () => ({ ...phase, time: typeableQuantity(whole / parts, 'time', 'min') }));
}
/** Flow of a mix through its own pump and hose with full tanks, m³/s; undefined where its way is not whole. */
function sprayFlow(rig: Rig, values: AssumptionValues, mix: Mix): number | undefined {
  const way = wayOf(rig, mix);
  if (!way) return undefined;
  const s = new BlendNetwork(rig, values, new Stocks(rig, values), mix, way.pump, way.sprayer, way).solve();
  return s.solved && s.flowM3s > 0 ? s.flowM3s : undefined;
}

type Draft = Omit<PhaseDocument, 'id'>;
export const numbered = (phases: readonly Draft[]): PhaseDocument[] => phases.map((p, i) => ({ id: `p${i + 1}`, ...p }));
export const arrive = (): Draft[] => [
  { kind: 'drive', time: '20 min', crew: 'all' },
  { kind: 'connect', time: '5 min', crew: 'all' },
];

/**
 * A day made up from the brief where none is written: the longest job with every gun in a hand, then what is soft washed,
 * surface by surface. As a document, to be changed.
 */
export function usualDayDocument(rig: Rig): WorkDayDocument {
  const values = assumptionValues(rig.assumptions);
  const jobs: JobDocument[] = [];
  const tap = rig.spigots.length > 0 ? 'tap' : 'none';
  const guns = rig.outlets.filter((o) => o.open).slice(0, 6);
  const trigger = typeableQuantity(rig.brief.triggerShare, 'ratio', '%');
  if (guns.length)
    jobs.push({
      id: 'longest',
      name: 'Longest job',
      water: tap,
      phases: numbered([
        ...arrive(),
        ...guns.flatMap((g, i) => stretch(rig.brief.job, { kind: 'wash', crew: String(i + 1) as Draft['crew'], gun: g.id, trigger })),
        { kind: 'move', time: '10 min', crew: 'all' },
      ]),
    });
  for (const mix of rig.mixes)
    for (const need of washNeeds(rig, mix, values))
      for (let n = 0; n < Math.round(need.perDay) && jobs.length < MOST_JOBS; n++) {
        const hand = handsOf(rig).mix.find((h) => h.mixId === mix.id);
        const flow = !hand ? 0 : hand.injected ? hand.openFlow : (sprayFlow(rig, values, mix) ?? hand.openFlow * values['day-through-hose']);
        const machine = rig.machines[0];
        const spray = pulled(flow > 0 ? need.mixM3 / flow : 480, values['day-spray-trigger']);
        const rinse = machine && need.rinseM3 > 0 ? pulled(need.rinseM3 / machine.flow, values['day-rinse-trigger']) : undefined;
        jobs.push({
          id: `wash-${jobs.length + 1}`,
          name: `${WASH_SURFACE_NAMES[need.surface]} ${n + 1}`,
          water: tap,
          phases: numbered([
            ...arrive(),
            ...(hand ? stretch(spray.s, { kind: 'mix', crew: '1', gun: hand.id, trigger: spray.trigger }) : []),
            ...stretch(planned(values[WASH_IDS[need.surface].dwell]), { kind: 'dwell', crew: '1' }),
            ...(rinse && guns.length ? stretch(rinse.s, { kind: 'rinse', crew: '1', gun: guns[0].id, trigger: rinse.trigger }) : []),
            { kind: 'move', time: '10 min', crew: 'all' },
          ]),
        });
      }
  if (!jobs.length) jobs.push({ id: 'job', name: 'Job', water: tap, phases: numbered([...arrive(), { kind: 'break', time: '30 min', crew: 'all' }]) });
  return { starts: '8:00', jobs, tolerance: '2 %' };
}

/** The day that a rig is judged on: the brief's own, or a usual one. */
export const dayOf = (rig: Rig): WorkDay => rig.brief.day ?? v.parse(workDay, usualDayDocument(rig));
