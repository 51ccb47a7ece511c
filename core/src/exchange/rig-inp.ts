import { assumptionValues } from '../assumption/register.js';
import { Cases, type CaseSettings } from '../assess/cases.js';
import type { Rig } from '../rig/schema.js';
import { writeInp } from './inp-write.js';

/** A rig's network in one operating case as an EPANET file. Half-full tanks, clean strainers and all guns open unless said. */
export function rigInp(rig: Rig, settings: CaseSettings = {}): string {
  const cases = new Cases(rig, assumptionValues(rig.assumptions));
  cases.set(settings);
  return writeInp(cases.net.network, rig.name);
}
