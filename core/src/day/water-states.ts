import { idleShare } from '../energy/index.js';
import { type EnergyPlan, machineFuel } from './energy-plan.js';
import type { Cases } from '../solve/cases.js';
import { netOut } from '../solve/mean-draw.js';
import type { Solved } from '../solve/solved.js';
import { bypassLine } from '../subject/bypass/bypass.js';
import { lineVolume } from '../catalogue/part-loss.js';
import { feedByLevel, feedMargin } from '../subject/feed/feed-limits.js';
import { levelOf } from '../rig/tank-shape.js';
import { TOUCH } from '../solve/vessel-law.js';
import type { Vessel } from '../solve/vessels.js';
import { tidy } from './tidy.js';

/** Spigot flow as a share of the typical one, at which fill and direct feeds are solved; between them it is interpolated. */
const FACTORS = [0.02, 0.1, 0.2, 0.3, 0.4, 0.5, 0.65, 0.8, 1, 1.25, 1.6, 2, 2.5, 3.2, 4] as const;

/** Levels, evenly from the heel to full, at which the guns of a rig are solved whose pumps get less as a tank falls. */
const BANDS = 8;

/** One way of holding the triggers with some machines running: what leaves each vessel and what it costs. SI. */
export interface WaterState {
  /** Net out of each vessel, what returns taken off, m³/s. */
  readonly draw: Float64Array;
  /** Heat that returning water brings into each vessel, W. */
  readonly heat: Float64Array;
  /** Gauge pressure and flow at each outlet. */
  readonly pressure: Float64Array;
  readonly flow: Float64Array;
  /** Heat put into each machine's own loop, W; 0 where it returns to a tank. */
  readonly loopHeat: Float64Array;
  /** m³/s through each machine that does not turn round in its loop. */
  readonly through: Float64Array;
  /** Fuel out of each store, kg/s, the last place for what nobody told where from. */
  readonly fuel: Float64Array;
}

/** What comes out of the spigots in a state, by how good they are: table rows over {@link FACTORS}. */
export interface SpigotTable {
  /** Into each vessel, m³/s: factor by factor. */
  readonly into: readonly Float64Array[];
  /** Inlet head to spare of each machine fed straight from a spigot, m; Infinity for the others. */
  readonly margin: readonly Float64Array[];
}

/**
 * The water side of a rig as a table of solved states, each solved when first asked for. Keys are bits: outlets open,
 * machines running, by their places in the document.
 */
export class WaterStates {
  private readonly states = new Map<number, WaterState>();
  private readonly spigots = new Map<number, SpigotTable>();
  /** How often a state had to be solved. */
  solved = 0;
  /** Machines that an outlet is fed by, as bits. */
  readonly machinesOf: readonly number[];
  /** A machine takes its water straight from a spigot, so that triggers bear on the fill. */
  readonly direct: readonly boolean[];
  /** Of each machine's own loop, m³; 0 for one that returns to a tank. */
  readonly loopM3: readonly number[];
  /** Vessel that each machine draws on; −1 for none or a spigot. */
  readonly source: readonly number[];
  /**
   * Of each vessel whose level decides what a pump gets, volumes between which the guns are told by one level, m³, rising;
   * none where every pump is fed at every level of it.
   */
  readonly bands: readonly Float64Array[];
  /** Volume of its vessel below which a machine's inlet head is gone, by head lost to warmer water, m: see {@link starvesAt}. */
  private readonly margins: readonly { readonly volume: Float64Array; readonly margin: Float64Array; readonly npsh: Float64Array }[];

