import { GRAVITY } from '../../fluid/air.js';
import { nozzleCode, nozzleSize, shelfSize } from '../../hydraulics/nozzle.js';
import { derateOf } from '../../energy/index.js';
import { HOLDS, drivePower, shaftPower } from '../../solve/engine-pace.js';
import { driveOf, type Machine, type Outlet } from '../../rig/schema.js';
import type { Cases } from '../../solve/cases.js';
import type { Solved } from '../../solve/solved.js';
import { feedPath } from '../../solve/inlet.js';
import { partShares } from '../../solve/part-shares.js';
import { Triggers } from '../../solve/triggers.js';
import { overrunOf } from '../../solve/unloader.js';
import { pressurePath } from '../../solve/paths.js';
import type { Finding } from '../finding.js';
import type { MachineResult, OutletResult, PressureCase } from './result.js';
import type { Verdict } from '../verdict.js';
import { type Figure, figure, input, type Message, message } from '../../working/figure.js';

/** Most guns of which every way of holding the triggers is told; of more only none, each and all. */
const MOST_TOLD = 4;
const tellsEvery = (guns: readonly Outlet[]): boolean => guns.length <= MOST_TOLD;

/** Every way of holding the triggers: all shut, each alone, pairs and so on, see {@link tellsEvery}. */
export function gunCombinations(outlets: readonly Outlet[]): { label: string; open: readonly string[] }[] {
  const ids = outlets.map((o) => o.id);
  const name = (id: string): string => outlets.find((o) => o.id === id)!.name;
  const out: { label: string; open: readonly string[] }[] = [{ label: 'All triggers shut', open: [] }];
  if (tellsEvery(outlets)) {
    for (let bits = 1; bits < 2 ** ids.length; bits++) {
      const open = ids.filter((_, i) => bits & (1 << i));
      out.push({ label: open.length === ids.length && ids.length > 1 ? 'All open' : open.map(name).join(' + '), open });
    }
  } else {
    ids.forEach((id) => out.push({ label: name(id), open: [id] }));
    out.push({ label: 'All open', open: ids });
  }
  return out;
}

/** A gun, and a machine, while triggers are held. */
type GunState = PressureCase['guns'][number];
type MachineState = PressureCase['machines'][number];

const gunState = (solved: Solved, o: Outlet): GunState => ({
  outletId: o.id,
  open: true,
  pressurePa: solved.pressureOf('outlet', o.id),
  flowM3s: solved.nozzleFlow(o),
});
const machineState = (solved: Solved, m: Machine): MachineState => ({
  machineId: m.id,
  flowM3s: solved.machineFlow(m),
  pumpPressurePa: solved.pressureOf('machineOut', m.id),
  returnedM3s: solved.returned(m),
  returnPressurePa: solved.pressureOf('machineReturn', m.id),
  letsGo: solved.letsGo(m),
});

/** The pressure side for each combination of triggers. */
export function pressureCases(cases: Cases): PressureCase[] {
  const { rig, net } = cases;
  const usable = rig.outlets.filter((o) => o.open);
  const combinations = gunCombinations(usable);
  const triggers = new Triggers(cases, usable);
  const shut = rig.outlets.map((o): GunState => ({ outletId: o.id, open: false, pressurePa: 0, flowM3s: 0 }));
  const ofGun = rig.outlets.map((o) => triggers.groupWith([o]));
  const ofMachine = rig.machines.map((m) => triggers.groupWith(net.outletsOf(m.id)));
  const ownOf = (guns: readonly string[], open: readonly string[]): string => guns.filter((id) => open.includes(id)).join(' ');
  const held = triggers.groups.map((group, g) => {
    const guns = triggers.gunsOf(g);
    const machines = rig.machines.filter((_, i) => ofMachine[i] === g);
    const of = new Map<string, { guns: Map<string, GunState>; machines: Map<string, MachineState> }>();
    for (const { open } of combinations) {
      const name = ownOf(guns, open);
      if (of.has(name)) continue;
      const solved = triggers.held(g, open);
      of.set(name, {
        guns: new Map(group.map((i) => [usable[i].id, gunState(solved, usable[i])])),
        machines: new Map(machines.map((m) => [m.id, machineState(solved, m)])),
      });
    }
    return of;
  });
  return combinations.map(({ label, open }) => {
    const now = held.map((of, g) => of.get(ownOf(triggers.gunsOf(g), open))!);
    return {
      label,
      guns: rig.outlets.map((o, i) => (open.includes(o.id) ? now[ofGun[i]].guns.get(o.id)! : shut[i])),
      // What no gun bears on is the same in every case.
      machines: rig.machines.flatMap((m, i) => (net.cutOff.has(m.id) ? [] : (now[ofMachine[i]]?.machines.get(m.id) ?? machineState(cases.asDrawn, m)))),
    };
  });
}

