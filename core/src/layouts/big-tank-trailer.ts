import type { RigDocument } from '../rig/schema.js';
import { withDownstream } from './chemical-sides.js';
import { boxTank, emptyRig, gardenFill, gun, line, parts, pressureRun, spigot, washer } from './pieces.js';

/** One 8 gpm washer behind a big tank, the header plumbed for a second one to come. */
export function bigTankTrailer(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('Depot trailer', 'Tram depot'),
    brief: { job: '3 h', triggerShare: '60 %', water: '60 °F', altitude: '400 ft' },
    spigots: [spigot('yard-tap', 'Depot tap', '6 gpm', '60 psi')],
    tanks: [boxTank('water', 'Water', ['80 in', '44 in', '36 in'], { base: '3 in', ventBore: '3 in' })],
    manifolds: [
      { id: 'header', name: 'Header', height: '5 in' },
      { id: 'stub', name: 'Capped branch', height: '5 in' },
    ],
    machines: [washer('washer-a', 'Washer A', '8 gpm', '3500 psi', '24 hp')],
    outlets: [gun('gun-a', 'Gun', '9', '3000 psi')],
    lines: [
      line('fill', 'fill', 'spigot:yard-tap', 'tank:water@35 in', gardenFill('34', '150 ft')),
      line('main', 'feed', 'tank:water@2 in', 'manifold:header', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '2 ft' }])),
      line(
        'feed-a',
        'feed',
        'manifold:header',
        'machine:washer-a',
        parts(
          'tee-branch-1-14',
          'ball-valve-full-1-14',
          'strainer-1-14',
          'barb-1-14',
          ['hose-helix-1-14', { length: '5 ft' }],
          'elbow-90-swept-1-14',
          'barb-1-14',
        ),
      ),
      line('feed-b', 'feed', 'manifold:header', 'manifold:stub', parts('tee-run-1-14', 'ball-valve-full-1-14'), true),
      line('hose-a', 'pressure', 'machine:washer-a', 'outlet:gun-a', pressureRun('38', '200 ft', '60 ft')),
      line(
        'return-a',
        'bypass',
        'machine:washer-a',
        'tank:water@35 in~60 in',
        parts('barb-34', ['hose-helix-34', { length: '8 ft', name: 'Return hose 3/4 in' }]),
      ),
      line('dump', 'dump', 'tank:water@0 in', 'open@-8 in', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '2 ft' }])),
    ],
  };
  return withDownstream(rig, { outlet: 'gun-a', size: ['16 in', '16 in', '22 in'], highFlow: true, soapNozzle: '60' });
}