  constructor(
    readonly cases: Cases,
    readonly vessels: readonly Vessel[],
    volumeAtSurface: (vessel: number, surfaceM: number) => number,
    private readonly energy: Pick<EnergyPlan, 'stores' | 'drinkers' | 'engineOf' | 'burnerOf'>,
  ) {
    const { rig, net, values } = cases;
    this.machinesOf = rig.outlets.map((o) => rig.machines.reduce((bits, m, i) => (net.outletsOf(m.id).some((x) => x.id === o.id) ? bits | (1 << i) : bits), 0));
    const vesselOf = (tankId: string | undefined): number => vessels.findIndex((v) => v.tank.id === tankId);
    const feeds = rig.machines.map((m) => feedByLevel(cases, m, { level: 'half', strainer: 'clean', water: 'usual', spigot: 'typical' }));
    const sourceOf = (id: string): string | undefined => {
      const seen = new Set<string>();
      const back = (at: string, thing: string): string | undefined => {
        for (const l of rig.lines) {
          if (l.closed || l.to.at !== at || l.to.id !== thing || l.role === 'bypass' || seen.has(l.id)) continue;
          seen.add(l.id);
          const found = l.from.at === 'tank' ? l.from.id : back(l.from.at, l.from.id ?? '');
          if (found) return found;
        }
        return undefined;
      };
      return back('machine', id);
    };
    this.source = rig.machines.map((m) => vesselOf(sourceOf(m.id)));
    this.direct = rig.machines.map((m, i) => this.source[i] < 0 && !net.cutOff.has(m.id));
    this.loopM3 = rig.machines.map((m) => {
      const line = bypassLine(cases, m);
      return line?.to.at === 'tank' ? 0 : values['bypass-loop'] + (line ? lineVolume(line.parts) : 0);
    });
    this.margins = feeds.map((points, i) => ({
      volume: Float64Array.from(points, (p) => tidy(volumeAtSurface(this.source[i], p.surfaceM))),
      margin: Float64Array.from(points, (p) => tidy(p.marginM)),
      npsh: Float64Array.from(points, (p) => tidy(p.npshM)),
    }));
    this.bands = vessels.map((v, k) => {
      const starves = this.margins.some(
        ({ volume, margin }, i) => this.source[i] === k && margin.some((m, n) => m < 0 && (volume[n] >= v.heel || volume[Math.max(n - 1, 0)] > v.heel)),
      );
      const at = (share: number): number =>
        v.tank.base + levelOf(v.tank.shape, v.heel) + share * (levelOf(v.tank.shape, v.full) - levelOf(v.tank.shape, v.heel));
      return Float64Array.from({ length: starves ? BANDS - 1 : 0 }, (_, n) => tidy(volumeAtSurface(k, at((n + 1) / BANDS))));
    });
  }

  /** Which band each vessel stands in, as one number; 0 where no level matters. */
  bandsAt(volume: Float64Array): number {
    let key = 0;
    for (let v = this.bands.length - 1; v >= 0; v--) {
      const edges = this.bands[v];
      if (!edges.length) continue;
      let band = 0;
      while (band < edges.length && volume[v] > edges[band] + TOUCH) band++;
      key = key * BANDS + band;
    }
    return key;
  }

  /** Inside levels of the vessels that matter, in the middle of their bands. */
  private levelsOf(key: number | undefined): Record<string, number> | undefined {
    if (key === undefined) return undefined;
    let rest = key;
    let out: Record<string, number> | undefined;
    this.vessels.forEach((v, k) => {
      if (!this.bands[k].length) return;
      const [heel, full] = [levelOf(v.tank.shape, v.heel), levelOf(v.tank.shape, v.full)];
      (out ??= {})[v.tank.id] = heel + ((full - heel) * ((rest % BANDS) + 0.5)) / BANDS;
      rest = Math.floor(rest / BANDS);
    });
    return out;
  }

  /** Volume of its vessel at which a machine starves when warm water takes `lostM` of its head, m³; 0 when it never does above empty. */
  starvesAt(machine: number, lostM: number): number {
    const { volume, margin, npsh } = this.margins[machine];
    // Vapour bears on the absolute head; the least gauge pressure knows no vapour.
    const left = (i: number): number => Math.min(margin[i], npsh[i] - lostM);
    for (let i = 0; i < volume.length; i++) {
      if (left(i) >= 0) continue;
      if (i === 0) return volume[0];
      const [a, b] = [left(i - 1), left(i)];
      return volume[i] + ((volume[i - 1] - volume[i]) * -b) / (a - b);
    }
    return 0;
  }

  /** Solved state for open outlets and running machines, as bits, with the vessels in these bands of {@link bandsAt}; left out, all half full. */
  state(open: number, running: number, bands?: number): WaterState {
    const key = open + running * 65536 + (bands === undefined ? 0 : bands + 1) * 2 ** 32;
    const known = this.states.get(key);
    if (known) return known;
    this.solved++;
    const made = this.solve(open, running, this.levelsOf(bands));
    this.states.set(key, made);
    return made;
  }