const allOpen = (list: readonly PressureCase[]): PressureCase => list[list.length - 1];

/** What turns back with every gun open: the pump's flow less its guns', where they are its own; else by the network. */
function returnedFigure({ net, rig }: Cases, machine: Machine, { returnedM3s, flowM3s }: PressureCase['machines'][number], open: PressureCase): Figure {
  const own = new Set(net.outletsOf(machine.id).map((o) => o.id));
  const shared = rig.machines.some((m) => m !== machine && net.outletsOf(m.id).some((o) => own.has(o.id)));
  const pump = input('Q', 'machine flow', flowM3s, 'flow');
  if (shared) return figure(returnedM3s, 'flow', 'network', [pump]);
  const guns = open.guns.filter((g) => g.open && own.has(g.outletId)).map((g) => input('Q_gun', 'through a gun', g.flowM3s, 'flow'));
  return figure(returnedM3s, 'flow', 'returned', [pump, ...guns]);
}

/** How far pressure shoots over the unloader's setting, and falls below it before the unloader shuts. */
function unloaderFigures({ values }: Cases, { unloader }: Machine): Pick<MachineResult, 'peak' | 'reseat'> {
  const set = input('p_set', 'unloader opens at', unloader.setting, 'pressure');
  const of = (share: number, own: number | undefined, id: 'unloader-overrun' | 'unloader-reseat', equation: 'unloader-peak' | 'unloader-reseat') =>
    figure(unloader.setting * (1 + share), 'pressure', equation, [set, input('s', 'of the setting', Math.abs(share), 'ratio')], own === undefined ? [id] : []);
  return {
    peak: of(overrunOf(unloader, values), unloader.overrun, 'unloader-overrun', 'unloader-peak'),
    reseat: of(-(unloader.reseat ?? values['unloader-reseat']), unloader.reseat, 'unloader-reseat', 'unloader-reseat'),
  };
}

