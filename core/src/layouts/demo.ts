import { blankWorkshop, type WorkshopDocument } from '../workshop/workshop.js';
import type { RigDocument } from '../rig/schema.js';
import { LAYOUTS } from './layouts.js';

/** The invented workshop that builds them. */
export const DEMO_WORKSHOP = (): WorkshopDocument => ({
  ...blankWorkshop(),
  name: 'Lanternfell Rigworks',
  address: ['Slipway 4', 'Lanternfell Basin', 'Open Monday to Friday, 7:30 to 16:00'],
  terms: 'An offer holds for 30 days.\nHalf on order, half when the rig is fetched.\nWater, chemicals and local permits are the customer’s.',
});

/** The invented workshop's yard: what the demo starts with. Fresh objects at every call. */
export function DEMO_RIGS(): { readonly id: string; readonly document: RigDocument }[] {
  return LAYOUTS.map((l) => ({ id: l.demoId, document: l.make() }));
}
