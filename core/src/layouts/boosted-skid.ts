import type { RigDocument } from '../rig/schema.js';
import { airPump } from '../catalogue/chemical-pieces.js';
import { withBatch } from './chemical-sides.js';
import { boxTank, emptyRig, gardenFill, gun, line, parts, pressureRun, spigot, washer } from './pieces.js';

/** A drop-in skid: washer raised on a shelf beside the compressor, a transfer pump feeding it, two guns at the end. */
export function boostedSkid(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('Greenhouse skid', 'Greenhouse grower'),
    brief: {
      job: '2 h',
      triggerShare: '55 %',
      water: '72 °F',
      altitude: '300 ft',
      washes: [{ surface: 'glasshouse', area: '6000 ft²', perDay: '1' }],
      daysPerWeek: '5',
      coldest: '14 °F',
    },
    spigots: [spigot('glass-tap', 'Glasshouse tap', '6 gpm', '50 psi')],
    tanks: [boxTank('water', 'Water', ['60 in', '40 in', '26 in'], { base: '2 in' })],
    manifolds: [{ id: 'split', name: 'Two outlets', height: '40 in' }],
    boosters: [{ id: 'transfer', name: 'Transfer pump', height: '4 in', running: true, shutoffPressure: '35 psi', openFlow: '14 gpm' }],
    machines: [washer('washer-a', 'Shelf washer', '5.5 gpm', '3000 psi', '14 hp', { inletHeight: '42 in' })],
    outlets: [gun('gun-a', 'Left gun', '3.5', '2200 psi', { height: '5 ft' }), gun('gun-b', 'Right gun', '3.5', '2200 psi', { height: '5 ft' })],
    batteries: [{ id: 'battery', name: 'Battery', capacity: '100 Ah', chemistry: 'agm' }],
    compressors: [{ id: 'compressor', name: 'Compressor', freeAir: '18 cfm', power: '6.5 hp' }],
    lines: [
      line('fill', 'fill', 'spigot:glass-tap', 'tank:water@28 in', gardenFill('58', '100 ft')),
      line(
        'suck',
        'boost',
        'tank:water@2 in',
        'booster:transfer',
        parts('bulkhead-1', 'ball-valve-full-1', 'strainer-1', ['hose-helix-1', { length: '2 ft' }]),
      ),
      line(
        'feed-a',
        'feed',
        'booster:transfer',
        'machine:washer-a',
        parts('barb-34', ['hose-helix-34', { length: '9 ft' }], ['elbow-90-34', { count: '2' }], 'barb-34'),
      ),
      line('whip', 'pressure', 'machine:washer-a', 'manifold:split', parts(['hose-pressure-38', { length: '6 ft', name: 'Whip line', use: 'whip' }])),
      line('hose-a', 'pressure', 'manifold:split', 'outlet:gun-a', pressureRun('38', '100 ft', '30 ft')),
      line('hose-b', 'pressure', 'manifold:split', 'outlet:gun-b', pressureRun('38', '100 ft', '30 ft')),
      line(
        'return-a',
        'bypass',
        'machine:washer-a',
        'tank:water@24 in~48 in',
        parts('barb-34', ['hose-helix-34', { length: '9 ft', name: 'Return hose 3/4 in' }]),
      ),
      line('dump', 'dump', 'tank:water@1 in', 'open@-30 in', parts('bulkhead-1-12', 'ball-valve-full-1-12', ['pipe-1-12', { length: '3 ft' }])),
    ],
  };
  return withBatch(rig, {
    id: 'batch',
    pump: airPump('air-pump', { height: '42 in', limit: '90 psi' }),
    tank: ['24 in', '24 in', '24 in'],
    hose: ['34', '200 ft'],
    tip: '6 mm',
    surface: 'glasshouse',
  });
}
