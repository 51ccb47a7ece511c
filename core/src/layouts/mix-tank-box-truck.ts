import { spell } from '../locale/spell.js';
import { enginePump } from '../catalogue/chemical-pieces.js';
import type { RigDocument } from '../rig/schema.js';
import { withBatch } from './chemical-sides.js';
import { boxTank, emptyRig, gardenFill, gun, line, parts, pressureRun, spigot, washer } from './pieces.js';

/** A box truck: a tote of water, a bunded mix tank filled by gravity at the supplier, and a cam-lock hose past the reel. */
export function mixTankBoxTruck(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('Depot box truck', 'Tram depot'),
    notes: 'The mix hose couples past the reel with cam locks: no swivel for SH to eat.',
    brief: {
      job: '2 h',
      triggerShare: '40 %',
      water: '60 °F',
      altitude: '400 ft',
      washes: [{ surface: 'roof', area: '4200 ft²', perDay: '1' }],
      daysPerWeek: '4',
    },
    spigots: [spigot('hydrant', 'Depot tap', '6 gpm', '60 psi')],
    tanks: [boxTank('tote', spell('‹Tote›'), ['46 in', '40 in', '35 in'], { base: '6 in' })],
    machines: [washer('washer-a', 'Washer', '5.5 gpm', '3000 psi', '14 hp')],
    outlets: [gun('gun-a', 'Gun', '6.5', '2700 psi', { surface: 'concrete' })],
    lines: [
      line('fill', 'fill', 'spigot:hydrant', 'tank:tote@35 in', gardenFill('34', '75 ft')),
      line(
        'feed-a',
        'feed',
        'tank:tote@2 in',
        'machine:washer-a',
        parts('bulkhead-1-14', 'ball-valve-full-1-14', 'strainer-1-14', 'barb-1-14', ['hose-helix-1-14', { length: '5 ft' }], 'barb-1-14'),
      ),
      line('hose-a', 'pressure', 'machine:washer-a', 'outlet:gun-a', pressureRun('38', '150 ft')),
      line(
        'return-a',
        'bypass',
        'machine:washer-a',
        'tank:tote@34 in~40 in',
        parts('barb-34', ['hose-helix-34', { length: '6 ft', name: 'Return hose 3/4 in' }]),
      ),
      line('dump', 'dump', 'tank:tote@1 in', 'open@-20 in', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '2 ft' }])),
    ],
    batteries: [{ id: 'battery', name: 'Battery', capacity: '100 Ah', chemistry: 'agm' }],
  };
  const mixed = withBatch(rig, {
    id: 'batch',
    pump: enginePump('soft-pump', { openFlow: '9 gpm', limit: '200 psi' }),
    tank: ['36 in', '30 in', '24 in'],
    base: '6 in',
    hose: ['58', '200 ft'],
    tip: '5 mm',
    surface: 'roof',
    changes: { bund: '125 gal' },
  });
  const hose = mixed.lines.find((l) => l.id === 'batch-hose')!;
  hose.parts = [...parts('cam-coupler-34'), ...hose.parts.map((p, i) => ({ ...p, id: `h${i + 1}` }))];
  return mixed;
}
