import type { RigDocument } from '../rig/schema.js';
import { boxTank, emptyRig, gun, line, parts, spigot, washer } from './pieces.js';

/** A metric rig: 21 L/min washer behind a 200 L header tank at the end of a 100 m supply hose. */
export function metricHeader(): RigDocument {
  return {
    ...emptyRig('Chalet trailer', 'Holiday park'),
    brief: { job: '60 min', triggerShare: '60 %', water: '16 °C', altitude: '120 m' },
    spigots: [spigot('standpipe', 'Standpipe', '28 L/min', '4.5 bar', '0.8 m')],
    tanks: [boxTank('header', 'Header tank', ['80 cm', '50 cm', '52 cm'], { base: '5 cm', ventBore: '40 mm' })],
    machines: [washer('washer', 'Washer', '21 L/min', '200 bar', '9.5 kW', { inletHeight: '30 cm', npshRequired: '2.5 m' })],
    outlets: [gun('gun', 'Lance', '6.5', '160 bar', { height: '1.2 m', surface: 'concrete' })],
    lines: [
      line(
        'fill',
        'fill',
        'spigot:standpipe',
        'tank:header@55 cm',
        parts(['hose-garden-34', { length: '100 m' }], 'inlet-valve-34', 'backflow-34', 'float-valve-34'),
      ),
      line(
        'feed',
        'feed',
        'tank:header@8 cm',
        'machine:washer',
        parts('bulkhead-1-14', 'ball-valve-full-1-14', 'strainer-1-14', 'barb-1-14', ['hose-helix-1-14', { length: '1.5 m' }], 'barb-1-14'),
      ),
      line(
        'hose',
        'pressure',
        'machine:washer',
        'outlet:gun',
        parts(
          ['hose-pressure-38', { length: '2 m', name: 'Whip line' }],
          'swivel-38',
          ['hose-pressure-38', { length: '60 m', coiledLength: '15 m', coilDiameter: '40 cm' }],
          'gun-valve',
        ),
      ),
      line('return', 'bypass', 'machine:washer', 'tank:header@50 cm~70 cm', parts('barb-34', ['hose-helix-34', { length: '2 m', name: 'Return hose 3/4 in' }])),
      line('dump', 'dump', 'tank:header@6 cm', 'open@-30 cm', parts('bulkhead-1', 'ball-valve-full-1', ['hose-helix-1', { length: '1 m' }])),
    ],
  };
}
