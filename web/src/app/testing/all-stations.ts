import type { Type } from '@angular/core';
import { STATION_LIST } from '../stations/registry';

/** Names of every station, as the list has them. */
export const STATION_NAMES: readonly string[] = STATION_LIST.map((s) => s.name);

/** The station of a name, loaded as its route does. */
export function stationOf(name: string): Promise<Type<unknown>> {
  const found = STATION_LIST.find((s) => s.name === name);
  if (!found) throw new RangeError(`There is no station "${name}".`);
  return found.load();
}
