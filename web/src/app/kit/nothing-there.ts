import type { Assessment, Station } from '@pozzo/core';

/** Where a station has nothing to judge, and the sentence for it: nothing judged is never called well. */
export const NOTHING_THERE: Readonly<Record<Station, { readonly judged: (a: Assessment) => boolean; readonly words: string }>> = {
  brief: { judged: () => true, words: '' },
  tanks: { judged: (a) => a.tanks.length > 0, words: 'No tank yet: nothing here to judge.' },
  fill: { judged: (a) => a.fills.length > 0, words: 'No tank is filled from a spigot: nothing here to judge.' },
  feed: { judged: (a) => a.feeds.length > 0, words: 'No machine draws water yet: nothing here to judge.' },
  machines: { judged: (a) => a.machines.length + a.chemical.softPumps.length > 0, words: 'No machine works yet: nothing here to judge.' },
  bypass: { judged: (a) => a.bypasses.length > 0, words: 'No machine yet: nothing turns round in bypass.' },
  guns: { judged: (a) => a.outlets.length > 0, words: 'No gun is fed yet: nothing here to judge.' },
  reels: { judged: (a) => a.reels.length + a.runs.length > 0, words: 'No reel on this rig and no run planned: nothing here to judge.' },
  mix: { judged: (a) => a.chemical.mixes.length > 0, words: 'Nothing is mixed on this rig: nothing here to judge.' },
  liquids: { judged: (a) => a.chemical.liquids.length > 0, words: 'No liquid on board: nothing here to judge.' },
  dump: { judged: (a) => a.drains.length > 0, words: 'No tank yet: nothing to dump or to vent.' },
  day: { judged: () => true, words: '' },
  options: { judged: () => true, words: '' },
};
