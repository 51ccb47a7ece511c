import { typed } from '../message-parts.js';
import { message } from '../../working/figure.js';
import { assumptionValues } from '../../assumption/register.js';
import { NOZZLE_SIZES, nozzleSize, shelfSize } from '../../hydraulics/nozzle.js';
import { typeableQuantity } from '../../quantity/format.js';
import { si } from '../../quantity/parse.js';
import type { RigDocument } from '../../rig/schema.js';
import { eachPart } from '../../edit/draft.js';
import { m, nextSize } from '../../edit/length.js';
import { sizeUp } from '../../edit/part.js';
import type { Candidate, Rule } from '../rule.js';

export const gunRules: Rule = (finding, rig, _doc, now) => {
  const i = rig.outlets.findIndex((o) => o.id === finding.subject.id);
  const result = now.outlets.find((o) => o.outletId === finding.subject.id);
  if (i < 0 || !result) return [];
  const out: Candidate[] = [];
  const better = shelfSize(result.betterSize);
  if (better !== rig.outlets[i].nozzle.size && better > 0)
    out.push({
      id: `nozzle-${better}`,
      title: `Nozzle number ${better}`,
      change: (d) => {
        d.outlets[i].nozzle.size = String(better);
      },
    });
  out.push({
    id: 'hose-wider',
    title: 'Pressure hose one size wider',
    change: (d) => eachPart(d, result.lineIds, (p) => (p.kind === 'hose' && m(p.length) > 5 ? sizeUp(p) : undefined)),
  });
  out.push({
    id: 'hose-off-reel',
    title: 'Pull the whole hose off the reel',
    change: (d) => eachPart(d, result.lineIds, (p) => (p.kind === 'hose' && p.coiledLength ? { ...p, coiledLength: '0 ft' } : undefined)),
  });
  return out;
};

/** A larger nozzle, or an unloader that lets go earlier, spares the surface. */
export const surfaceRules: Rule = (finding, rig, _doc, now) => {
  const i = rig.outlets.findIndex((o) => o.id === finding.subject.id);
  const machineId = now.outlets.find((o) => o.outletId === finding.subject.id)?.machineIds[0];
  const machine = rig.machines.findIndex((x) => x.id === machineId);
  const surface = rig.outlets[i]?.surface;
  if (i < 0 || machine < 0 || !surface) return [];
  const most = assumptionValues(rig.assumptions)[`surface-${surface}`];
  const limit = typeableQuantity(most, 'pressure', 'psi', 3);
  const sizes = NOZZLE_SIZES.filter((n) => n > rig.outlets[i].nozzle.size && n <= 15);
  return [
    ...sizes.map((n) => ({
      id: `nozzle-${n}`,
      title: message(`Nozzle number ${n} at {gun}`, { gun: rig.outlets[i].name }),
      change: (d: RigDocument) => {
        d.outlets[i].nozzle.size = String(n);
        d.outlets[i].wantedPressure = typeableQuantity(Math.min(most, rig.outlets[i].wantedPressure), 'pressure', 'psi', 3);
      },
    })),
    {
      id: 'unloader-down',
      title: message('Unloader at {p}, for all guns of {m}', { p: typed(limit, 'pressure'), m: rig.machines[machine].name }),
      change: (d) => {
        d.machines[machine].unloader.setting = limit;
        for (const o of now.outlets.filter((x) => x.machineIds.includes(rig.machines[machine].id))) {
          const outlet = d.outlets.find((x) => x.id === o.outletId)!;
          if (si(outlet.wantedPressure, 'pressure') > most) outlet.wantedPressure = limit;
        }
      },
    },
  ];
};

