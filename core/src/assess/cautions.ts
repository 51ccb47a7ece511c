import { burnsFuel } from '../rig/energy-wiring.js';
import { driveOf, type Rig } from '../rig/schema.js';
import { transferWays } from '../solve/transfer.js';
import type { Caution } from '../subject/finding.js';

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
    if (rig.machines.some((m) => driveOf(m) !== 'electric'))
      out.push({ station: 'machines', text: 'Engine exhaust is carbon monoxide: never run in a closed body; keep exhaust and hot parts off plastic tanks.' });
    if (rig.machines.some((m) => driveOf(m) === 'electric'))
      out.push({
        station: 'machines',
        text: 'Mains and water: only through a residual-current device (RCD, GFCI) tested that day, plugs and couplings off the ground, no cable under the jet. A generator is earthed as its book says.',
      });
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
  out.push(...energyCautions(rig));
  if (rig.platform) out.push(...deckCautions(rig));
  if (rig.liquids.length) out.push(...chemicalCautions(rig));
  return out;
}

/** Warnings where fuel, batteries, mains and burners are set. */
function energyCautions(rig: Rig): Caution[] {
  const out: Caution[] = [];
  if (burnsFuel(rig).length)
    out.push({
      station: 'fuel',
      text: 'Petrol vapour creeps along the ground and catches fire far off: fill with everything off and cool, in the open, the can on the ground. How much may be carried, and in what, is for local rules to say.',
    });
  if (rig.burners.length)
    out.push({
      station: 'fuel',
      text: 'Hot water scalds and its hose burns skin; a burner wants its flow switch, its relief valve and a clear flue, and never runs dry. Its flue gas kills in a closed body.',
    });
  if (rig.gear.some((g) => g.kind === 'generator'))
    out.push({
      station: 'electrics',
      text: 'A generator stands in the open, away from doors and people: its exhaust is carbon monoxide. It is earthed and bonded as its book says.',
    });
  if (rig.batteries.length)
    out.push({
      station: 'electrics',
      text: 'A fuse at the battery for every cable, no larger than the cable carries; terminals covered; the battery off before any wire is touched. Lead-acid batteries give off hydrogen while they charge. Mains and vehicle wiring are for licensed hands.',
    });
  return out;
}

/** Warnings where the rig is placed and weighed. */
function deckCautions(rig: Rig): Caution[] {
  return [
    { station: 'plan', text: 'Lift heavy things with a hoist, tanks empty. Stand on the deck only when it is chocked and hitched, or on stands.' },
    {
      station: 'plan',
      text: 'Bolts go through the frame or through backing plates, never through boards alone. Tie-downs are looked at before every drive and replaced when the weather has been at them.',
    },
    {
      station: 'plan',
      text: 'Exhaust melts plastic and hose and burns skin; its gas kills in a closed body. One that points up wears a rain cap. Fuel is filled with everything off and cool, and petrol has rules of its own.',
    },
    {
      station: 'weight',
      text: 'Masses here are the catalogue’s: have the rig weighed, full, before it goes on the road. The plates on trailer, axles, tyres, coupling and vehicle decide, and local road rules.',
    },
    ...(rig.platform?.kind === 'trailer'
      ? [
          {
            station: 'weight' as const,
            text: 'Coupling locked, chains crossed, breakaway cable on, brakes and lights tried before each drive. A trailer that sways is let slow by itself, without the brake pedal.',
          },
        ]
      : []),
  ];
}

/** Warnings beside the place where chemicals are set. */
function chemicalCautions(rig: Rig): Caution[] {
  const out: Caution[] = [
    {
      station: 'liquids',
      text: 'Goggles, long gloves and a fitting respirator; clean rinse water and an eye wash on board. In the eyes: rinse for a quarter of an hour and see a doctor, with the data sheet in hand. The data sheet’s first-aid section comes before anything here.',
    },
    {
      station: 'liquids',
      text: 'Never mix products that are not meant for each other, not even as residues. Label every tank, drum and bucket with what is in it today.',
    },
    {
      station: 'liquids',
      text: 'Corrosives on the road may be regulated freight: amounts, labels, papers and ventilation are for local rules to say. Keep the load space aired.',
    },
    {
      station: 'mix',
      text: 'Wet plants before, during and after; cover what you cannot rinse; mind the wind. Keep run-off out of storm drains and ponds: local rules decide where it may go.',
    },
    { station: 'mix', text: 'Spray from the ground where the jet reaches. Wet roofs and ladders with a hose in hand are how people fall.' },
  ];
  if (transferWays(rig).length)
    out.push({
      station: 'liquids',
      text: 'Stand by while stock is pumped: nothing stops the pump when the tank is full. Gloves, apron and eye protection; the lid open, the other end tied in; rinse the hose into the tank before it is coiled.',
    });
  if (rig.softPumps.some((p) => p.kind === 'air'))
    out.push({
      station: 'machines',
      text: 'Air drives the pump at once when its valve opens: blow the line down before you open any coupling. A compressor’s tank wants its relief valve tested.',
    });
  if (rig.softPumps.some((p) => p.kind === 'electric'))
    out.push({ station: 'machines', text: 'Fuse each pump at the battery; keep the battery in a box that breathes, away from SH fumes.' });
  if (rig.tanks.some((t) => t.holds !== undefined))
    out.push({
      station: 'tanks',
      text: 'A chemical tank is filled by gravity or a closed coupling, never over the head. Know where its bund drains to before it is needed.',
    });
  return out;
}
