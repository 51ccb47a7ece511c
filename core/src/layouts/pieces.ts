import { RIG_FORMAT, RIG_VERSION, type RigDocument } from '../rig/schema.js';

export { type EndText, line, parts } from '../catalogue/build-line.js';
export { boxTank, gardenFill, gun, pressureRun, spigot, uprightTank, washer } from '../catalogue/usual-things.js';

/** A rig with nothing on it but a brief. */
export function emptyRig(name: string, customer = ''): RigDocument {
  return {
    format: RIG_FORMAT,
    version: RIG_VERSION,
    name,
    customer,
    notes: '',
    brief: { job: '60 min', triggerShare: '70 %', water: '68 °F', altitude: '600 ft' },
    spigots: [],
    tanks: [],
    manifolds: [],
    boosters: [],
    machines: [],
    outlets: [],
    lines: [],
    assumptions: {},
  };
}