/** The nozzle of the right set. */
export const setRules: Rule = (finding, rig, _doc, now) => {
  const i = rig.outlets.findIndex((o) => o.id === finding.subject.id);
  const result = now.outlets.find((o) => o.outletId === finding.subject.id);
  const machine = rig.machines.find((x) => x.id === result?.machineIds[0]);
  if (i < 0 || !machine) return [];
  const guns = now.outlets.filter((o) => o.machineIds.includes(machine.id)).length;
  const n = shelfSize(nozzleSize(machine.flow / guns, rig.outlets[i].wantedPressure));
  return [
    {
      id: `nozzle-${n}`,
      title: message(`Nozzle number ${n} at {gun}`, { gun: rig.outlets[i].name }),
      change: (d) => {
        d.outlets[i].nozzle.size = String(n);
      },
    },
  ];
};

export const machineRules: Rule = (finding, rig, doc, now) => {
  const i = rig.machines.findIndex((x) => x.id === finding.subject.id);
  if (i < 0) return [];
  if (finding.code === 'unloader-high')
    return [
      {
        id: 'unloader-down',
        title: message('Set the unloader to {p}', { p: typed(doc.machines[i].ratedPressure, 'pressure') }),
        change: (d) => {
          d.machines[i].unloader.setting = d.machines[i].ratedPressure;
        },
      },
    ];
  const guns = now.outlets.filter((o) => o.machineIds.includes(rig.machines[i].id));
  if (finding.code === 'unloader-cycles')
    return guns.flatMap((g) => {
      const o = rig.outlets.findIndex((x) => x.id === g.outletId);
      const larger = NOZZLE_SIZES.filter((size) => size > rig.outlets[o].nozzle.size && size < rig.outlets[o].nozzle.size * 2).slice(0, 6);
      return [
        ...larger.map((size) => ({
          id: `nozzle-${g.outletId}-${size}`,
          title: message(`Nozzle number ${size} at {gun}`, { gun: rig.outlets[o].name }),
          change: (d: RigDocument) => {
            d.outlets[o].nozzle.size = String(size);
          },
        })),
        {
          id: `hose-${g.outletId}`,
          title: 'Pressure hose one size wider',
          change: (d: RigDocument) => eachPart(d, g.lineIds, (p) => (p.kind === 'hose' ? sizeUp(p) : undefined)),
        },
      ];
    });
  if (finding.code === 'engine-small') {
    const need = now.machines.find((x) => x.machineId === finding.subject.id)!;
    const power = nextSize(need.enginePower.value * (rig.machines[i].enginePower / need.engineAvailable.value), 'power', 'hp', 1);
    return [
      {
        id: 'engine',
        title: message('An engine of {p}', { p: typed(power, 'power') }),
        change: (d) => {
          d.machines[i].enginePower = power;
        },
      },
    ];
  }
  return [];
};

/** An unloader that goes by pressure serves one of two guns. */
export const slackRules: Rule = (finding, rig) => {
  const i = rig.machines.findIndex((x) => x.id === finding.subject.id);
  if (i < 0) return [];
  return (['trapped-pressure', 'regulating'] as const).map((kind) => ({
    id: `unloader-${kind}`,
    title: message(kind === 'regulating' ? 'A regulating unloader on {m}' : 'A trapped-pressure unloader on {m}', { m: rig.machines[i].name }),
    change: (d: RigDocument) => void (d.machines[i].unloader.kind = kind),
  }));
};

/** A cleaner that the flow is enough for. */
export const cleanerRules: Rule = (finding, rig, _doc, now) => {
  const i = rig.outlets.findIndex((o) => o.id === finding.subject.id);
  const result = now.outlets.find((o) => o.outletId === finding.subject.id);
  if (i < 0 || !result?.cleaner) return [];
  const own = rig.outlets[i].width ?? assumptionValues(rig.assumptions)['cleaner-width'];
  const inches = (own / 0.0254) * (result.flow.value / result.cleaner.strictM3s);
  const fits = Math.floor(inches / 2) * 2;
  return fits >= 6
    ? [
        {
          id: 'narrower',
          title: message('A surface cleaner of {w}', { w: { value: fits * 0.0254, dimension: 'length', shelf: true } }),
          change: (d) => void (d.outlets[i].width = `${fits} in`),
        },
      ]
    : [];
};
