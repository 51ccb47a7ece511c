import { GALLON } from '../../quantity/dimension.js';
import { antifreezeNeeded, glycolShare } from '../../chemistry/antifreeze.js';
import { lineVolume } from '../../catalogue/part-loss.js';
import { tapParts } from '../../catalogue/tap-parts.js';
import { startDepth, volumeAt } from '../../rig/tank-shape.js';
import { figure, input } from '../../working/figure.js';
import type { Cases } from '../../solve/cases.js';
import { feedPath } from '../../solve/inlet.js';
import { transferWays } from '../../solve/transfer.js';
import { pressurePath } from '../../solve/paths.js';
import { linesOf } from '../../solve/paths.js';
import type { BatteryResult } from '../circuit/result.js';
import type { CircuitResult, WinterBattery, WinterResult } from './result.js';

const FROST = 273.15;

/** Wetted volume of every circuit that frost can burst, and what it takes to save it. Undefined for a rig with nothing wet. */
export function assessWinter(cases: Cases, batteries: readonly BatteryResult[]): WinterResult | undefined {
  const { rig, values, net } = cases;
  const circuits: CircuitResult[] = [];
  const pumpM3 = values['pump-wetted'];
  const seen = new Set<string>();
  for (const m of rig.machines) {
    // The header's own line too: what is wet is what the water came through.
    const into = feedPath(cases.asDrawn, m).filter((l) => l.role !== 'fill');
    const out = net.outletsOf(m.id).flatMap((o) => pressurePath(rig, m.id, o.id));
    const back = rig.lines.filter((l) => l.role === 'bypass' && l.from.id === m.id);
    const lines = [...into, ...out, ...back].filter((l) => !seen.has(l.id) && !!seen.add(l.id));
    circuits.push({ name: m.name, wettedM3: pumpM3 + lines.reduce((s, l) => s + lineVolume(l.parts), 0) });
  }
  for (const mix of rig.mixes) {
    const lines = linesOf(rig, mix).filter((l) => !seen.has(l.id) && !!seen.add(l.id));
    if (lines.length) circuits.push({ name: mix.name, wettedM3: pumpM3 + lines.reduce((s, l) => s + lineVolume(l.parts), 0) });
  }
  for (const { pump, suction, delivery } of transferWays(rig))
    circuits.push({ name: pump.name, wettedM3: pumpM3 + lineVolume([...suction.parts, ...delivery.parts]) });
  /** Fill hoses are drained, never filled with antifreeze. */
  const wet = circuits.reduce((s, c) => s + c.wettedM3, 0);
  for (const l of rig.lines.filter((x) => x.role === 'fill')) {
    const own = lineVolume([...l.parts, ...(l.taps ?? []).flatMap(tapParts)]);
    if (own > 0) circuits.push({ name: l.name ?? 'Fill hose', wettedM3: own });
  }
  if (!circuits.length) return undefined;
  const coldest = rig.brief.coldest;
  const needed = coldest === undefined ? 0 : antifreezeNeeded(wet, values['flush-left'], values['antifreeze-product'], coldest);
  /** Whether the product stands the coldest night at all. */
  const within = Number.isFinite(needed);
  const tanks = rig.tanks.filter((t) => t.liquid === 'antifreeze');
  const tank = tanks.at(0);
  const left = coldest === undefined ? [] : batteries.map((b) => wintering(cases, b, coldest));
  const frozen = rig.batteries.filter((b) => !b.vehicle);
  const chemical = rig.mixes.length > 0;
  const backToWater = rig.lines.some((l) => l.role === 'bypass' && l.to.at === 'tank');
  return {
    circuits,
    coldestK: coldest,
    glycolShare: coldest === undefined ? 0 : within ? glycolShare(coldest) : null,
    antifreeze: figure(
      within ? needed : Infinity,
      'volume',
      'antifreeze',
      [input('V', 'wetted, without fill hoses', wet, 'volume'), input('T', 'coldest night', coldest ?? FROST, 'temperature')],
      ['antifreeze-product', 'flush-left', 'pump-wetted'],
    ),
    cost: ((within ? needed : 0) / GALLON) * values['antifreeze-price'],
    onBoardM3: tank && tanks.reduce((sum, t) => sum + volumeAt(t.shape, startDepth(t)), 0),
    batteries: left,
    away: [
      ...(chemical ? ['Rinse every chemical line with water until the tip runs clear: glycol and SH must not meet.'] : []),
      'Shut the ‹spigot› and drain the fill hose from its far end.',
      'Dump the water tank with its lid open; leave the dump valve open.',
      ...(within
        ? [
            tank ? `Turn the feed valve from the water tank to ${tank.name}.` : 'Put the suction hose into a pail of antifreeze.',
            ...(backToWater ? ['Take each return off its water tank and lead it into the pail: no antifreeze into the tank, or out at its open dump.'] : []),
            'Run each machine slowly, each gun in turn, until ‹color› comes out, then a minute through the return.',
          ]
        : ['Colder than the antifreeze stands: keep the rig in a warm place, or drain it and blow every line, pump and gun dry with air.']),
      'Half-open every ball valve: a shut ball holds water.',
      ...(chemical && within ? ['Run each soft wash pump on antifreeze until ‹color› comes out at the tip; open metering valves wide while you do.'] : []),
      ...(frozen.some((b) => b.chemistry !== 'lithium')
        ? ['Charge lead-acid batteries full and disconnect the negative cable: flat ones freeze and split.']
        : []),
      ...(frozen.some((b) => b.chemistry === 'lithium') ? ['Leave lithium batteries half charged. Never charge them below 32 °F (0 °C).'] : []),
    ],
    back: [
      ...(frozen.length ? ['Charge the batteries full and clean their terminals before the first start.'] : []),
      'Shut half-open ball valves again, dump valve first.',
      ...(tank ? [`Turn the feed valve from ${tank.name} back to the water tank.`] : []),
      ...(backToWater && within ? ['Run until the guns and the returns come clear, into the pail; then put the returns back on the tank.'] : []),
      'Fill some water, prime, run to the ground until it foams no more; catch the antifreeze.',
      ...(chemical ? ['Flush chemical lines with water before SH goes in.'] : []),
      'Look for split strainer bowls and weeping couplings before pressure goes on.',
    ],
  };
}

