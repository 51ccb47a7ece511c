import { m } from '../edit/length.js';
import { addReel, addSite } from '../edit/reel.js';
import type { RigDocument } from '../rig/schema.js';
import { bigTankTrailer } from './big-tank-trailer.js';
import { boostedSkid } from './boosted-skid.js';
import { onDeck } from './decks.js';
import { pontoonRig } from './first-rig.js';
import { withEnergy } from './energy.js';
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

/** Hose long enough to be wound up, m. */
const WOUND_M = 15;

/** A layout on its platform, with its reels and a site. */
const whole = (id: string, make: () => RigDocument) => (): RigDocument => onDeck(id, withEnergy(id, fitted(make)()));

/** A layout with what every rig has before it leaves the yard: a reel for each long hose, and a site that its hoses were cut for. */
const fitted = (make: () => RigDocument) => (): RigDocument => {
  const d = make();
  const hose = (l: RigDocument['lines'][number]): number => l.parts.reduce((s, p) => s + (p.kind === 'hose' && p.use !== 'whip' ? m(p.length) : 0), 0);
  const reeled = (l: RigDocument['lines'][number]): boolean =>
    (l.to.at === 'outlet' || l.to.at === 'sprayer' || (l.role === 'fill' && l.from.at === 'spigot')) &&
    !d.reels?.some((r) => r.line === l.id) &&
    hose(l) > WOUND_M;
  for (const l of d.lines.filter(reeled)) addReel(d, l.id);
  // The customer's far corner lies within the shortest run, with some hose to spare.
  const runs = d.lines.filter((l) => l.to.at === 'outlet').map(hose);
  const reach = Math.min(100, Math.floor((Math.min(...runs) * 3.28084 - 20) / 10) * 10);
  if (!d.site) addSite(d, `${Math.max(reach, 20)} ft`);
  return d;
};

export const LAYOUTS: readonly Layout[] = [
  {
    id: 'buffer-skid',
    title: 'One buffer tank, one washer',
    demoId: 'marina-pontoon',
    make: () => onDeck('buffer-skid', withEnergy('buffer-skid', pontoonRig())),
  },
  { id: 'big-tank', title: 'Big tank, one washer, plumbed for two', demoId: 'tram-depot', make: whole('big-tank', bigTankTrailer) },
  { id: 'tied-tanks', title: 'Two tied tanks, two equal washers', demoId: 'holiday-park', make: whole('tied-tanks', tiedTanksTruck) },
  { id: 'gravity-van', title: 'Electric washer by gravity in a van', demoId: 'night-market', make: whole('gravity-van', gravityVan) },
  { id: 'boosted-skid', title: 'Skid with a transfer pump and a raised washer', demoId: 'greenhouse', make: whole('boosted-skid', boostedSkid) },
  { id: 'two-unequal', title: 'Two unequal washers from one header', demoId: 'dairy', make: whole('two-unequal', twoUnequal) },
  { id: 'two-gun-split', title: 'One washer split to two guns', demoId: 'stone-mason', make: whole('two-gun-split', twoGunSplit) },
  { id: 'carried-water', title: 'First rig with carried water', demoId: 'hill-village', make: whole('carried-water', plainFirst) },
  { id: 'small-buffer', title: 'Large washer behind a small buffer', demoId: 'depot-service', make: whole('small-buffer', smallBuffer) },
  { id: 'metric-header', title: 'Metric washer on a header tank', demoId: 'chalet', make: whole('metric-header', metricHeader) },
  { id: 'winter-split', title: 'Two guns and an antifreeze tank', demoId: 'winter', make: whole('winter-split', winterSplit) },
  { id: 'mix-tank-truck', title: 'Box truck with a bunded mix tank', demoId: 'depot-box', make: whole('mix-tank-truck', mixTankBoxTruck) },
  { id: 'two-batch', title: 'Two batch tanks, washer on the ‹spigot›', demoId: 'park-trailer', make: whole('two-batch', twoBatchSingleAxle) },
  { id: 'two-totes', title: 'Two ‹totes›, oxygen bleach mixed on site', demoId: 'stone-truck', make: whole('two-totes', twoTotesOxygen) },
  { id: 'crew-of-four', title: 'Two washers, four guns, two ‹spigots›', demoId: 'crew', make: whole('crew-of-four', crewOfFour) },
];
