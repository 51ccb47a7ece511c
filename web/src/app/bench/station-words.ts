import type { Assessment, Scale, Station } from '@pozzo/core';

/** How a station speaks where nothing is found. */
interface StationWords {
  /** What being well is about there. */
  readonly about: Scale;
  /** Whether there is anything to judge: nothing judged is never called well. */
  readonly judged: (a: Assessment) => boolean;
  /** Said where there is nothing. */
  readonly words: string;
}

export const STATION_WORDS: Readonly<Record<Station, StationWords>> = {
  brief: { about: 'practice', judged: () => true, words: '' },
  tanks: { about: 'feeding', judged: (a) => a.tanks.length > 0, words: 'No tank yet: nothing here to judge.' },
  fill: { about: 'feeding', judged: (a) => a.fills.length > 0, words: 'No tank is filled from a spigot: nothing here to judge.' },
  feed: { about: 'feeding', judged: (a) => a.feeds.length > 0, words: 'No machine draws water yet: nothing here to judge.' },
  machines: { about: 'rating', judged: (a) => a.machines.length + a.chemical.softPumps.length > 0, words: 'No machine works yet: nothing here to judge.' },
  bypass: { about: 'rating', judged: (a) => a.bypasses.length > 0, words: 'No machine yet: nothing turns round in bypass.' },
  guns: { about: 'rating', judged: (a) => a.outlets.length > 0, words: 'No gun is fed yet: nothing here to judge.' },
  reels: { about: 'practice', judged: (a) => a.reels.length + a.runs.length > 0, words: 'No reel on this rig and no run planned: nothing here to judge.' },
  mix: { about: 'strength', judged: (a) => a.chemical.mixes.length > 0, words: 'Nothing is mixed on this rig: nothing here to judge.' },
  liquids: { about: 'practice', judged: (a) => a.chemical.liquids.length > 0, words: 'No liquid on board: nothing here to judge.' },
  dump: { about: 'rating', judged: (a) => a.drains.length > 0, words: 'No tank yet: nothing to dump or to vent.' },
  day: { about: 'feeding', judged: () => true, words: '' },
  options: { about: 'feeding', judged: () => true, words: '' },
};
