import type { Type } from '@angular/core';
import type { Station } from '@pozzo/core';
import { STATION_WORDS } from '../bench/station-words';

/** Groups in the order of the work. */
export const GROUPS = ['Ask', 'Water', 'Chemicals', 'Deck', 'Days', 'Build', 'Prove', 'Keep'] as const;

export interface StationEntry {
  readonly group: (typeof GROUPS)[number];
  readonly load: () => Promise<Type<unknown>>;
}

/**
 * Every station that has a screen, in the order of the work: routes, the list, titles and tests come from here. A station
 * of core that is missing is an error of the types.
 */
export const STATION_REGISTRY: Readonly<Record<Station, StationEntry>> = {
  brief: { group: 'Ask', load: () => import('./brief/brief.station').then((m) => m.BriefStation) },
  tanks: { group: 'Water', load: () => import('./tanks/tanks.station').then((m) => m.TanksStation) },
  fill: { group: 'Water', load: () => import('./fill/fill.station').then((m) => m.FillStation) },
  feed: { group: 'Water', load: () => import('./feed/feed.station').then((m) => m.FeedStation) },
  machines: { group: 'Water', load: () => import('./machines/machines.station').then((m) => m.MachinesStation) },
  bypass: { group: 'Water', load: () => import('./bypass/bypass.station').then((m) => m.BypassStation) },
  guns: { group: 'Water', load: () => import('./guns/guns.station').then((m) => m.GunsStation) },
  reels: { group: 'Water', load: () => import('./reels/reels.station').then((m) => m.ReelsStation) },
  dump: { group: 'Water', load: () => import('./dump/dump.station').then((m) => m.DumpStation) },
  mix: { group: 'Chemicals', load: () => import('./mix/mix.station').then((m) => m.MixStation) },
  liquids: { group: 'Chemicals', load: () => import('./liquids/liquids.station').then((m) => m.LiquidsStation) },
  plan: { group: 'Deck', load: () => import('./plan/plan.station').then((m) => m.PlanStation) },
  weight: { group: 'Deck', load: () => import('./weight/weight.station').then((m) => m.WeightStation) },
  fuel: { group: 'Deck', load: () => import('./fuel/fuel.station').then((m) => m.FuelStation) },
  electrics: { group: 'Deck', load: () => import('./electrics/electrics.station').then((m) => m.ElectricsStation) },
  day: { group: 'Days', load: () => import('./day/day.station').then((m) => m.DayStation) },
  options: { group: 'Days', load: () => import('./options/options.station').then((m) => m.OptionsStation) },
};

export interface ListedStation extends StationEntry {
  readonly id: Station;
  readonly name: string;
}

/** The registry as a list, in its order. */
export const STATION_LIST: readonly ListedStation[] = (Object.entries(STATION_REGISTRY) as [Station, StationEntry][]).map(([id, entry]) => ({
  id,
  name: STATION_WORDS[id].name,
  ...entry,
}));
