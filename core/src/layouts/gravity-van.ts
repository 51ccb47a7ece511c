import type { RigDocument } from '../rig/schema.js';
import { chemicalTank, drawHose, injectorFor, soap } from '../catalogue/chemical-pieces.js';
import { boxTank, emptyRig, gardenFill, gun, line, parts, spigot, washer } from './pieces.js';

/** A small electric washer in a van, fed by gravity from a tank over the wheel arch. */
export function gravityVan(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('Market van', 'Night-market crew'),
    brief: { job: '45 min', triggerShare: '40 %', water: '64 °F', altitude: '80 ft' },
    spigots: [spigot('hall-tap', 'Market hall tap', '3 gpm', '45 psi')],
    tanks: [boxTank('water', 'Water', ['30 in', '20 in', '20 in'], { base: '10 in', ventBore: '3/4 in' })],
    machines: [
      washer('electric', 'Electric washer', '1.2 gpm', '1800 psi', '2 hp', {
        inletHeight: '8 in',
        speed: '2800 rpm',
        npshRequired: '8 ft',
        drive: 'electric',
        unloader: { kind: 'regulating', setting: '1800 psi' },
      }),
    ],
    outlets: [gun('gun', 'Gun', '2', '1400 psi', { nozzle: { size: '2', angle: '40', count: '1' } })],
    // The market's socket; the battery keeps the lights of the van.
    batteries: [{ id: 'battery', name: 'Battery', capacity: '60 Ah', chemistry: 'agm' }],
    mains: { from: 'site', rcd: true, volts: '120 V', breaker: '20 A' },
    lines: [
      line('fill', 'fill', 'spigot:hall-tap', 'tank:water@20 in', gardenFill('12', '50 ft')),
      line(
        'feed',
        'feed',
        'tank:water@1 in',
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
      line('return', 'bypass', 'machine:electric', 'tank:water@2 in~20 in', parts(['hose-helix-12', { length: '4 ft', name: 'Return hose 1/2 in' }])),
      line('dump', 'dump', 'tank:water@0 in', 'open@-14 in', parts('bulkhead-34', 'ball-valve-full-34', ['hose-helix-34', { length: '6 ft' }])),
    ],
  };
  return withFoam(rig);
}

/** Foam drawn at the gun from a bucket: vehicle soap, no SH. */
function withFoam(rig: RigDocument): RigDocument {
  return {
    ...rig,
    brief: { ...rig.brief, washes: [{ surface: 'vehicle', area: '220 ft²', perDay: '6' }], daysPerWeek: '4' },
    liquids: [soap('foam', '$18')],
    tanks: [...rig.tanks, chemicalTank('bucket', 'Foam bucket', 'foam', ['10 in', '10 in', '14 in'], { base: '0 in' })],
    mixes: [
      {
        id: 'foam-mix',
        name: 'Foam at the gun',
        way: 'nozzle',
        height: '4 ft',
        surface: 'vehicle',
        stock: 'foam',
        wanted: '7 %',
        flush: 'pump',
        injector: { ...injectorFor('gun', '20'), drawRatio: '8 %' },
      },
    ],
    lines: [...rig.lines, drawHose('draw-foam', 'tank:bucket@0 in', 'foam-mix', '3 ft')],
  };
}
