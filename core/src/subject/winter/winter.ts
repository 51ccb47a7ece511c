import { GALLON } from '../../quantity/dimension.js';
import { antifreezeNeeded, glycolShare } from '../../chemistry/antifreeze.js';
import { lineVolume } from '../../catalogue/part-loss.js';
import { shapeHeight, volumeAt } from '../../rig/tank-shape.js';
import { figure, input } from '../../working/figure.js';
import type { Cases } from '../../solve/cases.js';
import { feedPath } from '../../solve/inlet.js';
import { pressurePath } from '../../solve/paths.js';
import { linesOf } from '../../solve/paths.js';
import type { CircuitResult, WinterResult } from './result.js';

const FROST = 273.15;

/** Wetted volume of every circuit that frost can burst, and what it takes to save it. Undefined for a rig with nothing wet. */
export function assessWinter(cases: Cases): WinterResult | undefined {
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
  /** Fill hoses are drained, never filled with antifreeze. */
  const wet = circuits.reduce((s, c) => s + c.wettedM3, 0);
  for (const l of rig.lines.filter((x) => x.role === 'fill')) {
    const own = lineVolume(l.parts);
    if (own > 0) circuits.push({ name: l.name ?? 'Fill hose', wettedM3: own });
  }
  if (!circuits.length) return undefined;
  const coldest = rig.brief.coldest;
  const needed = coldest === undefined ? 0 : antifreezeNeeded(wet, values['flush-left'], values['antifreeze-product'], coldest);
  /** Whether the product stands the coldest night at all. */
  const within = Number.isFinite(needed);
  const tanks = rig.tanks.filter((t) => t.liquid === 'antifreeze');
  const tank = tanks.at(0);
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
    onBoardM3: tank && tanks.reduce((sum, t) => sum + volumeAt(t.shape, Math.min(t.startLevel, t.fullLevel, shapeHeight(t.shape))), 0),
    away: [
      ...(chemical ? ['Rinse every chemical line with water until the tip runs clear: glycol and SH must not meet.'] : []),
      'Shut the spigot and drain the fill hose from its far end.',
      'Dump the water tank with its lid open; leave the dump valve open.',
      ...(within
        ? [
            tank ? `Turn the feed valve from the water tank to ${tank.name}.` : 'Put the suction hose into a pail of antifreeze.',
            ...(backToWater ? ['Take each return off its water tank and lead it into the pail: no antifreeze into the tank, or out at its open dump.'] : []),
            'Run each machine slowly, each gun in turn, until colour comes out, then a minute through the return.',
          ]
        : ['Colder than the antifreeze stands: keep the rig in a warm place, or drain it and blow every line, pump and gun dry with air.']),
      'Half-open every ball valve: a shut ball holds water.',
      ...(chemical && within ? ['Run each soft wash pump on antifreeze until colour comes out at the tip; open metering valves wide while you do.'] : []),
    ],
    back: [
      'Shut half-open ball valves again, dump valve first.',
      ...(tank ? [`Turn the feed valve from ${tank.name} back to the water tank.`] : []),
      ...(backToWater && within ? ['Run until the guns and the returns come clear, into the pail; then put the returns back on the tank.'] : []),
      'Fill some water, prime, run to the ground until it foams no more; catch the antifreeze.',
      ...(chemical ? ['Flush chemical lines with water before SH goes in.'] : []),
      'Look for split strainer bowls and weeping couplings before pressure goes on.',
    ],
  };
}
