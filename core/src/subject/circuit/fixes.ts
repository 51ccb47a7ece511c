import { ampacityOf, awgArea, cableSize, cablesOf, fuseFor, gaugeName, gaugeOf, sizesOf } from '../../electrics/index.js';
import { addBattery, addCharger, wireFrom } from '../../edit/energy.js';
import { nextSize } from '../../edit/length.js';
import { si } from '../../quantity/parse.js';
import { assumptionValues } from '../../assumption/register.js';
import type { GaugeName, RigDocument } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import { typed } from '../message-parts.js';
import type { Candidate, Rule } from '../rule.js';
import { hardChargers } from './circuit.js';

/** The cable that leads to a thing. */
const cableTo = (d: RigDocument, id: string) => d.wires?.find((w) => w.to === id);

/** The next two thicker cables; a fuse that they carry. */
export const cableRules: Rule = (finding, rig, doc, now): Candidate[] => {
  const id = finding.subject.id;
  const own = now.cables.find((c) => c.to === id && c.gauge !== undefined);
  const wire = cableTo(doc, id);
  if (!own || !wire) return longRules(finding, rig, doc, now);
  const thicker = cablesOf(sizesOf(own.gauge!))
    .filter((c) => awgArea(c) > awgArea(own.gauge!) * 1.01)
    .slice(0, 3);
  const out: Candidate[] = thicker.map((c) => ({
    id: `size-${gaugeName(c).replace(/\W+/g, '-')}`,
    title: `A cable of ${cableSize(c)}`,
    change: (d) => void (cableTo(d, id)!.gauge = gaugeName(c) as GaugeName),
  }));
  out.push({
    id: 'chosen',
    title: 'Use Pozzo’s cable and fuse',
    change: (d) => {
      const w = cableTo(d, id)!;
      delete w.gauge;
      delete w.fuse;
      delete w.unfused;
    },
  });
  const carries = own.ampacityA;
  const fuse = fuseFor(own.currentA, assumptionValues(rig.assumptions)['fuse-over']);
  if (finding.code === 'cable-thin' && carries !== undefined && fuse !== undefined && fuse <= carries)
    out.unshift({
      id: `fuse-${fuse}`,
      title: message('A fuse of {f}', { f: typed(`${fuse} A`, 'current') }),
      change: (d) => void (cableTo(d, id)!.fuse = `${fuse} A`),
    });
  return out;
};

/** A battery of its own beside what is too far off. */
export const longRules: Rule = (finding): Candidate[] => {
  const id = finding.subject.id;
  return [
    {
      id: 'own-battery',
      title: 'A battery of its own beside it',
      change: (d) => {
        const battery = addBattery(d);
        const wire = wireFrom(d, battery, id);
        delete wire.gauge;
        delete wire.fuse;
        wire.length = '4 ft';
      },
    },
  ];
};

export const fuseRules: Rule = (finding, rig, doc, now): Candidate[] => {
  const id = finding.subject.id;
  const main = finding.code === 'main-fuse-small' ? now.cables.find((c) => c.to === id) : undefined;
  const load = now.circuits.find((c) => c.loadId === id && c.part !== 'starter');
  const own = main ?? load;
  const fuse = own && fuseFor(main?.currentA ?? load!.current.value, assumptionValues(rig.assumptions)['fuse-over']);
  if (fuse === undefined) return [];
  const typedAs = cableTo(doc, id)?.insulation;
  const carries =
    own!.gauge === undefined
      ? undefined
      : cablesOf(sizesOf(own!.gauge)).find((c) => ampacityOf(c, typedAs)! >= fuse && awgArea(c) >= awgArea(own!.gauge!) - 1e-12);
  return [
    {
      id: `fuse-${fuse}`,
      title: message('A fuse of {f}', { f: typed(`${fuse} A`, 'current') }),
      change: (d) => {
        const w = cableTo(d, id);
        if (!w) return;
        w.fuse = `${fuse} A`;
        // The cable has to carry what the fuse lets through.
        if (w.gauge !== undefined && carries !== undefined && awgArea(carries) > awgArea(gaugeOf(w.gauge))) w.gauge = gaugeName(carries) as GaugeName;
      },
    },
  ];
};

export const batteryRules: Rule = (finding, rig, doc, now): Candidate[] => {
  const b = now.batteries.find((x) => x.batteryId === finding.subject.id);
  const i = (doc.batteries ?? []).findIndex((x) => x.id === finding.subject.id);
  if (!b || i < 0) return [];
  const charger = (kind: 'shore' | 'alternator', title: Candidate['title'], current: string): Candidate => ({
    id: `${kind}-${current.replace(/\W/g, '')}`,
    title,
    change: (d) => {
      const own = d.chargers?.find((c) => c.battery === b.batteryId && c.kind === kind);
      if (own) own.current = current;
      else addCharger(d, b.batteryId, kind, { current });
    },
  });
  const own = doc.batteries![i];
  // To a tenth of an ampere, down: the smallest battery takes less than one.
  const largest = Math.floor((assumptionValues(rig.assumptions)[`charge-most-${own.chemistry}`] * b.capacityAs) / 360) / 10;
  if (finding.code === 'charger-large')
    return [
      {
        id: `charge-${largest}`,
        title: message('Charge at {i}', { i: typed(`${largest} A`, 'current') }),
        change: (d) => hardChargers(d.chargers ?? [], own).forEach((c) => si(c.current, 'current') > largest && (c.current = `${largest} A`)),
      },
    ];
  if (finding.code === 'no-charger') {
    const current = `${Math.min(30, largest)} A`;
    return [charger('shore', message('A shore charger of {i}', { i: typed(current, 'current') }), current)];
  }
  if (finding.code === 'night-short') return [charger('shore', 'A shore charger of 30 A', '30 A'), charger('shore', 'A shore charger of 60 A', '60 A')];
  const parallel = Number(doc.batteries![i].parallel ?? 1);
  const need = nextSize(((b.capacityAs / parallel) * b.net.value * 1.25) / b.usableAs, 'charge', 'Ah', 10);
  return [
    { id: 'larger', title: message('A battery of {c}', { c: typed(need, 'charge') }), change: (d) => void (d.batteries![i].capacity = need) },
    { id: 'second', title: 'Add a matching battery in parallel', change: (d) => void (d.batteries![i].parallel = String(Math.min(parallel + 1, 8))) },
    { id: 'lithium', title: 'The same in lithium', change: (d) => void (d.batteries![i].chemistry = 'lithium') },
    charger('alternator', 'Charge at 30 A while working', '30 A'),
  ];
};

/** One made for its battery, or a battery of its own. */
export const voltsRules: Rule = (finding, rig, _doc, now): Candidate[] => {
  const id = finding.subject.id;
  const has = rig.batteries.find((b) => b.id === now.circuits.find((c) => c.loadId === id)?.batteryId)?.volts ?? '12';
  return [
    {
      id: 'made-for',
      title: message('One made for {v}', { v: typed(`${has} V`, 'voltage') }),
      change: (d) => {
        const own = d.softPumps?.find((p) => p.id === id) ?? d.loads?.find((l) => l.id === id);
        if (own) own.volts = has;
      },
    },
  ];
};
