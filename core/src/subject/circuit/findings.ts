import type { AssumptionValues } from '../../assumption/register.js';
import { cableSize } from '../../electrics/index.js';
import type { Rig } from '../../rig/schema.js';
import { message, type MessageQuantity } from '../../working/figure.js';
import type { Finding, About } from '../finding.js';
import { finding } from '../message-parts.js';
import { burns, dropVerdict, hardChargers } from './circuit.js';
import type { CircuitCode } from './kinds.js';
import type { CircuitAnswers, WireResult } from './result.js';

const amps = (value: number): MessageQuantity => ({ value, dimension: 'current' });
const volts = (value: number): MessageQuantity => ({ value, dimension: 'voltage' });

/** The thing that a load is a part of. */
export function loadSubject(rig: Rig, { loadId, part }: Pick<WireResult, 'loadId' | 'part'>): About {
  switch (part) {
    case 'pump':
      return { kind: 'soft-pump', id: loadId };
    case 'booster':
      return { kind: 'booster', id: loadId };
    case 'remote':
      return { kind: 'mix', id: loadId };
    case 'reel':
      return { kind: 'reel', id: loadId };
    case 'burner':
      return { kind: 'burner', id: loadId };
    case 'starter':
      return rig.machines.some((m) => m.id === loadId)
        ? { kind: 'machine', id: loadId }
        : rig.softPumps.some((p) => p.id === loadId)
          ? { kind: 'soft-pump', id: loadId }
          : rig.compressors.some((c) => c.id === loadId)
            ? { kind: 'compressor', id: loadId }
            : { kind: 'gear', id: loadId };
    default:
      return { kind: 'load', id: loadId };
  }
}

