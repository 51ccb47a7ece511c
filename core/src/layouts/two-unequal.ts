import type { RigDocument } from '../rig/schema.js';
import { electricPump } from '../catalogue/chemical-pieces.js';
import { withBatch } from './chemical-sides.js';
import { boxTank, emptyRig, gun, line, parts, pressureRun, spigot, washer } from './pieces.js';

/** An 8 gpm and a 4 gpm washer from one header stepped down to a branch each. */
export function twoUnequal(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('Two-washer trailer', 'Dairy co-operative'),
    brief: {
      job: '2 h',
      triggerShare: '65 %',
      water: '58 °F',
      altitude: '900 ft',
      washes: [{ surface: 'growth', area: '1200 ft²', perDay: '1' }],
      daysPerWeek: '5',
      coldest: '14 °F',
    },
    spigots: [spigot('dairy-tap', 'Dairy tap', '9 gpm', '65 psi')],
    tanks: [boxTank('water', 'Water', ['80 in', '48 in', '40 in'], { base: '3 in', ventBore: '3 in' })],
    manifolds: [{ id: 'header', name: 'Header', height: '5 in' }],
    machines: [washer('large', 'Large washer', '8 gpm', '3500 psi', '24 hp'), washer('small', 'Small washer', '4 gpm', '4000 psi', '14 hp')],
    outlets: [gun('gun-large', 'Large gun', '9', '3000 psi'), gun('gun-small', 'Small gun', '4', '3600 psi')],
    batteries: [{ id: 'battery', name: 'Battery', capacity: '100 Ah', chemistry: 'agm' }],
    lines: [
      line(
        'fill',
        'fill',
        'spigot:dairy-tap',
        'tank:water@39 in',
        parts(['hose-garden-1', { length: '100 ft' }], 'inlet-valve-1', 'filter-1', 'backflow-1', 'float-valve-1'),
      ),
      line('main', 'feed', 'tank:water@2 in', 'manifold:header', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '3 ft' }], 'elbow-90-swept-2')),
      line(
        'feed-large',
        'feed',
        'manifold:header',
        'machine:large',
        parts('tee-branch-1-12', 'ball-valve-full-1-12', 'strainer-1-12', 'barb-1-14', ['hose-helix-1-14', { length: '6 ft' }], 'barb-1-14'),
      ),
      line(
        'feed-small',
        'feed',
        'manifold:header',
        'machine:small',
        parts('tee-run-1-12', 'ball-valve-full-1', 'strainer-1', 'barb-1', ['hose-helix-1', { length: '7 ft' }], 'barb-1'),
      ),
      line('hose-large', 'pressure', 'machine:large', 'outlet:gun-large', pressureRun('38', '150 ft', '30 ft')),
      line('hose-small', 'pressure', 'machine:small', 'outlet:gun-small', pressureRun('38', '200 ft', '50 ft')),
      line(
        'return-large',
        'bypass',
        'machine:large',
        'tank:water@37 in~60 in',
        parts('barb-34', ['hose-helix-34', { length: '8 ft', name: 'Return hose 3/4 in' }]),
      ),
      line(
        'return-small',
        'bypass',
        'machine:small',
        'tank:water@37 in~60 in',
        parts('barb-34', ['hose-helix-34', { length: '8 ft', name: 'Return hose 3/4 in' }]),
      ),
      line('dump', 'dump', 'tank:water@0 in', 'open@-10 in', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '2 ft' }])),
    ],
  };
  return withBatch(rig, {
    id: 'stick',
    way: 'draw-stick',
    pump: electricPump('soft-pump', { name: '12 V pump, spare on board', spare: true }),
    tank: ['24 in', '20 in', '22 in'],
    hose: ['58', '200 ft'],
    tip: '4 mm',
    surface: 'growth',
  });
}
