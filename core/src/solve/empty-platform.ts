import type { Platform } from '../rig/schema.js';
import { centreOf, type PointMass } from '../structure/statics.js';

/** Mass and centre of the platform with nothing on it. */
export function emptyPlatform(platform: Platform): PointMass {
  const y = platform.width / 2;
  const { empty } = platform;
  if (empty.by === 'centre') return { massKg: empty.mass, x: empty.at, y, z: empty.height };
  const supports = platform.axles.map((a, i) => ({ massKg: empty.axles[i], x: a.at, y, z: empty.height }));
  if (platform.coupling && empty.tongue) supports.push({ massKg: empty.tongue, x: -platform.coupling.ahead, y, z: empty.height });
  return centreOf(supports);
}
