import type { AssumptionValues } from '../../assumption/register.js';
import { cableSize, gaugeOf, voltageDrop } from '../../electrics/index.js';
import { cordCarries, enginesOn, generatorGives, generatorNeeds, generatorOf, mainsLoads, socketOf } from '../../energy/index.js';
import { driveOf, type Rig } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import type { About, Finding } from '../finding.js';
import { finding, percent } from '../message-parts.js';

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
  if (!rig.batteries.length) out.push(...unpowered(rig, values));
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

/** What else runs on a battery, where there is none on board. */
function unpowered(rig: Rig, values: AssumptionValues): Finding[] {
  const none = (name: string, verdict: Finding['verdict'], subject: About, text: string): Finding =>
    finding('no-battery', verdict, 'electrics', subject, message(text, { name }));
  return [
    ...enginesOn(rig, values)
      .filter((e) => e.electricStart)
      .map((e) => none(e.name, 'starved', { kind: e.kind, id: e.id }, '{name} has electric start and there is no battery on board to crank it.')),
    ...enginesOn(rig, values)
      .filter((e) => e.lift === 'electric' && e.kind !== 'burner')
      .map((e) => none(e.name, 'starved', { kind: e.kind, id: e.id }, '{name} gets its fuel by an electric pump and there is no battery on board.')),
    ...rig.reels
      .filter((r) => r.motor !== undefined)
      .map((r) => none(r.name, 'tight', { kind: 'reel', id: r.id }, '{name} winds by a motor and there is no battery on board.')),
    ...rig.burners.map((b) =>
      none(
        b.name,
        rig.mains ? 'tight' : 'starved',
        { kind: 'burner', id: b.id },
        '{name} needs current for its blower, fuel pump and spark, and there is no battery on board.',
      ),
    ),
    ...rig.loads.map((l) => none(l.name, 'tight', { kind: 'load', id: l.id }, '{name} draws current and there is no battery on board.')),
  ];
}

/** A socket's breaker and the lead to it. */
function socketFindings(rig: Rig, values: AssumptionValues, subject: About): Finding[] {
  const { mains } = rig;
  const loads = mainsLoads(rig, values);
  if (!mains || mains.from !== 'site' || !loads.length) return [];
  const out: Finding[] = [];
  const { volts, breakerA, said } = socketOf(mains, values);
  const amps = loads.reduce((s, l) => s + l.powerW, 0) / volts;
  const a = (value: number) => ({ value, dimension: 'current' as const });
  const says = {
    name: loads.map((l) => l.name).join(', '),
    i: a(amps),
    v: { value: volts, dimension: 'voltage' as const },
    b: a(breakerA),
    most: a(breakerA * values['mains-hours']),
  };
  if (amps > breakerA * values['mains-hours'] + 1e-9)
    out.push(
      finding(
        'socket-small',
        said && amps > breakerA ? 'starved' : 'tight',
        'electrics',
        subject,
        !said
          ? message('{name} takes {i} at {v}; most house sockets have {b} breakers and trip. Which socket is it? Set its volts and breaker.', says)
          : amps > breakerA
            ? message('{name} takes {i} at {v}: the socket’s {b} breaker trips.', says)
            : message('{name} takes {i} at {v}; a {b} breaker gives {most} for hours, and a start may trip it.', says),
      ),
    );
  const { lead } = mains;
  if (!lead) return out;
  const carries = cordCarries(lead.gauge);
  const lost = voltageDrop(gaugeOf(lead.gauge), lead.length, amps) / volts;
  const of = {
    ...says,
    g: cableSize(gaugeOf(lead.gauge)),
    l: { value: lead.length, dimension: 'length' as const },
    a: a(carries),
    lost: percent(lost),
    share: percent(values['lead-drop']),
  };
  if (amps > carries)
    out.push(finding('lead-thin', 'stop', 'electrics', subject, message('The extension lead is {g}, which carries {a}; {i} flows in it. It burns.', of)));
  else if (lost > values['lead-drop'])
    out.push(
      finding(
        'lead-thin',
        lost > values['drop-starves'] ? 'starved' : 'tight',
        'electrics',
        subject,
        message('{l} of {g} lead loses {lost} of the voltage; motors stand {share}. Take a thicker or a shorter one.', of),
      ),
    );
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
  out.push(...socketFindings(rig, values, subject));
  if (rig.mains.from !== 'generator') return out;
  const set = generatorOf(rig);
  const need = generatorNeeds(loads, values);
  const gives = generatorGives(set, rig, values);
  const power = (value: number) => ({ value, dimension: 'power' as const, unit: 'kW' });
  if (!set || !gives)
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
  else if (gives.runningW < need.runningW || gives.startingW < need.startingW)
    out.push(
      finding(
        'generator-small',
        gives.runningW < need.runningW ? 'starved' : 'tight',
        'electrics',
        { kind: 'gear', id: set.id },
        message('{set} gives {has} for hours and {hasStart} for a start; {need} and {start} are needed.', {
          set: set.name,
          has: power(gives.runningW),
          hasStart: power(gives.startingW),
          need: power(need.runningW),
          start: power(need.startingW),
        }),
      ),
    );
  return out;
}
