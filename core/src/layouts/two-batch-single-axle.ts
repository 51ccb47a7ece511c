import { spell } from '../locale/spell.js';
import { electricPump } from '../catalogue/chemical-pieces.js';
import type { RigDocument } from '../rig/schema.js';
import { withBatch } from './chemical-sides.js';
import { emptyRig, gun, line, parts, pressureRun, spigot, washer } from './pieces.js';

/** A budget trailer on a single axle: two batch tanks and no water tank, the washer straight from the spigot. */
export function twoBatchSingleAxle(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('Park trailer', 'Holiday park'),
    notes: spell('Two strengths ride along ready mixed; the washer drinks from the ‹spigot›.'),
    brief: {
      job: '60 min',
      triggerShare: '50 %',
      water: '62 °F',
      altitude: '250 ft',
      washes: [
        { surface: 'house', area: '2600 ft²', perDay: '2' },
        { surface: 'roof', area: '1500 ft²', perDay: '1' },
      ],
      daysPerWeek: '5',
    },
    spigots: [spigot('park-tap', 'Park tap', '7 gpm', '62 psi')],
    machines: [washer('washer-a', 'Washer', '3.5 gpm', '3000 psi', '9 hp')],
    outlets: [gun('gun-a', 'Gun', '4', '2500 psi', { surface: 'concrete' })],
    batteries: [{ id: 'battery', name: 'Battery', capacity: '100 Ah', chemistry: 'agm' }],
    chargers: [{ id: 'shore', name: 'Shore charger', kind: 'shore', battery: 'battery', current: '15 A' }],
    lines: [
      line(
        'feed-a',
        'feed',
        'spigot:park-tap',
        'machine:washer-a',
        parts(['hose-garden-34', { length: '50 ft' }], 'backflow-34', 'inlet-valve-34', 'strainer-34'),
      ),
      line('hose-a', 'pressure', 'machine:washer-a', 'outlet:gun-a', pressureRun('38', '100 ft', '30 ft')),
    ],
  };
  const weak = withBatch(rig, {
    id: 'walls',
    name: 'Walls',
    pump: electricPump('pump-walls', { name: '12 V pump, walls' }),
    tank: ['30 in', '24 in', '22 in'],
    hose: ['12', '150 ft'],
    tip: '4 mm',
    surface: 'house',
  });
  return withBatch(weak, {
    id: 'roofs',
    name: 'Roofs',
    pump: electricPump('pump-roofs', { name: '12 V pump, roofs' }),
    tank: ['24 in', '24 in', '20 in'],
    hose: ['12', '150 ft'],
    tip: '4 mm',
    surface: 'roof',
  });
}
