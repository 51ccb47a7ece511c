import { spell } from '../locale/spell.js';
import type { RigDocument } from '../rig/schema.js';
import { boxTank, emptyRig, gardenFill, gun, line, parts, pressureRun, spigot, washer } from './pieces.js';

/** One buffer tank, one washer, one reel: the marina's pontoon crew, and where every new build starts. */
export function pontoonRig(): RigDocument {
  return {
    ...emptyRig('Pontoon skid', 'Marina pontoon crew'),
    brief: { job: '60 min', triggerShare: '70 %', water: '68 °F', altitude: '1150 ft' },
    spigots: [spigot('spigot', spell('‹Spigot›'), '5 gpm')],
    tanks: [boxTank('water', 'Water', ['52 in', '36 in', '32 in'])],
    machines: [washer('washer-a', 'Washer A', '8 gpm', '3500 psi', '24 hp', { npshRequired: '10 ft' })],
    outlets: [gun('gun-a', 'Gun', '9', '2900 psi')],
    reels: [
      { id: 'supply-reel', name: 'Supply reel', line: 'fill', flange: '20 in', core: '8 in', width: '20 in', place: 'kerb', row: '1', swivel: 'brass' },
      { id: 'hose-reel', name: 'Hose reel', line: 'hose-a', flange: '18 in', core: '10 in', width: '18 in', place: 'kerb', row: '2', swivel: 'stainless' },
    ],
    site: { distance: '110 ft', height: '6 ft', corners: '2', spare: '0 ft', traffic: 'right' },
    lines: [
      line('fill', 'fill', 'spigot:spigot', 'tank:water@34 in', gardenFill('58', '100 ft')),
      line(
        'feed-a',
        'feed',
        'tank:water@1 in',
        'machine:washer-a',
        parts('bulkhead-1', 'ball-valve-full-1', 'strainer-1', 'barb-1', ['hose-helix-1', { length: '6 ft' }], ['elbow-90-1', { count: '2' }], 'barb-1'),
      ),
      line('hose-a', 'pressure', 'machine:washer-a', 'outlet:gun-a', pressureRun('38', '150 ft')),
      line(
        'return-a',
        'bypass',
        'machine:washer-a',
        'tank:water@30 in~40 in',
        parts('barb-34', ['hose-helix-34', { length: '6 ft', name: 'Return hose 3/4 in' }]),
      ),
      line('dump', 'dump', 'tank:water@1 in', 'open@1 in', parts('bulkhead-1-12', 'ball-valve-full-1-12', ['pipe-1-12', { length: '2 ft' }])),
    ],
  };
}
