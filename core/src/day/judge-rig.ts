import type { Finding } from '../subject/finding.js';
import type { Assessment } from '../subject/assessment.js';
import type { Rig } from '../rig/schema.js';
import { hasDays, roadFinding, type Said, verdictOf } from './judge.js';
import type { Message } from '../working/figure.js';
import { notChecked } from './not-checked.js';
import { dayModel } from './model.js';
import { sampleUntilEnough } from './rounds.js';
import type { DaySample } from './sample.js';
import { simulateModel } from './simulate-day.js';
import { weighDay } from './weigh-day.js';

/** A rig judged with as many days as are enough, and with its usual day on the road. @returns no sample where nothing draws on it */
export function judgeRig(
  rig: Rig,
  assessment: Assessment,
): Said & { readonly sample: DaySample | undefined; readonly unchecked: Message | undefined; readonly road: Finding | undefined } {
  const model = dayModel(rig);
  const sample = hasDays(assessment) ? sampleUntilEnough(model) : undefined;
  const road = roadFinding(rig, weighDay(rig, simulateModel(model)), assessment);
  return { ...verdictOf(assessment, sample, road), sample, road, unchecked: notChecked(rig) };
}
