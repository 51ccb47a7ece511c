import { type AssumptionValues } from '../assumption/register.js';
import type { Line, Outlet, Rig, Tank } from '../rig/schema.js';
import { shapeHeight, surfaceAt } from '../rig/tank-shape.js';
import { submergence } from './heel.js';
import { drawLevel, nodeIds, RigNetwork } from './rig-network.js';

export interface CaseSettings {
  readonly level?: 'full' | 'half' | 'lowest';
  readonly strainer?: 'clean' | 'dirty';
  readonly water?: 'usual' | 'summer';
  readonly spigot?: 'poor' | 'typical' | 'good';
  readonly guns?: (outlet: Outlet) => boolean;
  /** One tank at a level of its own, m inside. */
  readonly levelOf?: { readonly tankId: string; readonly levelM: number };
}

export type CaseState = Required<Omit<CaseSettings, 'levelOf' | 'guns'>>;

/** Outlet bore of a line that leaves a tank: its first part's. */
export const outletBore = (line: Line): number => line.parts[0]?.bore ?? 0.025;

/** A rig's network set to one operating case after another. Assumes a rig that passed `readRig`. */
export class Cases {
  readonly net: RigNetwork;
  state: CaseState = { level: 'half', strainer: 'clean', water: 'usual', spigot: 'typical' };
  /** Cases that would not settle, in words, for a finding. */
  readonly unsettled: string[] = [];
  solves = 0;
  /** Inside level below which each tank is not usable, m. */
  readonly heel = new Map<string, number>();
  private tiedDraw = new Map<number, number>();
  private readonly answers = new Map<string, Float64Array>();

  constructor(
    readonly rig: Rig,
    readonly values: AssumptionValues,
  ) {
    this.net = new RigNetwork(rig, values);
    for (const t of rig.tanks) this.heel.set(t.id, 0);
    this.set({ level: 'full' });
    this.findHeels();
    for (const [tankId, group] of this.net.tieGroupOf) {
      // What fills a tied tank has to cross the tie like any other water, so it is part of the network.
      const filled = this.filledInto(tankId);
      this.net.network.demand[this.net.network.node(nodeIds.tank(tankId))] = -filled;
      this.tiedDraw.set(group, (this.tiedDraw.get(group) ?? 0) + this.drawnFrom(tankId) - filled);
    }
    if (this.tiedDraw.size) {
      this.set({ level: 'full' });
      this.findHeels();
    }
  }

  /** Heel of every tank; tied tanks share one surface, so the highest heel among them counts for all. */
  private findHeels(): void {
    const { rig, net } = this;
    for (const t of rig.tanks) this.heel.set(t.id, this.heelOf(t));
    for (const t of rig.tanks) {
      const group = net.tieGroupOf.get(t.id);
      if (group === undefined) continue;
      const tied = rig.tanks.filter((x) => net.tieGroupOf.get(x.id) === group);
      const surface = Math.max(...tied.map((x) => x.base + this.heelOf(x)));
      this.heel.set(t.id, Math.min(Math.max(surface - t.base, 0), shapeHeight(t.shape)));
    }
  }

  /** Flow leaving a tank by its feed lines in the present case, m³/s. */
  drawnFrom(tankId: string): number {
    return this.rig.lines.reduce((sum, l) => (isDraw(l) && l.from.id === tankId ? sum + this.net.flowOf(l.id) : sum), 0);
  }

  /** Flow arriving at a tank by its fill lines in the present case, m³/s. */
  filledInto(tankId: string): number {
    return this.rig.lines.reduce((sum, l) => (l.role === 'fill' && l.to.at === 'tank' && l.to.id === tankId ? sum + this.net.flowOf(l.id) : sum), 0);
  }

  /** A washer’s draw needs depth over its outlet; a slow draw of chemicals goes down to its hose’s end. */
  private heelOf(tank: Tank): number {
    const drawn = this.rig.lines.filter((l) => l.from.at === 'tank' && l.from.id === tank.id && !l.closed);
    const washers = drawn.filter(isDraw);
    const heels = washers.length
      ? washers.map((l) => drawLevel(tank, l) + submergence(outletBore(l), this.net.flowOf(l.id)))
      : drawn.filter((l) => l.role === 'chemical').map((l) => drawLevel(tank, l));
    return Math.min(Math.max(0, ...heels), shapeHeight(tank.shape));
  }

  /** Inside level of a tank in a case, m. */
  levelIn(tank: Tank, settings: CaseSettings): number {
    if (settings.levelOf?.tankId === tank.id) return settings.levelOf.levelM;
    const heel = this.heel.get(tank.id)!;
    const full = Math.max(Math.min(tank.fullLevel, shapeHeight(tank.shape)), heel);
    switch (settings.level ?? 'half') {
      case 'full':
        return full;
      case 'half':
        return (full + heel) / 2;
      case 'lowest':
        return heel;
    }
  }

  /** Sets and solves a case. What is left out is half full, clean, usual water, typical spigot, all guns as drawn. */
  set(settings: CaseSettings): boolean {
    const { net, values, rig } = this;
    this.state = {
      level: settings.level ?? 'half',
      strainer: settings.strainer ?? 'clean',
      water: settings.water ?? 'usual',
      spigot: settings.spigot ?? 'typical',
    };
    net.setWater(this.state.water === 'summer' ? Math.max(values['summer-water'], rig.brief.water) : rig.brief.water);
    net.setStrainers(this.state.strainer === 'dirty');
    if (this.state.spigot !== 'typical') net.setSpigots(this.state.spigot === 'poor' ? values['poor-spigot'] : values['good-spigot']);
    net.setGuns(settings.guns ?? ((o) => o.open));
    net.setSurfaces(
      (t) => t.base + this.levelIn(t, settings),
      (t) => surfaceAt(t.shape, this.levelIn(t, settings)),
      (group) => this.tiedDraw.get(group) ?? 0,
    );
    // Many figures ask for the same case: its answer is kept, and taken up where nothing has been changed meanwhile.
    const name = settings.levelOf ? undefined : caseName(this.state, net.network.closed);
    const known = name === undefined ? undefined : this.answers.get(name);
    if (known && net.network.recall(known)) return true;
    this.solves++;
    const done = net.solve();
    if (done) {
      if (name !== undefined) this.answers.set(name, net.network.remember(known));
    } else this.unsettled.push(`${this.state.level}, ${this.state.strainer}, ${this.state.water}, ${this.state.spigot}`);
    return done;
  }
}

const caseName = (s: CaseState, closed: Uint8Array): string => `${s.level} ${s.strainer} ${s.water} ${s.spigot} ${closed.join('')}`;

/** Lines that take water out of a tank towards machines. */
export const isDraw = (line: Line): boolean => (line.role === 'feed' || line.role === 'boost') && line.from.at === 'tank';
