import type { RigDocument } from '../rig/schema.js';
import { electricPump } from '../catalogue/chemical-pieces.js';
import { withProportioner } from './chemical-sides.js';
import { boxTank, emptyRig, gardenFill, gun, line, parts, pressureRun, spigot, washer } from './pieces.js';

/** Two equal washers on two narrow tanks tied at the bottom. */
export function tiedTanksTruck(): RigDocument {
  const feed = (bore: '1-14') =>
    parts('tee-branch-1-14', `ball-valve-full-${bore}`, `strainer-${bore}`, `barb-${bore}`, [`hose-helix-${bore}`, { length: '5 ft' }], `barb-${bore}`);
  const rig: RigDocument = {
    ...emptyRig('Twin-tank truck', 'Holiday park'),
    brief: {
      job: '90 min',
      triggerShare: '60 %',
      water: '65 °F',
      altitude: '150 ft',
      washes: [{ surface: 'house', area: '2200 ft²', perDay: '3' }],
      daysPerWeek: '5',
      coldest: '14 °F',
    },
    spigots: [spigot('park-tap', 'Park tap', '6.5 gpm', '60 psi')],
    tanks: [
      boxTank('left', 'Left tank', ['76 in', '13 in', '50 in'], { base: '3 in' }),
      boxTank('right', 'Right tank', ['76 in', '13 in', '50 in'], { base: '3 in' }),
    ],
    manifolds: [{ id: 'header', name: 'Header', height: '5 in' }],
    machines: [washer('washer-a', 'Washer A', '5.5 gpm', '3500 psi', '16 hp'), washer('washer-b', 'Washer B', '5.5 gpm', '3500 psi', '16 hp')],
    outlets: [gun('gun-a', 'Gun A', '6', '3000 psi'), gun('gun-b', 'Gun B', '6', '3000 psi')],
    batteries: [{ id: 'battery', name: 'Battery', capacity: '100 Ah', chemistry: 'agm' }],
    lines: [
      line('fill', 'fill', 'spigot:park-tap', 'tank:left@49 in', gardenFill('34', '150 ft')),
      line('tie', 'tie', 'tank:left@2 in', 'tank:right@2 in', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '3 ft' }], 'bulkhead-2')),
      line('main', 'feed', 'tank:right@2 in', 'manifold:header', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '2 ft' }])),
      line('feed-a', 'feed', 'manifold:header', 'machine:washer-a', feed('1-14')),
      line('feed-b', 'feed', 'manifold:header', 'machine:washer-b', feed('1-14')),
      line('hose-a', 'pressure', 'machine:washer-a', 'outlet:gun-a', pressureRun('38', '200 ft', '50 ft')),
      line('hose-b', 'pressure', 'machine:washer-b', 'outlet:gun-b', pressureRun('38', '200 ft', '50 ft')),
      line('return-a', 'bypass', 'machine:washer-a', 'tank:left@47 in', parts('barb-34', ['hose-helix-34', { length: '8 ft', name: 'Return hose 3/4 in' }])),
      line('return-b', 'bypass', 'machine:washer-b', 'tank:left@47 in', parts('barb-34', ['hose-helix-34', { length: '8 ft', name: 'Return hose 3/4 in' }])),
      line('dump', 'dump', 'tank:right@0 in', 'open@-6 in', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '1 ft' }])),
    ],
  };
  return withProportioner(rig, {
    pump: electricPump('soft-pump', { spare: true }),
    water: 'tank:left@1 in',
    sh: ['30 in', '24 in', '24 in'],
    soap: ['12 in', '12 in', '16 in'],
    base: '16 in',
    valves: { water: '45 %', sh: '12.4 %', soap: '8.3 %' },
    hose: ['12', '200 ft'],
    tip: '4 mm',
  });
}
