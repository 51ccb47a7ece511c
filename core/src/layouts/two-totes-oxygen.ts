import { spell } from '../locale/spell.js';
import { airPump } from '../catalogue/chemical-pieces.js';
import type { RigDocument } from '../rig/schema.js';
import { withProportioner } from './chemical-sides.js';
import { boxTank, emptyRig, gun, line, parts, pressureRun, washer } from './pieces.js';

/** A truck with two totes of carried water and oxygen bleach mixed on site in a third tank, blended by an air-operated pump. */
export function twoTotesOxygen(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('Stone truck', 'Stone-conservation mason'),
    notes: 'No SH near carved stone: percarbonate is mixed on site and used the same day.',
    brief: {
      job: '2 h',
      triggerShare: '25 %',
      water: '58 °F',
      altitude: '1500 ft',
      washes: [{ surface: 'stone', area: '2400 ft²', perDay: '1' }],
      daysPerWeek: '4',
    },
    tanks: [
      boxTank('tote-a', spell('‹Tote› A'), ['46 in', '40 in', '38 in'], { base: '6 in' }),
      boxTank('tote-b', spell('‹Tote› B'), ['46 in', '40 in', '38 in'], { base: '6 in' }),
    ],
    machines: [washer('washer-a', 'Washer', '4 gpm', '2500 psi', '9 hp')],
    outlets: [gun('gun-a', 'Fan gun', '8', '1000 psi', { nozzle: { size: '8', angle: '40', count: '1' }, surface: 'stone' })],
    lines: [
      line('tie', 'tie', 'tank:tote-a@2 in', 'tank:tote-b@2 in', parts('bulkhead-2', ['hose-helix-2', { length: '4 ft' }], 'bulkhead-2')),
      line(
        'feed-a',
        'feed',
        'tank:tote-a@2 in',
        'machine:washer-a',
        parts('bulkhead-1', 'ball-valve-full-1', 'strainer-1', 'barb-1', ['hose-helix-1', { length: '5 ft' }], 'barb-1'),
      ),
      line('hose-a', 'pressure', 'machine:washer-a', 'outlet:gun-a', pressureRun('38', '150 ft')),
      line('return-a', 'bypass', 'machine:washer-a', 'tank:tote-b@36 in', parts('barb-34', ['hose-helix-34', { length: '8 ft', name: 'Return hose 3/4 in' }])),
      line('dump', 'dump', 'tank:tote-a@1 in', 'open@-20 in', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '2 ft' }])),
    ],
    batteries: [{ id: 'battery', name: 'Battery', capacity: '100 Ah', chemistry: 'agm' }],
    compressors: [{ id: 'compressor', name: 'Compressor', freeAir: '26 cfm', power: '9 hp' }],
  };
  return withProportioner(rig, {
    pump: airPump('air-pump', { limit: '80 psi' }),
    water: 'tank:tote-b@2 in',
    sh: ['24 in', '24 in', '10 in'],
    soap: ['12 in', '12 in', '16 in'],
    base: '6 in',
    valves: { water: '26 %', sh: '99 %', soap: '8 %' },
    hose: ['58', '200 ft'],
    tip: '6 mm',
    surface: 'stone',
    wanted: '3 %',
    liquid: { id: 'oxygen', name: 'Oxygen bleach', kind: 'oxygen-bleach', price: '$0.90', dose: '60 g/L', useBy: '8 h' },
  });
}