/** Pump pressure, what it returns and what it asks of its engine, with every gun open. */
export function assessMachine(cases: Cases, machine: Machine, list: readonly PressureCase[]): MachineResult | undefined {
  const { rig, values } = cases;
  const state = allOpen(list).machines.find((m) => m.machineId === machine.id);
  if (!state) return undefined;
  const hardest = Math.max(...list.map((c) => c.machines.find((m) => m.machineId === machine.id)?.pumpPressurePa ?? 0));
  const slowed = cases.slowed.get(machine.id);
  // Of one that is slowed: what full speed would take.
  const needed = Math.max(shaftPower(hardest, state.flowM3s, values), slowed?.neededW ?? 0);
  // A motor on the mains gives up there what it gives down here.
  const derate = derateOf(driveOf(machine), values);
  const available = drivePower(machine, rig, values);
  const verdict: Verdict = needed > available * 1.02 || machine.unloader.setting > machine.ratedPressure * 1.001 ? 'tight' : 'fed';
  return {
    machineId: machine.id,
    pumpPressure: figure(state.pumpPressurePa, 'pressure', 'gun-pressure', [
      input('Q', 'machine flow', state.flowM3s, 'flow'),
      input('p_set', 'unloader opens at', machine.unloader.setting, 'pressure'),
    ]),
    givesM3s: state.flowM3s,
    madeForM3s: machine.flow,
    returned: returnedFigure(cases, machine, state, allOpen(list)),
    ...unloaderFigures(cases, machine),
    enginePower: figure(
      needed,
      'power',
      'shaft-power',
      [
        input('p', 'highest pump pressure', hardest, 'pressure'),
        input('Q', 'flow', state.flowM3s, 'flow'),
        input('η', 'efficiency', values['pump-efficiency'], 'ratio'),
      ],
      ['pump-efficiency'],
    ),
    engineAvailable: figure(
      available,
      'power',
      'engine-derate',
      [
        input('P_rated', 'rated', machine.enginePower, 'power'),
        input('z', 'altitude', rig.brief.altitude, 'length'),
        input('s', 'lost per 1000 ft', derate, 'ratio'),
      ],
      derate === 0 ? [] : [driveOf(machine) === 'vehicle' ? 'vehicle-derate' : 'engine-derate'],
    ),
    verdict,
  };
}

/** What arrives at a nozzle with every gun open. */
export function assessOutlet(cases: Cases, outlet: Outlet): OutletResult | undefined {
  const { rig, net, values } = cases;
  if (!outlet.open) return undefined;
  const machines = rig.machines.filter((m) => !net.cutOff.has(m.id) && net.outletsOf(m.id).some((o) => o.id === outlet.id));
  if (machines.length === 0) return undefined;
  const solved = cases.asDrawn;
  const path = pressurePath(rig, machines[0].id, outlet.id);
  const pressure = solved.pressureOf('outlet', outlet.id);
  const flow = solved.nozzleFlow(outlet);
  const parts = partShares(solved, path);
  const worn = cases.at({ trial: { what: 'worn', outlet, more: values['nozzle-wear'] }, flows: rig.machines.map((m) => solved.machineFlow(m)) });
  const rho = solved.water.densityKgM3;
  const loss = parts.reduce((s, p) => s + p.lossM, 0) * rho * GRAVITY;
  const wanted = outlet.wantedPressure;
  const verdict: Verdict =
    pressure < values['gun-far'] * wanted ? 'starved' : pressure < values['gun-low'] * wanted || pressure > values['gun-high'] * wanted ? 'tight' : 'fed';
  return {
    outletId: outlet.id,
    machineIds: machines.map((m) => m.id),
    lineIds: path.map((l) => l.id),
    pressure: figure(
      pressure,
      'pressure',
      'gun-pressure',
      [
        input('p_pump', 'at the pump', solved.pressureOf('machineOut', machines[0].id), 'pressure'),
        input('Δp', 'lost on the way', loss, 'pressure'),
        input('N', 'nozzle number', outlet.nozzle.size * outlet.nozzle.count, 'number'),
      ],
      ['roughness-smooth'],
    ),
    flow: figure(flow, 'flow', 'nozzle-flow', [
      input('N', 'nozzle number', outlet.nozzle.size * outlet.nozzle.count, 'number'),
      input('p', 'at the nozzle', pressure, 'pressure'),
    ]),
    recoil: figure(
      rho * flow * values['jet-speed'] * Math.sqrt((2 * Math.max(pressure, 0)) / rho),
      'force',
      'recoil',
      [
        input('ρ', 'of the water', rho, 'density'),
        input('Q', 'flow', flow, 'flow'),
        input('p', 'at the nozzle', pressure, 'pressure'),
        input('C_v', 'speed against the ideal', values['jet-speed'], 'ratio'),
      ],
      ['jet-speed'],
    ),
    worn: figure(
      worn.pressureOf('outlet', outlet.id),
      'pressure',
      'worn-nozzle',
      [
        input('N', 'nozzle number, new', outlet.nozzle.size * outlet.nozzle.count, 'number'),
        input('w', 'passes more by', values['nozzle-wear'], 'ratio'),
        input('p', 'at the gun, new', pressure, 'pressure'),
      ],
      ['nozzle-wear'],
    ),
    cleaner: outlet.kind === 'surface-cleaner' ? cleanerOf(cases, outlet) : undefined,
    lineLossPa: loss,
    parts,
    betterSize: flow > 0 ? nozzleSize(flow / outlet.nozzle.count, wanted) : 0,
    verdict,
  };
}

