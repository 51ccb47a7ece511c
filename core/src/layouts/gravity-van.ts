import type { RigDocument } from '../rig/schema.js';
import { boxTank, emptyRig, gardenFill, gun, line, parts, spigot, washer } from './pieces.js';

/** A small electric washer in a van, fed by gravity from a tank over the wheel arch. */
export function gravityVan(): RigDocument {
  return {
    ...emptyRig('Market van', 'Night-market crew'),
    brief: { job: '45 min', triggerShare: '40 %', water: '64 °F', altitude: '80 ft' },
    spigots: [spigot('hall-tap', 'Market hall tap', '3 gpm', '45 psi')],
    tanks: [boxTank('water', 'Water', ['30 in', '20 in', '20 in'], { base: '10 in', ventBore: '3/4 in' })],
    machines: [
      washer('electric', 'Electric washer', '1.2 gpm', '1800 psi', '2 hp', {
        inletHeight: '8 in',
        speed: '2800 rpm',
        npshRequired: '8 ft',
        unloader: { kind: 'regulating', setting: '1800 psi' },
      }),
    ],
    outlets: [gun('gun', 'Gun', '2', '1400 psi', { nozzle: { size: '2', angle: '40', count: '1' } })],
    lines: [
      line('fill', 'fill', 'spigot:hall-tap', 'tank:water@30 in', gardenFill('12', '50 ft')),
      line(
        'feed',
        'feed',
        'tank:water@11 in',
        'machine:electric',
        parts('bulkhead-34', 'ball-valve-full-34', 'strainer-34', 'barb-34', ['hose-helix-34', { length: '4 ft' }], 'barb-34'),
      ),
      line(
        'hose',
        'pressure',
        'machine:electric',
        'outlet:gun',
        parts(['hose-pressure-14', { length: '50 ft', coiledLength: '10 ft', coilDiameter: '12 in' }], 'gun-valve'),
      ),
      line('return', 'bypass', 'machine:electric', 'tank:water@12 in~20 in', parts(['hose-helix-12', { length: '4 ft', name: 'Return hose 1/2 in' }])),
      line('dump', 'dump', 'tank:water@10 in', 'open@-14 in', parts('bulkhead-34', 'ball-valve-full-34', ['hose-helix-34', { length: '6 ft' }])),
    ],
  };
}
