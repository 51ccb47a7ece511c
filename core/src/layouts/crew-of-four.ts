import type { RigDocument } from '../rig/schema.js';
import { electricPump, enginePump } from '../catalogue/chemical-pieces.js';
import { withBatch, withProportioner } from './chemical-sides.js';
import { boxTank, emptyRig, gun, line, parts, pressureRun, spigot, washer } from './pieces.js';

/** Two washers for a crew of four behind a tank of more than 500 gal, fed from two spigots. */
export function crewOfFour(): RigDocument {
  const feed = () => parts('tee-branch-1-12', 'ball-valve-full-1-12', 'strainer-1-12', 'barb-1-12', ['hose-helix-1-12', { length: '6 ft' }], 'barb-1-12');
  const fill = () => parts(['hose-garden-34', { length: '100 ft' }], 'inlet-valve-34', 'backflow-34', 'float-valve-34');
  const rig: RigDocument = {
    ...emptyRig('Crew truck', 'Marina pontoon crew'),
    brief: {
      job: '4 h',
      triggerShare: '60 %',
      water: '68 °F',
      altitude: '1150 ft',
      washes: [
        { surface: 'house', area: '2600 ft²', perDay: '2' },
        { surface: 'roof', area: '3500 ft²', perDay: '1' },
        { surface: 'growth', area: '1500 ft²', perDay: '1' },
      ],
      daysPerWeek: '5',
      coldest: '14 °F',
    },
    spigots: [spigot('quay', 'Quay tap', '7 gpm', '60 psi'), spigot('shed', 'Shed tap', '5 gpm', '50 psi')],
    tanks: [boxTank('water', 'Water', ['84 in', '48 in', '36 in'], { base: '4 in', ventBore: '4 in' })],
    manifolds: [
      { id: 'header', name: 'Header', height: '6 in' },
      { id: 'split-a', name: 'Ball valves A', height: '20 in' },
      { id: 'split-b', name: 'Ball valves B', height: '20 in' },
    ],
    machines: [
      washer('washer-a', 'Washer A', '8 gpm', '3500 psi', '24 hp', { unloader: { kind: 'regulating', setting: '3200 psi' } }),
      washer('washer-b', 'Washer B', '8 gpm', '3500 psi', '24 hp', { unloader: { kind: 'regulating', setting: '3200 psi' } }),
    ],
    outlets: ['A1', 'A2', 'B1', 'B2'].map((n) => gun(`gun-${n.toLowerCase()}`, `Gun ${n}`, '5', '2300 psi', { surface: 'concrete' })),
    lines: [
      line('fill-quay', 'fill', 'spigot:quay', 'tank:water@36 in', fill()),
      line('fill-shed', 'fill', 'spigot:shed', 'tank:water@36 in', fill()),
      line('main', 'feed', 'tank:water@2 in', 'manifold:header', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '3 ft' }])),
      line('feed-a', 'feed', 'manifold:header', 'machine:washer-a', feed()),
      line('feed-b', 'feed', 'manifold:header', 'machine:washer-b', feed()),
      ...(['a', 'b'] as const).flatMap((m) => [
        line(
          `whip-${m}`,
          'pressure',
          `machine:washer-${m}`,
          `manifold:split-${m}`,
          parts(['hose-pressure-12', { length: '4 ft', name: 'Whip line', use: 'whip' }]),
        ),
        line(`hose-${m}1`, 'pressure', `manifold:split-${m}`, `outlet:gun-${m}1`, pressureRun('38', '150 ft', '40 ft')),
        line(`hose-${m}2`, 'pressure', `manifold:split-${m}`, `outlet:gun-${m}2`, pressureRun('38', '150 ft', '40 ft')),
        line(
          `return-${m}`,
          'bypass',
          `machine:washer-${m}`,
          'tank:water@34 in~60 in',
          parts('barb-1', ['hose-helix-1', { length: '8 ft', name: 'Return hose 1 in' }]),
        ),
      ]),
      line('dump', 'dump', 'tank:water@0 in', 'open@-20 in', parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '2 ft' }])),
    ],
  };
  return crewSoftWash(rig);
}

/** Two engine-driven pumps on mix tanks and a 12 V proportioner for small work. */
function crewSoftWash(rig: RigDocument): RigDocument {
  const blended = withProportioner(
    {
      ...rig,
      batteries: [{ id: 'battery', name: 'Battery', capacity: '200 Ah', chemistry: 'lithium' }],
      chargers: [{ id: 'coil', name: 'Charging coil of washer A', kind: 'coil', battery: 'battery', current: '20 A', engine: 'washer-a' }],
    },
    {
      pump: electricPump('small-pump'),
      water: 'tank:water@4 in',
      sh: ['30 in', '30 in', '24 in'],
      soap: ['14 in', '14 in', '18 in'],
      base: '4 in',
      valves: { water: '60 %', sh: '17 %', soap: '12.5 %' },
      hose: ['12', '200 ft'],
      tip: '4 mm',
    },
  );
  const roofs = withBatch(blended, {
    id: 'roofs',
    name: 'Roofs',
    pump: enginePump('engine-a', { name: 'Engine pump A' }),
    tank: ['36 in', '30 in', '28 in'],
    base: '4 in',
    hose: ['34', '250 ft'],
    tip: '6 mm',
    surface: 'roof',
  });
  return withBatch(roofs, {
    id: 'growth',
    name: 'Growth',
    pump: enginePump('engine-b', { name: 'Engine pump B' }),
    tank: ['36 in', '30 in', '28 in'],
    base: '4 in',
    hose: ['34', '250 ft'],
    tip: '6 mm',
    surface: 'growth',
  });
}
