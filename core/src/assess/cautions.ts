import type { Rig } from '../rig/schema.js';
import type { Caution } from './types.js';

/** Standing warnings for the work of a rig. Advice, never a permit: local codes, data sheets and licensed trades decide. */
export function cautionsOf(rig: Rig): Caution[] {
  const out: Caution[] = [];
  const fills = rig.lines.filter((l) => l.role === 'fill');
  const guarded = (l: (typeof fills)[number]): boolean => l.parts.some((p) => p.kind === 'valve' && p.is === 'backflow-preventer');
  if (fills.some((l) => !guarded(l)))
    out.push({
      station: 'fill',
      text: 'Keep tank water out of the customer’s drinking water: a backflow preventer, or an inlet that ends above the rim. Local plumbing codes decide which.',
    });
  if (rig.tanks.length)
    out.push({ station: 'tanks', text: 'A full tank is heavy and shifts. Do not lift a tank with water in it; tie it to the frame, not to the deck boards.' });
  if (rig.tanks.some((t) => t.lid === 'closed'))
    out.push({ station: 'dump', text: 'Open the lid before dumping. A thin tank is sucked in faster than you can walk round the truck.' });
  if (rig.machines.length) {
    out.push({
      station: 'bypass',
      text: 'Water and fittings in a bypass can scald. Stop the engine before touching a pump that has run with the trigger shut.',
    });
    out.push({ station: 'machines', text: 'Engine exhaust is carbon monoxide: never run in a closed body; keep exhaust and hot parts off plastic tanks.' });
  }
  if (rig.machines.length)
    out.push({
      station: 'guns',
      text: 'Hose, fittings and gun must be rated above the unloader’s setting; a relief valve backs the unloader up, a thermal valve the pump. Whip checks hold a coupling that lets go.',
    });
  if (rig.outlets.length)
    out.push({
      station: 'guns',
      text: 'A jet goes through skin and gloves. Never point a gun at anyone, never feel for leaks by hand; an injection wound needs a doctor at once, however small.',
    });
  return out;
}
