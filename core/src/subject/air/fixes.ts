import { assumptionValues } from '../../assumption/register.js';
import { compressorOf, cutOutOf } from '../../energy/index.js';
import { addCompressor, addReceiver } from '../../edit/energy.js';
import { nextSize } from '../../edit/length.js';
import { airPressure } from '../../fluid/air.js';
import { typeableQuantity } from '../../quantity/format.js';
import type { Rig, RigDocument } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import { typed } from '../message-parts.js';
import type { Candidate, Rule } from '../rule.js';

/** 120 gal, m³. */
const LARGEST_RECEIVER = 0.4542;

/** A receiver that lasts the spraying of a job, where one of a usual size does. */
function receiverFixes(rig: Rig, at: number, needM3s: number, sprayS: number, highestPa: number): Candidate[] {
  const compressor = rig.compressors[at];
  if (!compressor) return [];
  const spare = cutOutOf(compressor, assumptionValues(rig.assumptions)) - highestPa;
  const needed = (sprayS * (needM3s - compressor.freeAir) * airPressure(rig.brief.altitude)) / Math.max(spare, 1);
  if (!(spare > 0) || needed * 1.1 > LARGEST_RECEIVER) return [];
  const volume = nextSize(needed * 1.1, 'volume', 'gal', 10);
  return [
    { id: 'receiver', title: message('An air receiver of {v}', { v: typed(volume, 'volume') }), change: (d) => void addReceiver(d, compressor.id, volume) },
  ];
}

export const airRules: Rule = (finding, rig, _doc, now) => {
  const own = now.air.pumps.find((p) => p.pumpId === finding.subject.id);
  const at = own ? compressorOf(rig, own.pumpId) : rig.compressors.findIndex((c) => c.id === finding.subject.id);
  const compressor = now.air.compressors.at(at < 0 ? now.air.compressors.length : at);
  const needM3s = compressor?.need.value ?? own?.needM3s ?? 0;
  if (!(needM3s > 0)) return [];
  const values = assumptionValues(rig.assumptions);
  const pumps = rig.softPumps.filter((p) => (own ? now.air.pumps.find((x) => x.pumpId === p.id)?.compressorId === own.compressorId : true) && p.kind === 'air');
  const freeAir = nextSize(needM3s * 1.1, 'airFlow', 'cfm', 1);
  const needsW = Math.max(compressor?.power.value ?? 0, ...pumps.map((p) => now.chemical.softPumps.find((x) => x.pumpId === p.id)?.airPower?.value ?? 0));
  const power = nextSize(needsW / values['air-engine-share'], 'power', 'hp', 0.5);
  const spray = Math.max(0, ...pumps.map((p) => now.chemical.softPumps.find((x) => x.pumpId === p.id)?.sprayS ?? 0));
  return [
    {
      id: 'compressor',
      title: message('A compressor of {q} and {p}', { q: typed(freeAir, 'airFlow'), p: typed(power, 'power') }),
      change: (d) => {
        if (at < 0) addCompressor(d, freeAir, power);
        else Object.assign(d.compressors![at], { freeAir, power });
      },
    },
    ...receiverFixes(rig, at, needM3s, spray, Math.max(...pumps.map((p) => p.limit))),
    ...[0.8, 0.6].flatMap((f) => turnDown(rig, own?.pumpId, f)),
  ];
};

function turnDown(rig: Rig, pumpId: string | undefined, f: number): Candidate[] {
  const i = rig.softPumps.findIndex((x) => x.id === pumpId);
  if (i < 0) return [];
  const psi = typeableQuantity(rig.softPumps[i].limit * f, 'pressure', 'psi', 2);
  return [
    {
      id: `air-${psi}`,
      title: message('Turn the air down to {p}', { p: typed(psi, 'pressure') }),
      change: (d: RigDocument) => void (d.softPumps![i].limit = psi),
    },
  ];
}

/** Bores of air hoses that are sold. */
const BORES = ['3/8 in', '1/2 in', '3/4 in', '1 in'] as const;

export const airLineRules: Rule = (finding, rig, doc, now) => {
  const id = finding.subject.id;
  const own = now.air.pumps.find((p) => p.pumpId === id);
  const i = (doc.airLines ?? []).findIndex((l) => l.to === id);
  return [
    ...(i < 0
      ? []
      : BORES.filter((b) => rig.airLines[i].bore < Number(typed(b, 'length').value) * 0.999).map((bore) => ({
          id: `bore-${bore.replace(/\W/g, '')}`,
          title: message('An air line of {b}', { b: { ...typed(bore, 'length'), shelf: true } }),
          change: (d: RigDocument) => void (d.airLines![i].bore = bore),
        }))),
    ...(own ? [0.9, 0.8, 0.6].flatMap((f) => turnDown(rig, id, f)) : []),
  ];
};

/** A stronger engine, or a lower cut-out. */
export const stallRules: Rule = (finding, rig, _doc, now) => {
  const i = rig.compressors.findIndex((c) => c.id === finding.subject.id);
  const c = now.air.compressors.find((x) => x.compressorId === finding.subject.id);
  if (i < 0 || !c) return [];
  const power = nextSize((rig.compressors[i].power * c.topPowerW * 1.1) / c.powerHasW, 'power', 'hp', 0.5);
  return [
    { id: 'engine', title: message('An engine of {p}', { p: typed(power, 'power') }), change: (d) => void (d.compressors![i].power = power) },
    ...[0.8, 0.6].map((f) => {
      const cutOut = typeableQuantity(c.cutOutPa * f, 'pressure', 'psi', 2);
      return {
        id: `cut-out-${f}`,
        title: message('A cut-out of {p}', { p: typed(cutOut, 'pressure') }),
        change: (d: RigDocument) => void (d.compressors![i].cutOut = cutOut),
      };
    }),
  ];
};
