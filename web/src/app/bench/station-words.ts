import type { Scale, Station } from '@pozzo/core';
import type { ToldAssessment } from '../workers/assessment-part';
import { spell } from '@pozzo/core/page';

/** What a station is called, and how it speaks where nothing is found. */
interface StationWords {
  readonly name: string;
  /** What being well is about there. */
  readonly about: Scale;
  /** Whether there is anything to judge: nothing judged is never called well. */
  readonly judged: (a: ToldAssessment) => boolean;
  /** Said where there is nothing. */
  readonly words: string;
}

export const STATION_WORDS: Readonly<Record<Station, StationWords>> = {
  brief: { name: 'Brief', about: 'practice', judged: () => true, words: '' },
  tanks: { name: 'Tanks', about: 'feeding', judged: (a) => a.tanks.length > 0, words: 'No tank yet.' },
  fill: { name: 'Fill', about: 'feeding', judged: (a) => a.fills.length > 0, words: spell('No tank is filled from ‹a spigot›.') },
  feed: { name: 'Feed', about: 'feeding', judged: (a) => a.feeds.length > 0, words: 'No machine draws water yet.' },
  machines: {
    name: 'Machines',
    about: 'rating',
    judged: (a) => a.machines.length + a.chemical.softPumps.length > 0,
    words: 'No machine works yet.',
  },
  bypass: { name: 'Bypass', about: 'rating', judged: (a) => a.bypasses.length > 0, words: 'No machine yet: nothing turns round in bypass.' },
  guns: { name: 'Guns', about: 'rating', judged: (a) => a.outlets.length > 0, words: 'No gun is fed yet.' },
  reels: {
    name: 'Reels and runs',
    about: 'practice',
    judged: (a) => a.reels.length + a.runs.length > 0,
    words: 'No reel on this rig and no run planned.',
  },
  mix: { name: 'Mix', about: 'strength', judged: (a) => a.chemical.mixes.length > 0, words: 'Nothing is mixed on this rig.' },
  liquids: { name: 'Liquids', about: 'practice', judged: (a) => a.chemical.liquids.length > 0, words: 'No liquid on board.' },
  dump: { name: 'Dump and vent', about: 'rating', judged: (a) => a.drains.length > 0, words: 'No tank yet: nothing to dump or to vent.' },
  plan: { name: 'Plan', about: 'fit', judged: (a) => (a.plan?.things.length ?? 0) > 0, words: 'Nothing is on a platform yet.' },
  weight: {
    name: 'Weight',
    about: 'rating',
    judged: (a) => a.weight?.judged === true,
    words: 'Weight not checked: some items aren’t placed.',
  },
  fuel: {
    name: 'Fuel and heat',
    about: 'feeding',
    judged: (a) => a.fuel.engines.some((e) => e.storeId !== undefined),
    words: 'No engine has a fuel tank set.',
  },
  electrics: {
    name: 'Electrical and air',
    about: 'rating',
    judged: (a) => a.circuits.length + a.air.pumps.length + a.mains.loads.length > 0,
    words: spell('Nothing runs on a battery, on air or on ‹AC power›.'),
  },
  day: { name: 'Work day', about: 'feeding', judged: () => true, words: '' },
  options: { name: 'Options', about: 'feeding', judged: () => true, words: '' },
};
