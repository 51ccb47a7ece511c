import type { RigDocument } from '../rig/schema.js';
import { withDownstream } from './chemical-sides.js';
import { boxTank, emptyRig, gardenFill, gun, line, parts, pressureRun, spigot, washer } from './pieces.js';

/** One 8 gpm washer split to two guns with half-size nozzles; with one gun open the other half returns to the tank. */
export function twoGunSplit(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('Split rig', 'Stone-conservation mason'),
    brief: { job: '90 min', triggerShare: '50 %', water: '60 °F', altitude: '700 ft' },
    spigots: [spigot('site-tap', 'Site tap', '5 gpm', '50 psi')],
    tanks: [boxTank('water', 'Water', ['72 in', '40 in', '32 in'], { base: '3 in' })],
    manifolds: [{ id: 'split', name: 'Ball valves', height: '20 in' }],
    machines: [washer('washer-a', 'Washer A', '8 gpm', '3500 psi', '24 hp', { unloader: { kind: 'regulating', setting: '3200 psi' } })],
    outlets: [gun('gun-a', 'Gun A', '5', '2200 psi'), gun('gun-b', 'Gun B', '5', '2200 psi')],
    lines: [
      line('fill', 'fill', 'spigot:site-tap', 'tank:water@31 in', gardenFill('58', '100 ft')),
      line(
        'feed-a',
        'feed',
        'tank:water@1 in',
        'machine:washer-a',
        parts(
          'bulkhead-1-12',
          'ball-valve-full-1-12',
          'strainer-1-14',
          'barb-1-14',
          ['hose-helix-1-14', { length: '5 ft' }],
          'elbow-90-swept-1-14',
          'barb-1-14',
        ),
      ),
      line('whip', 'pressure', 'machine:washer-a', 'manifold:split', parts(['hose-pressure-38', { length: '4 ft', name: 'Whip line', use: 'whip' }])),
      line('hose-a', 'pressure', 'manifold:split', 'outlet:gun-a', pressureRun('38', '150 ft', '30 ft')),
      line('hose-b', 'pressure', 'manifold:split', 'outlet:gun-b', pressureRun('38', '150 ft', '30 ft')),
      line('return-a', 'bypass', 'machine:washer-a', 'tank:water@29 in~50 in', parts('barb-1', ['hose-helix-1', { length: '7 ft', name: 'Return hose 1 in' }])),
      line('dump', 'dump', 'tank:water@0 in', 'open@-10 in', parts('bulkhead-1-12', 'ball-valve-full-1-12', ['pipe-1-12', { length: '2 ft' }])),
    ],
  };
  return withDownstream(rig, { outlet: 'gun-a', highFlow: true, soapNozzle: '60', wanted: '0.8 %' });
}
