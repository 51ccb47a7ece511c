import type { Spigot } from '../rig/schema.js';

/** p = staticPressurePa − k·Q². */
export interface SpigotCurve {
  readonly staticPressurePa: number;
  /** Pa per (m³/s)². */
  readonly k: number;
}

/**
 * Least-squares k of p₀ − k·Q² = p through readings (flow, pressure left at that flow).
 * A bucket at the bare spigot leaves 0 Pa. Minimises Σ (p₀ − k Q² − p)², so k = Σ Q²(p₀−p) / Σ Q⁴.
 */
export function fitSpigot(staticPressurePa: number, readings: readonly { flowM3s: number; pressurePa: number }[]): SpigotCurve {
  let top = 0;
  let bottom = 0;
  for (const r of readings) {
    const q2 = r.flowM3s ** 2;
    top += q2 * Math.max(staticPressurePa - r.pressurePa, 0);
    bottom += q2 * q2;
  }
  return { staticPressurePa, k: bottom > 0 ? top / bottom : 0 };
}

/** What a spigot gives into an open bucket, m³/s; Infinity for a house that loses nothing. */
export const bucketFlow = ({ staticPressurePa, k }: SpigotCurve): number => (k > 0 ? Math.sqrt(staticPressurePa / k) : Infinity);

/**
 * Curve of a rig's spigot. A bucket filled at the hose's end still had to push through the hose, so the pressure
 * left at the spigot is what that hose loses at the flow.
 * @param hoseLossPa pressure lost in the fill hose at a flow (m³/s), Pa
 */
export function spigotCurve(spigot: Spigot, hoseLossPa: (flowM3s: number) => number): SpigotCurve {
  return fitSpigot(
    spigot.staticPressure,
    spigot.readings.map((r) => ({ flowM3s: r.flow, pressurePa: r.at === 'spigot' ? 0 : Math.min(hoseLossPa(r.flow), spigot.staticPressure) })),
  );
}
