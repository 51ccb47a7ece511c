import type { AssumptionValues } from '../assumption/register.js';
import { pumpCurve } from '../chemistry/diaphragm-pump.js';
import { GRAVITY } from '../fluid/air.js';
import { waterAt } from '../fluid/water.js';
import { Network } from '../hydraulics/network/index.js';
import type { Line, Rig, SoftPump, Tank } from '../rig/schema.js';
import { diaphragmOf } from './blend-network.js';
import { heavierTerms } from './rig-network.js';

/** A pump that moves what one tank holds into another: a drum of stock into the tank on board. */
export interface TransferWay {
  readonly pump: SoftPump;
  readonly from: Tank;
  readonly to: Tank;
  readonly suction: Line;
  readonly delivery: Line;
}

/** Every pump with an open line from a tank and one into a tank. */
export function transferWays(rig: Rig): TransferWay[] {
  const open = rig.lines.filter((l) => l.role === 'chemical' && !l.closed);
  return rig.softPumps.flatMap((pump): TransferWay[] => {
    const suction = open.find((l) => l.from.at === 'tank' && l.to.at === 'soft-pump' && l.to.id === pump.id);
    const delivery = open.find((l) => l.to.at === 'tank' && l.from.at === 'soft-pump' && l.from.id === pump.id);
    const from = rig.tanks.find((t) => t.id === suction?.from.id);
    const to = rig.tanks.find((t) => t.id === delivery?.to.id);
    return suction && delivery && from && to ? [{ pump, from, to, suction, delivery }] : [];
  });
}

/** Where what is pumped comes out, m above the deck: its inlet, or the full level of the tank. */
export const transferEnd = ({ to, delivery }: TransferWay): number => delivery.to.height ?? to.base + to.fullLevel;

export interface TransferState {
  readonly flowM3s: number;
  /** Put on by the pump, Pa. */
  readonly risePa: number;
  /** Gauge, Pa. */
  readonly inletPa: number;
}

/**
 * Where a transfer pump works. Heads are metres of water about the pump; the liquid's gravity counts in lift and loss, its
 * viscosity is water's.
 * @param levelM inside the tank that it takes from
 */
export function solveTransfer(rig: Rig, values: AssumptionValues, way: TransferWay, gravity: number, levelM: number): TransferState {
  const { pump, suction, delivery } = way;
  const water = waterAt(rig.brief.water);
  const about = (heightM: number): number => pump.height + gravity * (heightM - pump.height);
  const end = about(transferEnd(way));
  const network = new Network({
    nodes: [
      { id: 'from', elevationM: pump.height, headM: about(way.from.base + levelM) },
      { id: 'in', elevationM: pump.height },
      { id: 'out', elevationM: pump.height },
      { id: 'to', elevationM: pump.height, headM: end },
    ],
    links: [
      { id: 'suction', from: 'from', to: 'in', ...heavierTerms(suction, values, water, false, gravity) },
      { id: 'pump', from: 'in', to: 'out', oneWay: true, curve: pumpCurve(diaphragmOf(rig, pump, values), water.densityKgM3) },
      { id: 'delivery', from: 'out', to: 'to', ...heavierTerms(delivery, values, water, false, gravity), oneWay: true },
    ],
  });
  network.viscosity = water.kinematicViscosityM2S;
  if (!network.solve().converged) {
    network.restart();
    network.solve();
  }
  const rhoG = water.densityKgM3 * GRAVITY;
  const head = (id: string): number => network.head[network.node(id)];
  const flow = network.flow[network.link('pump')];
  const flowM3s = flow > 1e-9 ? flow : 0;
  return { flowM3s, risePa: Math.max(head('out') - head('in'), 0) * rhoG, inletPa: (head('in') - pump.height) * rhoG };
}