/** Where the acid of a lead battery freezes, K, by the share of its charge that is left: 1.265 full, 1.12 flat. Handbook tables (from memory). */
const FREEZES: readonly (readonly [share: number, kelvin: number])[] = [
  [0, 265],
  [0.25, 257],
  [0.5, 249],
  [0.75, 236],
  [1, 213],
];

function freezesAt(share: number): number {
  const at = Math.min(Math.max(share, 0), 1);
  const i = Math.max(
    FREEZES.findIndex(([s]) => s >= at),
    1,
  );
  const [[s0, k0], [s1, k1]] = [FREEZES[i - 1], FREEZES[i]];
  return k0 + ((k1 - k0) * (at - s0)) / (s1 - s0);
}

/** A battery on the coldest night after a day's work: what it still gives, and whether its acid freezes. */
function wintering(cases: Cases, b: BatteryResult, coldestK: number): WinterBattery {
  const { rig, values } = cases;
  const { chemistry } = rig.batteries.find((x) => x.id === b.batteryId)!;
  const left = Math.max(1 - b.net.value / b.capacityAs, 0);
  const factor = Math.max(1 - values['battery-cold'] * Math.max(298.15 - coldestK, 0), 0);
  return {
    batteryId: b.batteryId,
    name: b.name,
    leftShare: left,
    freezesK: chemistry === 'lithium' ? undefined : freezesAt(left),
    gives: figure(
      b.usableAs * factor,
      'charge',
      'battery-cold',
      [input('Q', 'may give when warm', b.usableAs, 'charge'), input('T', 'coldest night', coldestK, 'temperature')],
      ['battery-cold'],
    ),
  };
}
