import { assess, dayWeightFindings, deckDrawing, dayModel, type Rig, simulateModel, svgOf, type WeightState, weighDay } from '@pozzo/core';
import { buildVerdict } from './build-verdict.js';
import { argumentsOf } from './arguments.js';
import { dxfOf } from './dxf.js';
import { InputError } from './failure.js';
import { readRigFile } from './files.js';

const FLAG = { type: 'boolean' } as const;

/** A state of filling as the command line tells it. */
function told(rig: Rig, s: WeightState) {
  const { platform } = rig;
  // Where traffic keeps right the street is on the left.
  const streetIsLeft = rig.site?.traffic !== 'left';
  return {
    id: s.id,
    massKg: s.massKg,
    axles: platform!.axles.map((a, i) => ({ id: `axle-${i + 1}`, loadKg: s.axles[i], ratingKg: a.rating })),
    tongueKg: s.tongueKg ?? null,
    tongueShare: s.tongueShare ?? null,
    payloadLeftKg: s.payloadLeftKg,
    leftShare: streetIsLeft ? s.streetShare : 1 - s.streetShare,
    centreM: s.centre,
    rolloverG: s.rolloverG,
    limits: s.limits,
    ...('atS' in s ? { atS: s.atS } : {}),
  };
}

/** `pozzo weigh`: axles, coupling and sides of a rig in every filling, and in the worst minutes of its day. */
export function weighAnswer(args: readonly string[]): object {
  const { words } = argumentsOf(args, {});
  if (words.length !== 1) throw new InputError('weigh takes one rig file.');
  const { rig } = readRigFile(words[0]);
  const assessment = assess(rig);
  const { weight, findings } = assessment;
  const build = buildVerdict(rig, assessment);
  if (!weight || !rig.platform) return { platform: null, judged: false, unplaced: [], states: [], findings: [], build };
  const day = weighDay(rig, simulateModel(dayModel(rig)));
  return {
    platform: { kind: rig.platform.kind, name: rig.platform.name },
    judged: weight.judged,
    unplaced: weight.unplaced,
    states: [...weight.states, ...(day?.states ?? [])].map((s) => told(rig, s)),
    findings: day ? dayWeightFindings(rig, weight, day) : findings.filter((f) => f.station === 'weight'),
    build,
  };
}

/** `pozzo deck`: plan and elevation to scale. */
export function deckAnswer(args: readonly string[]): string {
  const { values, words } = argumentsOf(args, { svg: FLAG, dxf: FLAG, metric: FLAG });
  if (words.length !== 1) throw new InputError('deck takes one rig file.');
  if (values['svg'] === values['dxf']) throw new InputError('deck writes --svg or --dxf: say which.');
  const { rig } = readRigFile(words[0]);
  const drawing = deckDrawing(rig, values['metric'] ? 'metric' : 'us');
  if (!drawing) throw new InputError(`${rig.name} has no platform: nothing is drawn.`);
  return values['svg'] ? svgOf(drawing).trimEnd() : dxfOf(drawing).trimEnd();
}
