import { fuelSupply } from '../energy/index.js';
import { assumptionValues } from '../assumption/register.js';
import { standingOn } from '../deck/index.js';
import type { Rig } from '../rig/schema.js';
import { type Message, message } from '../working/figure.js';

/** What of a rig nobody said, so that nothing is said of it: one line, beside the verdict. Undefined where all was judged. */
export function notChecked(rig: Rig): Message | undefined {
  const values = assumptionValues(rig.assumptions);
  const out: Message[] = [];
  const { platform } = rig;
  if (!platform) out.push(message('weight, balance and ‹tie-downs› (no platform)'));
  else {
    const loose = standingOn(rig).filter((t) => !t.box).length;
    if (loose) out.push(message(loose === 1 ? 'fit and balance (one thing has no place)' : 'fit and balance ({n} things have no place)', { n: String(loose) }));
    const { coupling, tow } = platform;
    if (platform.kind === 'trailer' && !tow) out.push(message('the tow vehicle (none set)'));
    if (platform.kind === 'trailer' && coupling && coupling.gross === undefined) out.push(message('the ‹coupler› under the whole trailer (no rating set)'));
  }
  const dry = fuelSupply(rig, values).drinks.filter((d) => d.store < 0 && !d.engine.tankless);
  if (dry.length) out.push(message('fuel of {names} (no tank set)', { names: dry.map((d) => d.engine.name).join(', ') }));
  if (rig.outlets.length && !rig.site) out.push(message('hose reach (no site set)'));
  if (!out.length) return undefined;
  return message(`Not checked: ${out.map((_, i) => `{m${i}}`).join('; ')}.`, Object.fromEntries(out.map((m, i) => [`m${i}`, m])));
}