const FOOT = 0.3048;

/** What a surface cleaner of its width wants, by both schools, and the area that it does in an hour. */
function cleanerOf({ values }: Cases, outlet: Outlet): NonNullable<OutletResult['cleaner']> {
  const widthM = outlet.width ?? values['cleaner-width'];
  const [speed, overlap] = [values['cleaner-speed'], values['cleaner-overlap']];
  return {
    areaHour: figure(
      widthM * (1 - overlap) * speed * 3600,
      'area',
      'surface-cleaner',
      [input('w', 'width', widthM, 'length'), input('o', 'overlap', overlap, 'ratio'), input('v', 'walking', speed, 'velocity')],
      ['cleaner-speed', 'cleaner-overlap', ...(outlet.width === undefined ? (['cleaner-width'] as const) : [])],
    ),
    strictM3s: (values['cleaner-strict'] * widthM) / FOOT,
    thriftyM3s: (values['cleaner-thrifty'] * widthM) / FOOT,
  };
}

export function pressureFindings(cases: Cases, list: readonly PressureCase[], machines: readonly MachineResult[], outlets: readonly OutletResult[]): Finding[] {
  const { rig } = cases;
  const out: Finding[] = [];
  const p = (value: number) => ({ value, dimension: 'pressure' as const });
  for (const result of machines) {
    const machine = rig.machines.find((m) => m.id === result.machineId)!;
    const subject = { kind: 'machine', id: machine.id } as const;
    if (machine.unloader.setting > machine.ratedPressure * 1.001)
      out.push({
        code: 'unloader-high',
        // By a tenth over, what is rated for the pump's pressure bursts.
        verdict: machine.unloader.setting > machine.ratedPressure * 1.1 * (1 + 1e-9) ? 'stop' : 'starved',
        station: 'machines',
        subject,
        message: message('{m}: unloader set to {set}, over the pump’s {rated} rating. Turn it down.', {
          m: machine.name,
          set: p(machine.unloader.setting),
          rated: p(machine.ratedPressure),
        }),
      });
    const slowed = cases.slowed.get(machine.id);
    if (result.engineAvailable.value < HOLDS * result.enginePower.value)
      out.push({
        code: 'engine-small',
        verdict: result.engineAvailable.value < 0.9 * result.enginePower.value ? 'starved' : 'tight',
        station: 'machines',
        subject,
        message: message(
          slowed === undefined
            ? '{m} needs {need}; its engine makes {have} at this altitude. It will bog down.'
            : slowed.pace < 0.1
              ? '{m} needs {need}; its engine makes {have} at this altitude. It stalls: no flow.'
              : '{m} needs {need}; its engine makes {have} at this altitude. It bogs down to {q} of {all}.',
          {
            m: machine.name,
            q: { value: cases.flowOf(machine), dimension: 'flow' },
            all: { value: machine.flow, dimension: 'flow' },
            need: { value: result.enginePower.value, dimension: 'power' },
            have: { value: result.engineAvailable.value, dimension: 'power' },
          },
        ),
      });
    const idle = machine.drive === 'vehicle' ? (machine.takeOff?.idlePower ?? cases.values['vehicle-idle'] * machine.enginePower) : Infinity;
    if (result.enginePower.value > idle)
      out.push({
        code: 'idle-weak',
        verdict: 'fed',
        station: 'machines',
        subject,
        message: message('{m} needs {need}; the vehicle makes {idle} at idle. Raise rpm before you pull the trigger.', {
          m: machine.name,
          need: { value: result.enginePower.value, dimension: 'power' },
          idle: { value: idle, dimension: 'power' },
        }),
      });
    const open = allOpen(list).machines.find((m) => m.machineId === machine.id)!;
    const flows = cases.net.outletsOf(machine.id).length > 0;
    const back = open.returnedM3s / Math.max(open.flowM3s, 1e-12);
    const all = cases.net.outletsOf(machine.id);
    const shut = all.some((o) => !o.open);
    const opened = shut ? 'With {guns} open,' : 'With every gun open,';
    if (flows && open.returnedM3s > cases.values['unloader-return'] * machine.flow)
      out.push({
        code: 'unloader-cycles',
        // A nozzle that lets almost nothing through washes nothing, whatever its gauge says.
        verdict: back > cases.values['unloader-most'] ? 'starved' : 'tight',
        station: 'guns',
        subject,
        message: message(
          back > cases.values['unloader-most']
            ? `${opened} {m} turns {q} of its {all} back: the nozzle lets almost nothing through, whatever the gauge says.`
            : shut
              ? `${opened} {m} bypasses {q}: the rest waits for the gun that is shut, or nozzle or hose is too small.`
              : `${opened} {m} still bypasses {q}: nozzle or hose is too small.`,
          {
            guns: all
              .filter((o) => o.open)
              .map((o) => o.name)
              .join(', '),
            m: machine.name,
            q: { value: open.returnedM3s, dimension: 'flow' },
            all: { value: open.flowM3s, dimension: 'flow' },
          },
        ),
      });
    const slack = list.filter((c) => c.guns.some((g) => g.open) && c.machines.some((x) => x.machineId === machine.id && x.letsGo));
    const own = slack.find((c) => c.guns.some((g) => g.open && cases.net.outletsOf(machine.id).some((o) => o.id === g.outletId)));
    if (own)
      out.push({
        code: 'unloader-slack',
        verdict: 'starved',
        station: 'machines',
        subject,
        message: message('{case}: less than {share} of the flow of {m} goes out, so its flow-actuated unloader opens and the gun loses pressure.', {
          case: own.label,
          share: { value: cases.values['unloader-hold'], dimension: 'ratio' },
          m: machine.name,
        }),
      });
    const usable = cases.net.outletsOf(machine.id).filter((o) => o.open);
    if (usable.length > 1 && !own && open.returnedM3s <= cases.values['unloader-return'] * machine.flow && open.pumpPressurePa > result.reseat.value)
      out.push({
        code: 'unloader-reseat',
        verdict: 'fed',
        station: 'machines',
        subject,
        message: message(`${opened} {m} runs at {p}. Its unloader, once open, won’t reseat until {shut}: some flow may keep bypassing.`, {
          guns: usable.map((o) => o.name).join(', '),
          m: machine.name,
          p: p(open.pumpPressurePa),
          shut: p(result.reseat.value),
        }),
      });
    if (!flows)
      out.push({
        code: 'no-gun',
        verdict: 'tight',
        station: 'guns',
        subject,
        message: message('{m} has no gun: no open pressure line leads to an outlet.', { m: machine.name }),
      });
  }
  for (const result of outlets) {
    const outlet = rig.outlets.find((o) => o.id === result.outletId)!;
    const subject = { kind: 'outlet', id: outlet.id } as const;
    if (outlet.surface) {
      const most = cases.values[`surface-${outlet.surface}`];
      const highest = Math.max(...list.map((c) => c.guns.find((g) => g.outletId === outlet.id)?.pressurePa ?? 0));
      if (highest > most * 1.02)
        out.push({
          code: 'surface-harsh',
          verdict: 'tight',
          station: 'guns',
          subject,
          message: message('{gun} can hit {surface} at {p}; usual max is {most}.', {
            gun: outlet.name,
            surface: outlet.surface,
            p: p(highest),
            most: p(most),
          }),
        });
    }
    if (result.cleaner && result.flow.value < result.cleaner.strictM3s * 0.999) {
      const dry = result.flow.value < result.cleaner.thriftyM3s * 0.999;
      out.push({
        code: 'cleaner-thin',
        verdict: dry ? 'starved' : 'tight',
        station: 'guns',
        subject,
        message: message(
          dry
            ? '{gun} gets {q}; its width needs at least {thrifty}. Use a narrower cleaner or more flow.'
            : '{gun} gets {q}: enough by the thrifty school ({thrifty}), walked slowly; the strict one asks {strict} for its width.',
          {
            gun: outlet.name,
            q: { value: result.flow.value, dimension: 'flow' },
            thrifty: { value: result.cleaner.thriftyM3s, dimension: 'flow' },
            strict: { value: result.cleaner.strictM3s, dimension: 'flow' },
          },
        ),
      });
    }
    const wrongSet = leftFromOtherSet(cases, outlet);
    if (wrongSet) out.push({ code: 'nozzle-set', verdict: 'tight', station: 'guns', subject, message: wrongSet });
    const starved = result.machineIds.map((id) => rig.machines.find((m) => m.id === id)!).find((m) => cases.asDrawn.machineFlow(m) < 0.999 * cases.flowOf(m));
    const values = { gun: outlet.name, p: p(result.pressure.value), want: p(outlet.wantedPressure), loss: p(result.lineLossPa) };
    if (result.pressure.value < cases.values['gun-low'] * outlet.wantedPressure)
      out.push({
        code: 'gun-weak',
        verdict: result.verdict,
        station: 'guns',
        subject,
        message: starved
          ? message('{gun} gets {p}, target {want}: {m} is starved. {when} its feed passes {q} of the {wants} it is made for.', {
              ...values,
              when: feedPath(cases.asDrawn, starved)[0]?.from.at === 'spigot' ? 'At a usual tap' : 'Half full and clean',
              m: starved.name,
              q: { value: cases.asDrawn.machineFlow(starved), dimension: 'flow' },
              wants: { value: cases.flowOf(starved), dimension: 'flow' },
            })
          : message('{gun} gets {p}; target {want}. The hose loses {loss}.', values),
      });
    else if (result.pressure.value > cases.values['gun-high'] * outlet.wantedPressure)
      out.push({
        code: 'gun-strong',
        verdict: 'tight',
        station: 'guns',
        subject,
        message: message('{gun} gets {p}, well over the {want} target. Fit a bigger nozzle.', values),
      });
  }
  return out;
}

