import type { Problem } from './read.js';
import type { Drive, Rig } from './schema.js';

const problem = (code: string, path: string, bound: string, message: string): Problem => ({ code, path, bound, message });

const isEngine = (drive: Drive | undefined): boolean => drive === undefined || drive === 'petrol' || drive === 'diesel';

/** What may burn fuel, of a rig or of its document. */
interface MayBurn {
  readonly machines: readonly { readonly id: string; readonly drive?: Drive | undefined }[];
  readonly softPumps?: readonly { readonly id: string; readonly kind: string }[] | undefined;
  readonly compressors?: readonly { readonly id: string; readonly drive?: Drive | undefined }[] | undefined;
  readonly gear?: readonly { readonly id: string; readonly kind: string }[] | undefined;
  readonly burners?: readonly { readonly id: string }[] | undefined;
}

/** Things that burn fuel, by id, in the order of the rig's lists: engines of their own, generators, burners. A fuel line may end there. */
export const burnsFuel = (rig: MayBurn): readonly string[] => [
  ...rig.machines.filter((m) => isEngine(m.drive)).map((m) => m.id),
  ...(rig.softPumps ?? []).filter((p) => p.kind === 'engine').map((p) => p.id),
  ...(rig.compressors ?? []).filter((c) => isEngine(c.drive)).map((c) => c.id),
  ...(rig.gear ?? []).filter((g) => g.kind === 'generator').map((g) => g.id),
  ...(rig.burners ?? []).map((b) => b.id),
];

/** Fuel, air and electric lines that lead nowhere, and settings that do not add up. */
export function energyProblems(rig: Rig): Problem[] {
  const out: Problem[] = [];
  const ids = (list: readonly { readonly id: string }[]): ReadonlySet<string> => new Set(list.map((x) => x.id));
  const [batteries, tanks, compressors] = [ids(rig.batteries), ids(rig.fuelTanks), ids(rig.compressors)];
  const engines = new Set(burnsFuel(rig));
  const must = (there: boolean, path: string, bound: string, message: string): void => void (there || out.push(problem('nowhere', path, bound, message)));

  rig.fuelLines.forEach((l, i) => {
    const name = l.name ?? l.id;
    must(tanks.has(l.from), `fuelLines.${i}.from`, 'a fuel tank', `Fuel line "${name}" starts at "${l.from}", which is no fuel tank.`);
    must(engines.has(l.to), `fuelLines.${i}.to`, 'an engine or a burner', `Fuel line "${name}" leads to "${l.to}", which burns no fuel.`);
    if (rig.fuelLines.findIndex((x) => x.to === l.to) !== i) out.push(problem('twice', `fuelLines.${i}.to`, 'one fuel line', `"${l.to}" has two fuel lines.`));
  });
  rig.batteries.forEach((b, i) => {
    if (b.changeover === undefined) return;
    must(
      batteries.has(b.changeover),
      `batteries.${i}.changeover`,
      'a battery',
      `The change-over of "${b.name}" leads to "${b.changeover}", which is no battery.`,
    );
    if (b.changeover === b.id)
      out.push(problem('itself', `batteries.${i}.changeover`, 'another battery', `The change-over of "${b.name}" leads back to itself.`));
  });
  rig.chargers.forEach((c, i) => {
    must(batteries.has(c.battery), `chargers.${i}.battery`, 'a battery', `Charger "${c.name}" charges "${c.battery}", which is no battery.`);
    if (c.engine !== undefined)
      must(engines.has(c.engine), `chargers.${i}.engine`, 'an engine', `Charger "${c.name}" is driven by "${c.engine}", which is no engine.`);
  });
  rig.loads.forEach((l, i) => {
    if (l.engine !== undefined) must(engines.has(l.engine), `loads.${i}.engine`, 'an engine', `"${l.name}" serves "${l.engine}", which is no engine.`);
  });
  const panels = ids(rig.panels);
  const loads = new Set([
    ...ids(rig.softPumps),
    ...ids(rig.boosters),
    ...ids(rig.mixes),
    ...ids(rig.reels),
    ...ids(rig.loads),
    ...ids(rig.burners),
    ...engines,
  ]);
  rig.wires.forEach((w, i) => {
    const name = w.name ?? w.id;
    must(
      batteries.has(w.from) || panels.has(w.from),
      `wires.${i}.from`,
      'a battery or a panel',
      `Cable "${name}" starts at "${w.from}", which is no battery and no panel.`,
    );
    must(panels.has(w.to) || loads.has(w.to), `wires.${i}.to`, 'a panel or a load', `Cable "${name}" leads to "${w.to}", which draws nothing.`);
    if (rig.wires.findIndex((x) => x.to === w.to) !== i) out.push(problem('twice', `wires.${i}.to`, 'one cable', `"${w.to}" hangs on two cables.`));
    const chain = new Set<string>();
    for (let at: string | undefined = w.to; at !== undefined; at = rig.wires.find((x) => x.to === at)?.from) {
      if (chain.has(at)) {
        out.push(problem('itself', `wires.${i}.to`, 'another thing', `Cable "${name}" leads round in a circle.`));
        break;
      }
      chain.add(at);
    }
  });
  rig.compressors.forEach((c, i) => {
    if (c.cutIn !== undefined && c.cutOut !== undefined && !(c.cutIn < c.cutOut))
      out.push(problem('above', `compressors.${i}.cutIn`, '< cut-out', `"${c.name}" starts again at a lower pressure than it rests at.`));
  });
  rig.receivers.forEach((r, i) =>
    must(
      compressors.has(r.compressor),
      `receivers.${i}.compressor`,
      'a compressor',
      `Receiver "${r.name}" stands behind "${r.compressor}", which is no compressor.`,
    ),
  );
  const airPumps = new Set(rig.softPumps.filter((p) => p.kind === 'air').map((p) => p.id));
  rig.airLines.forEach((l, i) => {
    const name = l.name ?? l.id;
    must(compressors.has(l.from), `airLines.${i}.from`, 'a compressor', `Air line "${name}" starts at "${l.from}", which is no compressor.`);
    must(airPumps.has(l.to), `airLines.${i}.to`, 'an air-operated pump', `Air line "${name}" leads to "${l.to}", which is no air-operated pump.`);
    if (rig.airLines.findIndex((x) => x.to === l.to) !== i) out.push(problem('twice', `airLines.${i}.to`, 'one air line', `"${l.to}" has two air lines.`));
  });
  rig.burners.forEach((b, i) => {
    must(ids(rig.machines).has(b.machine), `burners.${i}.machine`, 'a machine', `Burner "${b.name}" heats "${b.machine}", which is no machine.`);
    if (rig.burners.findIndex((x) => x.machine === b.machine) !== i)
      out.push(problem('twice', `burners.${i}.machine`, 'one burner', `"${b.machine}" has two burners.`));
  });
  return out;
}
