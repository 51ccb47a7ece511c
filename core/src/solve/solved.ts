import type { AssumptionValues } from '../assumption/register.js';
import { GRAVITY } from '../fluid/air.js';
import type { Water } from '../fluid/water.js';
import type { Line, Machine, Outlet, Rig } from '../rig/schema.js';
import type { NodeKind, RigNetwork } from './rig-network.js';

/** Less than this is nothing at all, m³/s: what a solver leaves where nothing flows is far less. */
export const DRY = 1e-8;

export interface CaseState {
  readonly level: 'full' | 'half' | 'lowest';
  readonly strainer: 'clean' | 'dirty';
  readonly water: 'usual' | 'summer';
  readonly spigot: 'poor' | 'typical' | 'good';
}

/** Lines that take water out of a tank towards machines. */
export const isDraw = (line: Line): boolean => (line.role === 'feed' || line.role === 'boost') && line.from.at === 'tank';

/** A return that ends at its own machine ties what is before the pump to what is behind it. */
export const returnsToItself = (rig: Rig): boolean => rig.lines.some((l) => l.role === 'bypass' && l.to.at === 'machine');

/** One operating case, solved: a value that stays as it is whatever is asked afterwards. */
export class Solved {
  readonly rig: Rig;
  readonly values: AssumptionValues;

  /**
   * @param settled false where the flows would not settle
   * @param flow m³/s by link of the network, from→to; then head, m above the deck, by node
   * @param heads where the heads begin
   * @param drawn by each machine at its inlet, m³/s, by its place in the document
   * @param slack machines, by their place, whose flow-actuated unloader lets go
   */
  constructor(
    private readonly net: RigNetwork,
    readonly state: CaseState,
    readonly water: Water,
    readonly settled: boolean,
    private readonly flow: readonly number[],
    private readonly heads: number,
    private readonly drawn: readonly number[],
    private readonly slack: readonly number[],
  ) {
    this.rig = net.rig;
    this.values = net.values;
  }

  /** Through a line, m³/s. */
  flowOf(lineId: string): number {
    const link = this.net.lineLink.get(lineId);
    return link === undefined ? 0 : this.flow[link];
  }

  /** Out of an outlet's nozzles, m³/s. */
  nozzleFlow(outlet: Outlet): number {
    return this.flow[this.net.nozzleOf.get(outlet.id)!];
  }

  /** Turned back by a machine's unloader, m³/s. */
  returned(machine: Machine): number {
    return Math.max(this.flow[this.net.unloaderOf.get(machine.id)!], 0);
  }

  /** Whether a machine's flow-actuated unloader has let go: too little of its flow goes out. */
  letsGo(machine: Machine): boolean {
    return this.slack.some((i) => this.rig.machines[i].id === machine.id);
  }

  /** Drawn by a machine at its inlet, m³/s. */
  machineFlow(machine: Machine): number {
    return this.net.cutOff.has(machine.id) ? 0 : this.drawn[this.rig.machines.findIndex((m) => m.id === machine.id)];
  }

  /** At a place of a thing, m above the deck. */
  headOf(kind: NodeKind, id: string): number {
    return this.flow[this.heads + this.net.nodeAt(kind, id)];
  }

  /** Gauge pressure at a place of a thing, Pa. */
  pressureOf(kind: NodeKind, id: string): number {
    const node = this.net.nodeAt(kind, id);
    return (this.flow[this.heads + node] - this.net.network.spec.nodes[node].elevationM) * this.water.densityKgM3 * GRAVITY;
  }

  /** Flow leaving a tank by its feed lines, m³/s. */
  drawnFrom(tankId: string): number {
    return this.rig.lines.reduce((sum, l) => (isDraw(l) && l.from.id === tankId ? sum + this.flowOf(l.id) : sum), 0);
  }

  /** Flow arriving at a tank by its fill lines, m³/s. */
  filledInto(tankId: string): number {
    return this.rig.lines.reduce((sum, l) => (l.role === 'fill' && l.to.at === 'tank' && l.to.id === tankId ? sum + this.flowOf(l.id) : sum), 0);
  }
}
