import type { RigDocument } from '../rig/schema.js';
import { enginePump } from '../catalogue/chemical-pieces.js';
import { withBatch } from './chemical-sides.js';
import { boxTank, emptyRig, gardenFill, gun, line, parts, pressureRun, spigot, washer } from './pieces.js';

/** A 10 gpm washer split to two guns, its inlet switchable to a small antifreeze tank. */
export function winterSplit(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('Winter rig', 'Dairy co-operative'),
    brief: {
      job: '2 h',
      triggerShare: '55 %',
      water: '45 °F',
      altitude: '900 ft',
      washes: [{ surface: 'growth', area: '1400 ft²', perDay: '2' }],
      daysPerWeek: '5',
      coldest: '-4 °F',
    },
    spigots: [spigot('dairy-tap', 'Yard tap', '8 gpm', '65 psi')],
    tanks: [
      boxTank('water', 'Water', ['72 in', '44 in', '36 in'], { base: '3 in' }),
      boxTank('antifreeze', 'Antifreeze', ['16 in', '12 in', '14 in'], { liquid: 'antifreeze', base: '12 in', ventBore: '3/4 in' }),
    ],
    manifolds: [{ id: 'split', name: 'Ball valves', height: '20 in' }],
    machines: [washer('washer-a', 'Washer A', '10 gpm', '3000 psi', '26 hp', { unloader: { kind: 'regulating', setting: '3000 psi' } })],
    outlets: [gun('gun-a', 'Gun A', '6', '2600 psi', { surface: 'concrete' }), gun('gun-b', 'Gun B', '6', '2600 psi', { surface: 'concrete' })],
    lines: [
      line('fill', 'fill', 'spigot:dairy-tap', 'tank:water@35 in', gardenFill('34', '75 ft')),
      line(
        'feed-a',
        'feed',
        'tank:water@2 in',
        'machine:washer-a',
        parts(
          'bulkhead-1-12',
          'ball-valve-full-1-12',
          'strainer-1-12',
          'barb-1-12',
          ['hose-helix-1-12', { length: '5 ft' }],
          'elbow-90-swept-1-12',
          'barb-1-12',
        ),
      ),
      line(
        'feed-winter',
        'feed',
        'tank:antifreeze@0 in',
        'machine:washer-a',
        parts('bulkhead-1', 'ball-valve-full-1', ['hose-helix-1', { length: '3 ft' }]),
        true,
      ),
      line('whip', 'pressure', 'machine:washer-a', 'manifold:split', parts(['hose-pressure-12', { length: '4 ft', name: 'Whip line', use: 'whip' }])),
      line('hose-a', 'pressure', 'manifold:split', 'outlet:gun-a', pressureRun('38', '150 ft', '30 ft')),
      line('hose-b', 'pressure', 'manifold:split', 'outlet:gun-b', pressureRun('38', '150 ft', '30 ft')),
      line('return-a', 'bypass', 'machine:washer-a', 'tank:water@33 in~50 in', parts('barb-1', ['hose-helix-1', { length: '7 ft', name: 'Return hose 1 in' }])),
      line('dump', 'dump', 'tank:water@0 in', 'open@-12 in', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '2 ft' }])),
    ],
  };
  return withBatch(rig, {
    id: 'batch',
    pump: enginePump('soft-pump', { openFlow: '8 gpm' }),
    tank: ['30 in', '30 in', '26 in'],
    hose: ['58', '200 ft'],
    tip: '4.5 mm',
    surface: 'growth',
  });
}
