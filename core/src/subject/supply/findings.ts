import type { AssumptionValues } from '../../assumption/register.js';
import { generatorNeeds, generatorOf, mainsLoads } from '../../energy/index.js';
import { driveOf, type Rig } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import type { Finding } from '../finding.js';
import { finding } from '../message-parts.js';

/** What has nothing to run on. */
export function supplyFindings(rig: Rig, values: AssumptionValues): Finding[] {
  const out: Finding[] = [];
  if (!rig.batteries.length)
    for (const p of rig.softPumps)
      if (p.kind === 'electric')
        out.push(
          finding(
            'no-battery',
            'starved',
            'machines',
            { kind: 'soft-pump', id: p.id },
            message('{pump} runs on 12 V and there is no battery on board.', { pump: p.name }),
          ),
        );
  if (!rig.batteries.length)
    for (const b of rig.boosters)
      if (b.running)
        out.push(
          finding(
            'no-battery',
            'tight',
            'feed',
            { kind: 'booster', id: b.id },
            message('{booster} runs and nothing drives it: a 12 V one needs a battery on board.', { booster: b.name }),
          ),
        );
  if (!rig.batteries.length)
    for (const m of rig.mixes)
      if (m.injector?.remote)
        out.push(
          finding(
            'no-battery',
            'tight',
            'mix',
            { kind: 'mix', id: m.id },
            message('The remote switch of {mix} runs on 12 V and there is no battery on board.', { mix: m.name }),
          ),
        );
  if (rig.mains === undefined)
    for (const m of rig.machines)
      if (driveOf(m) === 'electric')
        out.push(
          finding(
            'no-mains',
            'starved',
            'machines',
            { kind: 'machine', id: m.id },
            message('No ‹AC power› source set for {machine}: the customer’s socket, or a generator?', { machine: m.name }),
          ),
        );
  out.push(...mainsFindings(rig, values));
  return out;
}

/** Mains beside water, and a generator too small for what hangs on it. */
function mainsFindings(rig: Rig, values: AssumptionValues): Finding[] {
  const loads = mainsLoads(rig, values);
  if (!rig.mains || !loads.length) return [];
  const out: Finding[] = [];
  const largest = loads.reduce((a, b) => (b.powerW > a.powerW ? b : a));
  const subject = rig.machines.some((m) => m.id === largest.id)
    ? ({ kind: 'machine', id: largest.id } as const)
    : ({ kind: 'compressor', id: largest.id } as const);
  if (rig.mains.rcd !== true)
    out.push(
      finding(
        'no-rcd',
        rig.mains.rcd === false ? 'stop' : 'tight',
        'electrics',
        subject,
        rig.mains.rcd === false
          ? message('{name} runs on ‹AC power› beside water without ‹a GFCI›: a damaged cable kills.', { name: largest.name })
          : message('{name} runs on ‹AC power› beside water: is there ‹a GFCI› ahead of it?', { name: largest.name }),
      ),
    );
  if (rig.mains.from !== 'generator') return out;
  const set = generatorOf(rig);
  const need = generatorNeeds(loads, values);
  const power = (value: number) => ({ value, dimension: 'power' as const, unit: 'kW' });
  if (!set || set.running === undefined)
    out.push(
      finding(
        'generator-small',
        set ? 'tight' : 'starved',
        'electrics',
        set ? { kind: 'gear', id: set.id } : subject,
        message(
          set
            ? 'No rating set for {set}. Loads need {need} running, {start} starting.'
            : '‹AC power› is set to a generator and none is on board: loads need {need} running, {start} starting.',
          { set: set?.name ?? '', need: power(need.runningW), start: power(need.startingW) },
        ),
      ),
    );
  else if (set.running < need.runningW || (set.starting ?? set.running) < need.startingW)
    out.push(
      finding(
        'generator-small',
        set.running < need.runningW ? 'starved' : 'tight',
        'electrics',
        { kind: 'gear', id: set.id },
        message('{set} gives {has} for hours and {hasStart} for a start; {need} and {start} are needed.', {
          set: set.name,
          has: power(set.running),
          hasStart: power(set.starting ?? set.running),
          need: power(need.runningW),
          start: power(need.startingW),
        }),
      ),
    );
  return out;
}
