import { addBattery } from '../../edit/energy.js';
import { nextSize } from '../../edit/length.js';
import { addGear } from '../../edit/place.js';
import { assumptionValues } from '../../assumption/register.js';
import { cableSize, gaugeOf, sizesOf } from '../../electrics/index.js';
import { cordCarries, generatorNeeds, mainsLoads } from '../../energy/index.js';
import { GAUGES_BY, type RigDocument } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import { typed } from '../message-parts.js';
import type { Candidate, Rule } from '../rule.js';

/** Something to run on. */
export const supplyRules: Rule = (finding): Candidate[] =>
  finding.code === 'no-battery'
    ? [{ id: 'battery', title: 'A deep-cycle battery of 100 Ah', change: (d) => void (d.batteries?.length || addBattery(d)) }]
    : (['site', 'generator'] as const).map((from) => ({
        id: from,
        title:
          from === 'site'
            ? 'Run it from the customer’s socket, through a residual-current device'
            : 'Run it from a generator on board, through a residual-current device',
        change: (d: RigDocument) => {
          d.mains = { from, rcd: true };
          if (from === 'generator' && !d.gear?.some((g) => g.kind === 'generator')) addGear(d, 'generator');
        },
      }));

export const rcdRules: Rule = (): Candidate[] => [
  { id: 'rcd', title: 'Add ‹a GFCI› ahead of it', change: (d) => void (d.mains = { from: 'site', ...d.mains, rcd: true }) },
];

/** A generator of the size that is wanted, or their socket. */
export const generatorRules: Rule = (finding, rig): Candidate[] => {
  const values = assumptionValues(rig.assumptions);
  const need = generatorNeeds(mainsLoads(rig, values), values);
  const running = nextSize(need.runningW * 1.1, 'power', 'kW', 0.5);
  const starting = nextSize(Math.max(need.startingW, need.runningW * 1.1), 'power', 'kW', 0.5);
  return [
    {
      id: 'generator',
      title: message('A generator of {p}, {s} to start', { p: { ...typed(running, 'power'), unit: 'kW' }, s: { ...typed(starting, 'power'), unit: 'kW' } }),
      change: (d) => {
        if (!d.gear?.some((g) => g.kind === 'generator')) addGear(d, 'generator');
        if (finding.code === 'socket-small') d.mains = { ...(d.mains?.rcd === undefined ? {} : { rcd: d.mains.rcd }), from: 'generator' };
        Object.assign(
          d.gear!.find((g) => g.kind === 'generator')!,
          { running, starting },
        );
      },
    },
    ...(finding.code === 'generator-small'
      ? [{ id: 'site', title: 'Run it from the customer’s socket', change: (d: RigDocument) => void (d.mains = { ...d.mains, from: 'site' }) }]
      : [
          {
            id: '230',
            title: 'A 240 V socket with a 30 A breaker',
            change: (d: RigDocument) => void (d.mains = { from: 'site', ...d.mains, volts: '240 V', breaker: '30 A' }),
          },
        ]),
  ];
};

/** The next thicker leads, and one half as long. */
export const leadRules: Rule = (_finding, rig): Candidate[] => {
  const lead = rig.mains?.lead;
  if (!lead) return [];
  return [
    ...GAUGES_BY[sizesOf(gaugeOf(lead.gauge))]
      .filter((g) => gaugeOf(g) < gaugeOf(lead.gauge) && Number.isFinite(cordCarries(g)))
      .slice(0, 4)
      .map((g) => ({
        id: `size-${g.replace(/\W/g, '')}`,
        title: `An extension lead of ${cableSize(gaugeOf(g))}`,
        change: (d: RigDocument) => void (d.mains!.lead!.gauge = g),
      })),
    { id: 'none', title: 'Plug in at the socket, without a lead', change: (d) => void delete d.mains!.lead },
  ];
};