  /** What the spigots give while these machines run; the same for all when none draws on a spigot itself. */
  spigot(running: number): SpigotTable {
    const key = this.direct.some((d, i) => d && running & (1 << i)) ? running : 0;
    const known = this.spigots.get(key);
    if (known) return known;
    this.solved++;
    const { cases, vessels } = this;
    const { rig, net } = cases;
    const into: Float64Array[] = [];
    const margin: Float64Array[] = [];
    for (const f of FACTORS) {
      const settings = { running: (m: number) => (running & (1 << m)) !== 0, spigotShare: f };
      const [wanted, solved] = [cases.at(settings), cases.given(settings)];
      into.push(Float64Array.from(vessels, (v) => tidy(Math.max(solved.filledInto(v.tank.id), 0))));
      margin.push(
        Float64Array.from(rig.machines, (m, i) =>
          this.direct[i] && running & (1 << i) ? tidy((net.cutOff.has(m.id) ? undefined : feedMargin(wanted, m)) ?? -1) : Infinity,
        ),
      );
    }
    const made = { into, margin };
    this.spigots.set(key, made);
    return made;
  }

  /** Place of a spigot factor in the tables: index and share of the way to the next. */
  static place(factor: number): { readonly at: number; readonly share: number } {
    const last = FACTORS.length - 1;
    if (factor <= FACTORS[0]) return { at: 0, share: 0 };
    if (factor >= FACTORS[last]) return { at: last - 1, share: 1 };
    let at = 0;
    while (FACTORS[at + 1] < factor) at++;
    return { at, share: (factor - FACTORS[at]) / (FACTORS[at + 1] - FACTORS[at]) };
  }

  private solve(open: number, running: number, levels: Record<string, number> | undefined): WaterState {
    const { cases, vessels } = this;
    const { rig, net, values } = cases;
    const solved: Solved = cases.given({
      open: rig.outlets.filter((_, i) => (open & (1 << i)) !== 0).map((o) => o.id),
      running: (m) => (running & (1 << m)) !== 0,
      ...(levels ? { levelOf: levels } : {}),
    });
    const draw = Float64Array.from(
      netOut(solved, (m) => (running & (1 << m)) !== 0),
      tidy,
    );
    for (let i = 0; i < draw.length; i++) if (Math.abs(draw[i]) < 1e-9) draw[i] = 0;
    const heat = new Float64Array(vessels.length);
    const loopHeat = new Float64Array(rig.machines.length);
    const through = new Float64Array(rig.machines.length);
    const { stores, drinkers, engineOf, burnerOf } = this.energy;
    const fuel = new Float64Array(stores.length + 1);
    const burn = { engine: 0, burner: 0 };
    const storeOf = (drinker: number): number => (drinker >= 0 && drinkers[drinker].store >= 0 ? drinkers[drinker].store : stores.length);
    rig.machines.forEach((m, i) => {
      if (!(running & (1 << i)) || net.cutOff.has(m.id)) return;
      const pump = solved.pressureOf('machineOut', m.id);
      const returned = solved.returned(m);
      const line = bypassLine(cases, m);
      const into = line?.to.at === 'tank' ? vessels.findIndex((v) => v.tank.id === line.to.id) : -1;
      if (into >= 0) heat[into] += tidy(pump * returned);
      else loopHeat[i] = tidy(pump * returned);
      through[i] = tidy(Math.max(solved.machineFlow(m) - returned, 0));
      // Let go, it idles down where it can; at working speed it turns its water round.
      const idles = m.engine?.idles === true && !(through[i] > 0);
      const shaft = Math.max(idles ? 0 : (pump * solved.machineFlow(m)) / values['pump-efficiency'], idleShare(idles, values) * m.enginePower);
      machineFuel(cases, this.energy, i, shaft, through[i], burn);
      fuel[storeOf(engineOf[i])] += tidy(burn.engine);
      fuel[storeOf(burnerOf[i])] += tidy(burn.burner);
    });
    const isOpen = (i: number): boolean => (open & (1 << i)) !== 0;
    const state: WaterState = {
      draw,
      heat,
      loopHeat,
      through,
      fuel,
      pressure: Float64Array.from(rig.outlets, (o, i) => (isOpen(i) ? tidy(solved.pressureOf('outlet', o.id)) : 0)),
      flow: Float64Array.from(rig.outlets, (o, i) => (isOpen(i) ? tidy(solved.nozzleFlow(o)) : 0)),
    };
    return state;
  }
}
