import type { RigDocument } from '../rig/schema.js';
import { airPump } from '../catalogue/chemical-pieces.js';
import { withDownstream, withProportioner } from './chemical-sides.js';
import { boxTank, emptyRig, gardenFill, gun, line, parts, pressureRun, spigot, washer } from './pieces.js';

/** A 9 gpm washer behind a small buffer tank: quick on a good spigot, short of water on a poor one. */
export function smallBuffer(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('Depot service truck', 'Tram depot'),
    brief: {
      job: '40 min',
      triggerShare: '55 %',
      water: '60 °F',
      altitude: '400 ft',
      washes: [
        { surface: 'house', area: '2400 ft²', perDay: '1' },
        { surface: 'roof', area: '2000 ft²', perDay: '1' },
      ],
      daysPerWeek: '5',
      coldest: '14 °F',
    },
    spigots: [spigot('tap', 'Stop tap', '6 gpm', '60 psi')],
    tanks: [boxTank('buffer', 'Buffer', ['36 in', '24 in', '24 in'])],
    machines: [washer('washer-a', 'Washer A', '9 gpm', '3500 psi', '26 hp')],
    outlets: [gun('gun-a', 'Gun', '10', '3000 psi')],
    batteries: [{ id: 'battery', name: 'Battery', capacity: '100 Ah', chemistry: 'agm' }],
    compressors: [{ id: 'compressor', name: 'Compressor', freeAir: '22 cfm', power: '9 hp' }],
    lines: [
      line('fill', 'fill', 'spigot:tap', 'tank:buffer@24 in', gardenFill('34', '100 ft')),
      line(
        'feed-a',
        'feed',
        'tank:buffer@1 in',
        'machine:washer-a',
        parts('bulkhead-1-12', 'ball-valve-full-1-12', 'strainer-1-14', 'barb-1-14', ['hose-helix-1-14', { length: '4 ft' }], 'barb-1-14'),
      ),
      line('hose-a', 'pressure', 'machine:washer-a', 'outlet:gun-a', pressureRun('38', '150 ft')),
      line(
        'return-a',
        'bypass',
        'machine:washer-a',
        'tank:buffer@22 in~28 in',
        parts('barb-34', ['hose-helix-34', { length: '5 ft', name: 'Return hose 3/4 in' }]),
      ),
      line('dump', 'dump', 'tank:buffer@1 in', 'open@-10 in', parts('bulkhead-1-12', 'ball-valve-full-1-12', ['pipe-1-12', { length: '2 ft' }])),
    ],
  };
  return withProportioner(withDownstream(rig, { outlet: 'gun-a', remote: true, highFlow: true, soapNozzle: '60' }), {
    pump: airPump('air-pump'),
    water: 'tank:buffer@1 in',
    sh: ['30 in', '24 in', '24 in'],
    soap: ['12 in', '12 in', '16 in'],
    valves: { water: '50 %', sh: '60 %', soap: '9.3 %' },
    hose: ['34', '200 ft'],
    tip: '7 mm',
    surface: 'roof',
    flush: 'pump',
  });
}
