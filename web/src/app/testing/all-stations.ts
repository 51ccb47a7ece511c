import type { Type } from '@angular/core';
import { BriefStation } from '../stations/brief/brief.station';
import { BypassStation } from '../stations/bypass/bypass.station';
import { DayStation } from '../stations/day/day.station';
import { DumpStation } from '../stations/dump/dump.station';
import { FeedStation } from '../stations/feed/feed.station';
import { FillStation } from '../stations/fill/fill.station';
import { GunsStation } from '../stations/guns/guns.station';
import { LiquidsStation } from '../stations/liquids/liquids.station';
import { MachinesStation } from '../stations/machines/machines.station';
import { MixStation } from '../stations/mix/mix.station';
import { OptionsStation } from '../stations/options/options.station';
import { ReelsStation } from '../stations/reels/reels.station';
import { TanksStation } from '../stations/tanks/tanks.station';

/** Every station by its name in the list. */
export const ALL_STATIONS: Record<string, Type<unknown>> = {
  Brief: BriefStation,
  Tanks: TanksStation,
  Fill: FillStation,
  Feed: FeedStation,
  Machines: MachinesStation,
  Bypass: BypassStation,
  Guns: GunsStation,
  'Reels and runs': ReelsStation,
  Mix: MixStation,
  Liquids: LiquidsStation,
  'Dump and vent': DumpStation,
  'Work day': DayStation,
  Options: OptionsStation,
};
