import type { RigDocument } from '../rig/schema.js';
import { bigTankTrailer } from './big-tank-trailer.js';
import { boostedSkid } from './boosted-skid.js';
import { pontoonRig } from './first-rig.js';
import { crewOfFour } from './crew-of-four.js';
import { gravityVan } from './gravity-van.js';
import { mixTankBoxTruck } from './mix-tank-box-truck.js';
import { metricHeader } from './metric-header.js';
import { plainFirst } from './plain-first.js';
import { smallBuffer } from './small-buffer.js';
import { tiedTanksTruck } from './tied-tanks-truck.js';
import { twoBatchSingleAxle } from './two-batch-single-axle.js';
import { twoTotesOxygen } from './two-totes-oxygen.js';
import { twoGunSplit } from './two-gun-split.js';
import { twoUnequal } from './two-unequal.js';
import { winterSplit } from './winter-split.js';

/** A kind of rig to start from. */
export interface Layout {
  readonly id: string;
  /** As offered in the yard. */
  readonly title: string;
  /** Id of its build in the demo's yard. */
  readonly demoId: string;
  readonly make: () => RigDocument;
}

export const LAYOUTS: readonly Layout[] = [
  { id: 'buffer-skid', title: 'One buffer tank, one washer', demoId: 'marina-pontoon', make: pontoonRig },
  { id: 'big-tank', title: 'Big tank, one washer, plumbed for two', demoId: 'tram-depot', make: bigTankTrailer },
  { id: 'tied-tanks', title: 'Two tied tanks, two equal washers', demoId: 'holiday-park', make: tiedTanksTruck },
  { id: 'gravity-van', title: 'Electric washer by gravity in a van', demoId: 'night-market', make: gravityVan },
  { id: 'boosted-skid', title: 'Skid with a transfer pump and a raised washer', demoId: 'greenhouse', make: boostedSkid },
  { id: 'two-unequal', title: 'Two unequal washers from one header', demoId: 'dairy', make: twoUnequal },
  { id: 'two-gun-split', title: 'One washer split to two guns', demoId: 'stone-mason', make: twoGunSplit },
  { id: 'carried-water', title: 'First rig with carried water', demoId: 'hill-village', make: plainFirst },
  { id: 'small-buffer', title: 'Large washer behind a small buffer', demoId: 'depot-service', make: smallBuffer },
  { id: 'metric-header', title: 'Metric washer on a header tank', demoId: 'chalet', make: metricHeader },
  { id: 'winter-split', title: 'Two guns and an antifreeze tank', demoId: 'winter', make: winterSplit },
  { id: 'mix-tank-truck', title: 'Box truck with a bunded mix tank', demoId: 'depot-box', make: mixTankBoxTruck },
  { id: 'two-batch', title: 'Two batch tanks, washer on the spigot', demoId: 'park-trailer', make: twoBatchSingleAxle },
  { id: 'two-totes', title: 'Two totes, oxygen bleach mixed on site', demoId: 'stone-truck', make: twoTotesOxygen },
  { id: 'crew-of-four', title: 'Two washers, four guns, two spigots', demoId: 'crew', make: crewOfFour },
];
