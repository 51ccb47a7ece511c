import { fuelSupply } from '../energy/index.js';
import { assumptionValues } from '../assumption/register.js';
import { standingOn } from '../deck/index.js';
import type { Rig } from '../rig/schema.js';
import type { Station } from '../subject/finding.js';
import { type Message, message } from '../working/figure.js';

/** Something of a rig that nobody said, so that nothing is said of it. */
export interface Unchecked {
  readonly id: string;
  readonly station: Station;
  readonly message: Message;
}

/** All of them, in the order of the work. */
export function uncheckedOf(rig: Rig): readonly Unchecked[] {
  const values = assumptionValues(rig.assumptions);
  const out: Unchecked[] = [];
  const tell = (id: string, station: Station, of: Message): void => void out.push({ id, station, message: of });
  const { platform } = rig;
  if (!platform) tell('platform', 'plan', message('weight, balance and ‹tie-downs› (no platform)'));
  else {
    const loose = standingOn(rig).filter((t) => !t.box).length;
    if (loose)
      tell(
        'places',
        'plan',
        message(loose === 1 ? 'fit and balance (one thing has no place)' : 'fit and balance ({n} things have no place)', { n: String(loose) }),
      );
    const { coupling, tow } = platform;
    if (platform.kind === 'trailer' && !tow) tell('tow', 'weight', message('the tow vehicle (none set)'));
    if (platform.kind === 'trailer' && coupling && coupling.gross === undefined)
      tell('coupler', 'weight', message('the ‹coupler› under the whole trailer (no rating set)'));
  }
  const dry = fuelSupply(rig, values).drinks.filter((d) => d.store < 0 && !d.engine.tankless);
  if (dry.length) tell('fuel', 'fuel', message('fuel of {names} (no tank set)', { names: dry.map((d) => d.engine.name).join(', ') }));
  if (rig.outlets.length && !rig.site) tell('reach', 'reels', message('hose reach (no site set)'));
  return out;
}

/** The same in one line, beside the verdict. Undefined where all was judged. */
export function notChecked(rig: Rig): Message | undefined {
  const out = uncheckedOf(rig);
  if (!out.length) return undefined;
  return message(`Not checked: ${out.map((_, i) => `{m${i}}`).join('; ')}.`, Object.fromEntries(out.map((u, i) => [`m${i}`, u.message])));
}
