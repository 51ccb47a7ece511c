import { assumptionValues } from '../assumption/register.js';
import { BlendNetwork, wayOf } from '../solve/blend-network.js';
import { startLevels } from '../solve/blend-start.js';
import { Stocks } from '../solve/stock.js';
import { Cases, type CaseSettings } from '../solve/cases.js';
import type { Rig } from '../rig/schema.js';
import { writeInp } from './inp-write.js';

/** A rig's network in one operating case as an EPANET file. Half-full tanks, clean strainers and all guns open unless said. */
export function rigInp(rig: Rig, settings: CaseSettings = {}): string {
  const cases = new Cases(rig, assumptionValues(rig.assumptions));
  cases.at(settings);
  return writeInp(cases.net.network, rig.name);
}

/** The way of one mix as an EPANET file, tanks as the day starts; undefined when its way is not whole. Heads are metres of water. */
export function blendInp(rig: Rig, mixId: string): string | undefined {
  const values = assumptionValues(rig.assumptions);
  const mix = rig.mixes.find((m) => m.id === mixId);
  const way = mix && wayOf(rig, mix);
  if (!mix || !way) return undefined;
  const net = new BlendNetwork(rig, values, new Stocks(rig, values), mix, way.pump, way.sprayer, way);
  net.solve(startLevels(net));
  return writeInp(net.network, `${rig.name}, ${mix.name}`);
}
