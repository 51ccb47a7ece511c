import type { RigDocument } from '../rig/schema.js';
import { electricPump, hypochlorite } from '../catalogue/chemical-pieces.js';
import { withProportioner } from './chemical-sides.js';
import { boxTank, emptyRig, gun, line, parts, spigot, washer } from './pieces.js';

/** A metric rig: 21 L/min washer behind a 200 L header tank at the end of a 100 m supply hose. */
export function metricHeader(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('Chalet trailer', 'Holiday park'),
    brief: {
      job: '60 min',
      triggerShare: '60 %',
      water: '16 °C',
      altitude: '120 m',
      washes: [{ surface: 'house', area: '180 m²', perDay: '2' }],
      daysPerWeek: '5',
      coldest: '-12 °C',
      tapSolids: '260 ppm',
    },
    spigots: [spigot('standpipe', 'Standpipe', '28 L/min', '4.5 bar', '0.8 m')],
    tanks: [boxTank('header', 'Header tank', ['80 cm', '50 cm', '52 cm'], { base: '5 cm', ventBore: '40 mm' })],
    machines: [washer('washer', 'Washer', '21 L/min', '200 bar', '9.5 kW', { inletHeight: '30 cm', npshRequired: '2.5 m' })],
    outlets: [gun('gun', 'Lance', '6.5', '160 bar', { height: '1.2 m', surface: 'concrete' })],
    batteries: [{ id: 'battery', name: 'Battery', capacity: '100 Ah', chemistry: 'agm' }],
    lines: [
      line(
        'fill',
        'fill',
        'spigot:standpipe',
        'tank:header@50 cm',
        parts(['hose-garden-34', { length: '100 m' }], 'inlet-valve-34', 'backflow-34', 'float-valve-34'),
      ),
      line(
        'feed',
        'feed',
        'tank:header@3 cm',
        'machine:washer',
        parts('bulkhead-1-14', 'ball-valve-full-1-14', 'strainer-1-14', 'barb-1-14', ['hose-helix-1-14', { length: '1.5 m' }], 'barb-1-14'),
      ),
      line(
        'hose',
        'pressure',
        'machine:washer',
        'outlet:gun',
        parts(
          ['hose-pressure-38', { length: '2 m', name: 'Whip line', use: 'whip' }],
          'swivel-38',
          ['hose-pressure-38', { length: '60 m', coiledLength: '15 m', coilDiameter: '40 cm' }],
          'gun-valve',
        ),
      ),
      line('return', 'bypass', 'machine:washer', 'tank:header@45 cm~70 cm', parts('barb-34', ['hose-helix-34', { length: '2 m', name: 'Return hose 3/4 in' }])),
      line('dump', 'dump', 'tank:header@1 cm', 'open@-30 cm', parts('bulkhead-1', 'ball-valve-full-1', ['hose-helix-1', { length: '1 m' }])),
    ],
  };
  return withGlass(
    withProportioner(rig, {
      pump: electricPump('soft-pump', { openFlow: '20 L/min', limit: '6.9 bar', height: '20 cm' }),
      water: 'tank:header@3 cm',
      sh: ['50 cm', '40 cm', '40 cm'],
      soap: ['25 cm', '25 cm', '35 cm'],
      base: '5 cm',
      valves: { water: '60 %', sh: '15.6 %', soap: '9.7 %' },
      hose: ['12', '60 m'],
      tip: '3.5 mm',
      liquid: hypochlorite('sh', { kept: '18 °C' }),
    }),
  );
}

/** A pure-water glass line: a small pump, a resin bed, a long thin hose and a brush on a pole. */
function withGlass(rig: RigDocument): RigDocument {
  return {
    ...rig,
    liquids: [...(rig.liquids ?? []), { id: 'pure', name: 'Pure water', kind: 'pure-water', price: '$0.10' }],
    softPumps: [...(rig.softPumps ?? []), electricPump('glass-pump', { name: 'Glass pump', openFlow: '5 L/min', limit: '6 bar', height: '20 cm' })],
    sprayers: [
      ...(rig.sprayers ?? []),
      { id: 'brush', name: 'Glass brush', kind: 'brush', height: '9 m', nozzleBore: '2.4 mm', resin: { volume: '25 L', capacity: '12000 gr/ft³' } },
    ],
    mixes: [
      ...(rig.mixes ?? []),
      { id: 'glass', name: 'Glass line', way: 'draw-stick', height: '20 cm', surface: 'vehicle', wanted: '0 %', stock: 'pure', flush: 'pump' },
    ],
    lines: [
      ...rig.lines,
      line('glass-draw', 'chemical', 'tank:header@3 cm', 'mix:glass', parts('bulkhead-12', ['hose-chemical-12', { length: '1 m' }])),
      line('glass-suction', 'chemical', 'mix:glass', 'soft-pump:glass-pump', parts('strainer-12', ['hose-chemical-12', { length: '0.5 m' }])),
      line(
        'glass-hose',
        'chemical',
        'soft-pump:glass-pump',
        'sprayer:brush',
        parts(['hose-chemical-14', { length: '100 m', name: 'Glass hose 1/4 in' }], 'ball-valve-full-12'),
      ),
    ],
  };
}