/**
 * A full-flow nozzle left in on a machine split to several guns, or a half one on a machine with a single gun: told from
 * the sizes that would pass the machine's flow, shared or whole, at the wanted pressure.
 */
function leftFromOtherSet(cases: Cases, outlet: Outlet): Message | undefined {
  const machine = cases.rig.machines.find((m) => cases.net.outletsOf(m.id).some((o) => o.id === outlet.id));
  if (!machine || cases.rig.machines.filter((m) => cases.net.outletsOf(m.id).some((o) => o.id === outlet.id)).length > 1) return undefined;
  const guns = cases.net.outletsOf(machine.id).filter((o) => o.open).length;
  const whole = nozzleSize(machine.flow, outlet.wantedPressure);
  const own = outlet.nozzle.size * outlet.nozzle.count;
  const near = (size: number): boolean => Math.abs(own / size - 1) < cases.values['nozzle-alike'];
  const code = (size: number): string => nozzleCode(shelfSize(size), outlet.nozzle.angle);
  if (guns === 2 && near(whole))
    return message('{gun} has a full-flow nozzle. With two guns, fit {code} on each.', {
      gun: outlet.name,
      code: code(whole / 2),
    });
  if (guns === 1 && near(whole / 2)) return message('{gun} has a half-flow nozzle. On its own, fit {code}.', { gun: outlet.name, code: code(whole) });
  return undefined;
}