/** Cables too thin or too long, fuses that blow or do not, starters that crank slowly, batteries that do not last. */
export function circuitFindings(rig: Rig, a: CircuitAnswers, values: AssumptionValues): Finding[] {
  const out: Finding[] = [];
  for (const c of a.circuits) {
    const subject = loadSubject(rig, c);
    const own = a.cables.find((x) => x.to === c.loadId && (x.toName === c.name || a.cables.filter((y) => y.to === c.loadId).length === 1));
    const tell = (code: 'circuit-long' | 'fuse-small' | 'drop-high' | 'cranks-slowly', verdict: Finding['verdict'], m: Finding['message']): void =>
      void out.push(finding(code, verdict, 'electrics', subject, m));
    const length = { value: c.lengthM, dimension: 'length' as const };
    const share = { value: c.mostDrop, dimension: 'ratio' as const };
    if (c.part === 'starter') {
      if (c.verdict !== 'fed')
        tell(
          'cranks-slowly',
          c.verdict,
          c.gauge === undefined
            ? message('No standard cable gets {i} over {l} to the starter. Move its battery closer.', { i: amps(c.current.value), l: length })
            : message('{name} gets {v} while it cranks, over {l} of {g}; below {least} it turns too slowly to fire.', {
                name: c.name,
                v: volts(c.voltage),
                l: length,
                g: cableSize(c.gauge),
                least: volts((c.voltage / (1 - (c.dropShare ?? 0))) * (1 - c.mostDrop)),
              }),
        );
      continue;
    }
    if (c.gauge === undefined) {
      tell(
        'circuit-long',
        'tight',
        message('No cable that is sold carries {i} over {l} to {name} and loses less than {share}: bring the battery nearer, or give it one of its own.', {
          i: amps(c.current.value),
          l: length,
          name: c.name,
          share,
        }),
      );
      continue;
    }
    if (c.fuseA !== undefined && c.fuseA < c.current.value * values['fuse-over'] - 1e-9 && own?.typedFuse)
      tell(
        'fuse-small',
        c.fuseA < c.current.value ? 'starved' : 'tight',
        message('{name}: a {f} fuse blows at {i} continuous. Use at least {want}, on cable that carries it.', {
          name: c.name,
          f: amps(c.fuseA),
          i: amps(c.current.value),
          want: amps(c.current.value * values['fuse-over']),
        }),
      );
    if (c.dropShare !== undefined && c.dropShare > c.mostDrop * (1 + 1e-6))
      tell(
        'drop-high',
        dropVerdict(c.dropShare, c.mostDrop, values['drop-starves']),
        message('{name} gets {v} with everything on: {lost} lost in the cable, limit {share}.', {
          name: c.name,
          v: volts(c.voltage),
          lost: { value: c.dropShare, dimension: 'ratio' },
          share,
        }),
      );
  }
  // A main fuse that a person chose, under what all that hangs on it draws together.
  for (const c of a.cables) {
    if (c.fuseA === undefined || !c.typedFuse || c.fuseA >= c.currentA - 1e-9 || a.circuits.some((x) => x.loadId === c.to)) continue;
    out.push(
      finding(
        'main-fuse-small',
        'starved',
        'electrics',
        { kind: 'panel', id: c.to },
        message('{name}: its {f} main fuse blows with everything on, {i}. Use at least {want}, on cable that carries it.', {
          name: c.toName,
          f: amps(c.fuseA),
          i: amps(c.currentA),
          want: amps(c.currentA * values['fuse-over']),
        }),
      ),
    );
  }
  // A cable that its fuse does not save burns.
  for (const c of a.cables) {
    const load = a.circuits.find((x) => x.loadId === c.to);
    const starts = load?.part === 'starter' && load.name === c.toName;
    const why = starts ? undefined : burns(c, c.currentA, values['wire-air'] - 273.15);
    if (!why) continue;
    const subject: About = load ? loadSubject(rig, load) : { kind: 'panel', id: c.to };
    const says = {
      to: c.toName,
      g: c.gauge === undefined ? '' : cableSize(c.gauge),
      a: amps(c.ampacityA ?? 0),
      f: amps(c.fuseA ?? 0),
      i: amps(c.currentA),
    };
    const tell = (code: CircuitCode, verdict: Finding['verdict'], text: string): void =>
      void out.push(finding(code, verdict, 'electrics', subject, message(text, says)));
    switch (why) {
      case 'no fuse':
        tell('no-fuse', 'stop', 'The cable to {to} has no fuse: a chafed spot sets it on fire. Fuse it within a hand of the battery.');
        break;
      case 'no fuse fits':
        tell('cable-thin', 'tight', 'The cable to {to} is {g}, which carries {a}: no fuse that is sold holds {i} and still protects it. Use thicker cable.');
        break;
      case 'which insulation':
        tell('cable-thin', 'tight', 'The cable to {to} is {g}: as 60 °C wire it carries {a}, less than its {f} fuse. Which insulation is on it?');
        break;
      case 'fuse':
        tell('cable-thin', 'stop', 'The cable to {to} is {g}, which carries {a}; its fuse is {f}. It burns before the fuse blows.');
        break;
      case 'load':
        tell('cable-thin', 'stop', 'The cable to {to} is {g}, which carries {a}; {i} flows in it.');
    }
  }
  // What its plate is made for against what its battery gives.
  for (const c of a.circuits) {
    const plate = rig.softPumps.find((x) => x.id === c.loadId)?.volts ?? rig.loads.find((x) => x.id === c.loadId)?.volts;
    const has = rig.batteries.find((x) => x.id === c.batteryId)?.volts ?? '12';
    if (plate === undefined || plate === has || c.part === 'starter') continue;
    const burnt = plate === '12';
    out.push(
      finding(
        'volts-wrong',
        burnt ? 'stop' : 'starved',
        'electrics',
        loadSubject(rig, c),
        message(
          burnt ? '{name} is made for {v} and hangs on {has}: it burns out.' : '{name} is made for {v} and hangs on {has}: it turns at half speed, if at all.',
          {
            name: c.name,
            v: volts(Number(plate)),
            has: volts(Number(has)),
          },
        ),
      ),
    );
  }
  for (const b of a.batteries) {
    const battery = rig.batteries.find((x) => x.id === b.batteryId)!;
    const own = { kind: 'battery', id: b.batteryId } as const;
    if (b.taken.value > 0 && !battery.vehicle && !rig.chargers.some((c) => c.battery === b.batteryId && c.current > 0))
      out.push(
        finding(
          'no-charger',
          'tight',
          'electrics',
          own,
          message('{battery} has no charger: the day takes {a}, and nothing puts it back.', {
            battery: b.name,
            a: { value: b.taken.value, dimension: 'charge' },
          }),
        ),
      );
    const most = (values[`charge-most-${battery.chemistry}`] * b.capacityAs) / 3600;
    const hardest = Math.max(0, ...hardChargers(rig.chargers, battery).map((c) => c.current));
    if (hardest > most * (1 + 1e-9))
      out.push(
        finding(
          'charger-large',
          'tight',
          'electrics',
          own,
          message('{battery} is charged at {i}; its kind takes {most} at this size. More heats it and gasses it dry: check its data sheet.', {
            battery: b.name,
            i: amps(hardest),
            most: amps(most),
          }),
        ),
      );
    const pumps = a.circuits.filter((c) => c.batteryId === b.batteryId && c.daySeconds > 0).map((c) => loadSubject(rig, c));
    if (b.verdict !== 'fed')
      out.push({
        ...finding(
          'battery-short',
          b.verdict,
          'electrics',
          { kind: 'battery', id: b.batteryId },
          message('The day uses {a} from {battery}; {b} is usable.', {
            battery: b.name,
            a: { value: b.net.value, dimension: 'charge' },
            b: { value: b.usableAs, dimension: 'charge' },
          }),
        ),
        also: pumps,
      });
    else if (b.net.value > 0 && !b.fullByMorning && rig.chargers.some((c) => c.battery === b.batteryId && c.kind === 'shore'))
      out.push(
        finding(
          'night-short',
          'tight',
          'electrics',
          { kind: 'battery', id: b.batteryId },
          message('The day takes {a} out of {battery}; the night puts {n} back.', {
            battery: b.name,
            a: { value: b.net.value, dimension: 'charge' },
            n: { value: b.nightAs, dimension: 'charge' },
          }),
        ),
      );
  }
  return out;
}
