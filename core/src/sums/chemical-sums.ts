import { WATER_KG_M3 } from '../fluid/water.js';
import { assumptionValues } from '../assumption/register.js';
import { airUse, compressorPower, pumpCurrent, receiverAir } from '../chemistry/diaphragm-pump.js';
import { batteryFor, RATED_S } from '../electrics/index.js';
import { antifreezeNeeded, glycolShare } from '../chemistry/antifreeze.js';
import { drawnStrength, topUp } from '../chemistry/dilution.js';
import { volumesFor } from '../chemistry/flush.js';
import { halfLife, handbookHalfLife, hypochloriteGravity, strengthAfter, tradeShare, weightShare } from '../chemistry/hypochlorite.js';
import { resinLife } from '../chemistry/pure-water.js';
import { airPressure } from '../fluid/air.js';
import { altitude, bore, flow, length } from './inputs.js';
import { found, line } from './line.js';
import { type Sum, sumInput } from './sum.js';

const caustic = (): number => assumptionValues()['excess-caustic'];

/** What an electric soft wash pump draws running free, A, and how well a piston compressor works; estimates. */
const FREE_A = 3;
const COMPRESSOR = 0.65;

const stock = sumInput('stock', 'Stock, trade', 'ratio', '0.01 %', '20 %', '12.5 %');
const wanted = sumInput('wanted', 'Wanted at the wall', 'ratio', '0.001 %', '20 %', '1 %');
const volume = sumInput('volume', 'Mix to make', 'volume', '1 mL', '100 m³');
const soap = sumInput('soap', 'Soap', 'ratio', '0 %', '50 %', '0 %');

/** Sums of mixing, stock and soft wash pumps. */
export const CHEMICAL_SUMS: readonly Sum[] = [
  {
    name: 'dilution',
    title: 'Stock for a strength',
    equation: 'dilution',
    inputs: [volume, stock, wanted],
    outputs: [
      { name: 'stockVolume', label: 'Stock', dimension: 'volume' },
      { name: 'water', label: 'Water', dimension: 'volume' },
      { name: 'parts', label: 'Parts of water to one of stock', dimension: 'number' },
    ],
    run: (x) => {
      const share = x['wanted'] / x['stock'];
      if (share > 1) return { stockVolume: NaN, water: NaN, parts: NaN };
      return { stockVolume: x['volume'] * share, water: x['volume'] * (1 - share), parts: 1 / share - 1 };
    },
    written: (x, o) => [
      line('V1', 'V · c / c1', { V: [x['volume'], 'volume'], c: [x['wanted'], 'ratio'], c1: [x['stock'], 'ratio'] }, [o['stockVolume'], 'volume']),
      line('V2', 'V − V1', { V: [x['volume'], 'volume'], V1: [o['stockVolume'], 'volume'] }, [o['water'], 'volume']),
      line('n', 'c1 / c − 1', { c: [x['wanted'], 'ratio'], c1: [x['stock'], 'ratio'] }, [o['parts'], 'number']),
    ],
  },
  {
    name: 'batch',
    title: 'Batch over what is left',
    equation: 'dilution',
    inputs: [
      volume,
      stock,
      wanted,
      sumInput('left', 'Left in the tank', 'volume', '0 gal', '100 m³', '0 gal'),
      sumInput('leftStrength', 'Strength of what is left', 'ratio', '0 %', '20 %', '0 %'),
      soap,
    ],
    outputs: [
      { name: 'stockVolume', label: 'Stock', dimension: 'volume' },
      { name: 'soapVolume', label: 'Soap', dimension: 'volume' },
      { name: 'water', label: 'Water', dimension: 'volume' },
    ],
    run: (x) => {
      const b = topUp(x['volume'], x['wanted'], x['stock'], x['left'], x['leftStrength'], x['soap']);
      return b ? { stockVolume: b.stockM3, soapVolume: b.soapM3, water: b.waterM3 } : { stockVolume: NaN, soapVolume: NaN, water: NaN };
    },
    written: (x, o) => [
      line(
        'V1',
        '(V · c − V0 · c0) / c1',
        { V: [x['volume'], 'volume'], c: [x['wanted'], 'ratio'], V0: [x['left'], 'volume'], c0: [x['leftStrength'], 'ratio'], c1: [x['stock'], 'ratio'] },
        [o['stockVolume'], 'volume'],
      ),
      line(
        'V2',
        's · (V − V0)',
        { s: [x['soap'], 'ratio'], V: [x['volume'], 'volume'], V0: [x['left'], 'volume'] },
        [o['soapVolume'], 'volume'],
        'what is left has its soap',
      ),
      line(
        'V3',
        'V − V0 − V1 − V2',
        { V: [x['volume'], 'volume'], V0: [x['left'], 'volume'], V1: [o['stockVolume'], 'volume'], V2: [o['soapVolume'], 'volume'] },
        [o['water'], 'volume'],
      ),
    ],
  },
  {
    name: 'downstream',
    title: 'Strength behind an injector',
    equation: 'draw-ratio',
    inputs: [
      stock,
      sumInput('water', 'Water in the time', 'volume', '1 mL', '10 m³', '4 gal'),
      sumInput('drawn', 'Drawn in the same time', 'volume', '1 mL', '10 m³', '0.4 gal'),
    ],
    outputs: [
      { name: 'ratio', label: 'Draw ratio', dimension: 'ratio' },
      { name: 'parts', label: 'Parts of water to one drawn', dimension: 'number' },
      { name: 'strength', label: 'At the wall', dimension: 'ratio' },
    ],
    run: (x) => {
      const ratio = x['drawn'] / x['water'];
      return { ratio, parts: 1 / ratio, strength: drawnStrength(x['stock'], ratio) };
    },
    written: (x, o) => [
      line('r', 'V1 / V2', { V1: [x['drawn'], 'volume'], V2: [x['water'], 'volume'] }, [o['ratio'], 'ratio']),
      line('n', '1 / r', { r: [o['ratio'], 'ratio'] }, [o['parts'], 'number']),
      line('c', 'c1 · r / (1 + r)', { c1: [x['stock'], 'ratio'], r: [o['ratio'], 'ratio'] }, [o['strength'], 'ratio']),
    ],
  },
  {
    name: 'proportioner',
    title: 'Streams for a strength',
    equation: 'blend',
    inputs: [flow, stock, wanted, soap],
    outputs: [
      { name: 'stockFlow', label: 'Stock', dimension: 'flow' },
      { name: 'soapFlow', label: 'Soap', dimension: 'flow' },
      { name: 'water', label: 'Water', dimension: 'flow' },
      { name: 'share', label: 'Stock in the blend', dimension: 'ratio' },
    ],
    run: (x) => {
      const share = x['wanted'] / x['stock'];
      const water = 1 - share - x['soap'];
      if (water < 0) return { stockFlow: NaN, soapFlow: NaN, water: NaN, share: NaN };
      return { stockFlow: x['flow'] * share, soapFlow: x['flow'] * x['soap'], water: x['flow'] * water, share };
    },
    written: (x, o) => [
      line('s', 'c / c1', { c: [x['wanted'], 'ratio'], c1: [x['stock'], 'ratio'] }, [o['share'], 'ratio']),
      line('Q1', 'Q · s', { Q: [x['flow'], 'flow'], s: [o['share'], 'ratio'] }, [o['stockFlow'], 'flow']),
      line('Q2', 'Q · s2', { Q: [x['flow'], 'flow'], s2: [x['soap'], 'ratio'] }, [o['soapFlow'], 'flow']),
      line('Q3', 'Q − Q1 − Q2', { Q: [x['flow'], 'flow'], Q1: [o['stockFlow'], 'flow'], Q2: [o['soapFlow'], 'flow'] }, [o['water'], 'flow']),
    ],
  },
  {
    name: 'sh-age',
    title: 'Strength of stored SH',
    equation: 'sh-decay',
    inputs: [stock, sumInput('age', 'Age', 'time', '0 d', '1095 d', '30 d'), sumInput('kept', 'Kept at', 'temperature', '32 °F', '140 °F', '77 °F')],
    outputs: [
      { name: 'today', label: 'Today, trade', dimension: 'ratio' },
      { name: 'lost', label: 'Lost', dimension: 'ratio' },
      { name: 'half', label: 'Half-life by the rate law', dimension: 'time' },
      { name: 'handbook', label: 'Half-life by the handbook', dimension: 'time' },
    ],
    run: (x) => {
      const today = strengthAfter(x['stock'], x['age'], x['kept'], caustic());
      return { today, lost: 1 - today / x['stock'], half: halfLife(x['stock'], x['kept'], caustic()), handbook: handbookHalfLife(x['stock'], x['kept']) };
    },
    written: (x, o) => [
      line(
        'c',
        'c0 / (1 + t / T)',
        { c0: [x['stock'], 'ratio'], t: [x['age'], 'time'], T: [o['half'], 'time'] },
        [o['today'], 'ratio'],
        'T the half-life of the rate law at that warmth and strength',
      ),
      line('s', '1 − c / c0', { c: [o['today'], 'ratio'], c0: [x['stock'], 'ratio'] }, [o['lost'], 'ratio']),
    ],
  },
  {
    name: 'trade-to-weight',
    title: 'Trade and weight percent',
    equation: 'trade-weight',
    inputs: [sumInput('percent', 'Percent on the label', 'ratio', '0.1 %', '20 %', '12.5 %')],
    outputs: [
      { name: 'weight', label: 'If it is trade: by weight', dimension: 'ratio' },
      { name: 'trade', label: 'If it is weight: trade', dimension: 'ratio' },
      { name: 'density', label: 'If it is trade: density', dimension: 'density' },
    ],
    run: (x) => ({ weight: weightShare(x['percent']), trade: tradeShare(x['percent']), density: WATER_KG_M3 * hypochloriteGravity(x['percent']) }),
    written: (x, o) => [
      line('SG', '1 + 1.32 · t', { t: [x['percent'], 'ratio'] }, [hypochloriteGravity(x['percent']), 'number']),
      line('w', 't / SG', { t: [x['percent'], 'ratio'], SG: [hypochloriteGravity(x['percent']), 'number'] }, [o['weight'], 'ratio']),
      line('ρ', 'ρ0 · SG', { ρ0: [WATER_KG_M3, 'density'], SG: [hypochloriteGravity(x['percent']), 'number'] }, [o['density'], 'density']),
      line('t', 'w / (1 − 1.32 · w)', { w: [x['percent'], 'ratio'] }, [o['trade'], 'ratio'], 'if the label is by weight'),
    ],
  },
  {
    name: 'flush',
    title: 'Flush of a hose',
    equation: 'flush',
    inputs: [bore, length, flow, sumInput('left', 'May be left at the tip', 'ratio', '0.001 %', '50 %', '0.1 %')],
    outputs: [
      { name: 'hose', label: 'The hose holds', dimension: 'volume' },
      { name: 'arrives', label: 'New liquid at the tip after', dimension: 'time' },
      { name: 'volume', label: 'Flush with', dimension: 'volume' },
      { name: 'time', label: 'Flush for', dimension: 'time' },
    ],
    run: (x) => {
      const hose = (Math.PI / 4) * x['bore'] ** 2 * x['length'];
      const volume = hose * volumesFor(x['left']);
      return { hose, arrives: hose / x['flow'], volume, time: volume / x['flow'] };
    },
    written: (x, o) => [
      line('V', 'π / 4 · d² · L', { d: [x['bore'], 'length'], L: [x['length'], 'length'] }, [o['hose'], 'volume']),
      line('t1', 'V / Q', { V: [o['hose'], 'volume'], Q: [x['flow'], 'flow'] }, [o['arrives'], 'time']),
      found('n', 'hose volumes until so little is left (ten cells behind one another)', [volumesFor(x['left']), 'number']),
      line('V2', 'n · V', { n: [volumesFor(x['left']), 'number'], V: [o['hose'], 'volume'] }, [o['volume'], 'volume']),
      line('t2', 'V2 / Q', { V2: [o['volume'], 'volume'], Q: [x['flow'], 'flow'] }, [o['time'], 'time']),
    ],
  },
  {
    name: 'battery-day',
    title: 'Battery for a day of pumping',
    equation: 'battery-day',
    inputs: [
      flow,
      sumInput('pressure', 'At the pump', 'pressure', '0 psi', '300 psi', '60 psi'),
      sumInput('time', 'Pumping in a day', 'time', '1 s', '24 h', '1 h'),
      sumInput('volts', 'Voltage', 'voltage', '6 V', '60 V', '12.5 V'),
      sumInput('efficiency', 'Efficiency', 'ratio', '10 %', '95 %', '45 %'),
      sumInput('usable', 'Usable share of the battery', 'ratio', '10 %', '100 %', '60 %'),
      sumInput('exponent', 'Peukert’s exponent', 'number', '1', '1.6', '1.2'),
    ],
    outputs: [
      { name: 'current', label: 'Current', dimension: 'current' },
      { name: 'charge', label: 'Used in a day', dimension: 'charge' },
      { name: 'battery', label: 'Battery to carry', dimension: 'charge' },
    ],
    run: (x) => {
      const current = pumpCurrent(x['flow'], x['pressure'], { volts: x['volts'], ohms: 0, efficiency: x['efficiency'], freeA: FREE_A });
      const battery = batteryFor(current, x['time'], x['usable'], x['exponent']);
      // What it takes out of that battery, drawn as hard as this.
      return { current, charge: battery * x['usable'], battery };
    },
    written: (x, o) => [
      line(
        'I',
        'I0 + p · Q / (η · U)',
        { I0: [FREE_A, 'current'], p: [x['pressure'], 'pressure'], Q: [x['flow'], 'flow'], η: [x['efficiency'], 'ratio'], U: [x['volts'], 'voltage'] },
        [o['current'], 'current'],
        'I0 running free',
      ),
      line(
        'C',
        x['time'] / x['usable'] >= RATED_S ? 'I · t / s' : 'I · (H^(k − 1) · t / s)^(1 / k)',
        { I: [o['current'], 'current'], H: [RATED_S, 'time'], t: [x['time'], 'time'], k: [x['exponent'], 'number'], s: [x['usable'], 'ratio'] },
        [o['battery'], 'charge'],
        'H 20 hours',
      ),
      line('q', 'C · s', { C: [o['battery'], 'charge'], s: [x['usable'], 'ratio'] }, [o['charge'], 'charge']),
    ],
  },
  {
    name: 'air-need',
    title: 'Air for an air-operated pump',
    equation: 'air-use',
    inputs: [flow, sumInput('air', 'Air pressure', 'pressure', '5 psi', '200 psi', '100 psi'), altitude],
    outputs: [
      { name: 'free', label: 'Free air: what the compressor has to sweep', dimension: 'airFlow' },
      { name: 'power', label: 'Compressor power', dimension: 'power' },
    ],
    run: (x) => {
      const p = airPressure(x['altitude']);
      const free = airUse(x['flow'], x['air'], p, 1.3);
      // A piston sweeps the same volume at any altitude: thinner air counts once, in what the pump takes.
      return { free, power: compressorPower(free, x['air'], p, COMPRESSOR) };
    },
    written: (x, o) => {
      const p = airPressure(x['altitude']);
      return [
        line('q', 'Q · (p + p1) / p1 · 1.3', { Q: [x['flow'], 'airFlow'], p: [x['air'], 'pressure'], p1: [p, 'pressure'] }, [o['free'], 'airFlow']),
        line(
          'P',
          '3.5 · p1 · q · (((p + p1) / p1)^(1 / 3.5) − 1) / η',
          { p: [x['air'], 'pressure'], p1: [p, 'pressure'], q: [o['free'], 'airFlow'], η: [COMPRESSOR, 'ratio'] },
          [o['power'], 'power'],
          'adiabatic',
        ),
      ];
    },
  },
  {
    name: 'receiver',
    title: 'How long a receiver carries a pump',
    equation: 'receiver',
    inputs: [
      sumInput('volume', 'Receiver', 'volume', '0.5 gal', '2000 gal', '60 gal'),
      sumInput('full', 'Compressor rests at', 'pressure', '20 psi', '300 psi', '125 psi'),
      sumInput('pump', 'Pump’s air pressure', 'pressure', '5 psi', '200 psi', '90 psi'),
      sumInput('use', 'Free air the pump breathes', 'airFlow', '0.1 cfm', '400 cfm'),
      sumInput('given', 'Free air the compressor gives', 'airFlow', '0 cfm', '400 cfm', '0 cfm'),
      altitude,
    ],
    outputs: [
      { name: 'air', label: 'Air it can give', dimension: 'volume' },
      { name: 'time', label: 'Carries the pump for', dimension: 'time' },
    ],
    run: (x) => {
      const air = receiverAir(x['volume'], x['full'], x['pump'], airPressure(x['altitude']));
      const missing = x['use'] - x['given'];
      return { air, time: missing > 0 ? air / missing : Infinity };
    },
    written: (x, o) => {
      const p = airPressure(x['altitude']);
      return [
        x['full'] > x['pump']
          ? line('v', 'V · (p2 − p1) / p0', { V: [x['volume'], 'volume'], p2: [x['full'], 'pressure'], p1: [x['pump'], 'pressure'], p0: [p, 'pressure'] }, [
              o['air'],
              'volume',
            ])
          : found('v', 'the compressor rests below the pump’s pressure', [o['air'], 'volume']),
        x['use'] > x['given']
          ? line('t', 'v / (q1 − q2)', { v: [o['air'], 'volume'], q1: [x['use'], 'airFlow'], q2: [x['given'], 'airFlow'] }, [o['time'], 'time'])
          : found('t', 'the compressor keeps up', [o['time'], 'time']),
      ];
    },
  },
  {
    name: 'resin-life',
    title: 'Water from a resin bed',
    equation: 'resin-life',
    inputs: [
      sumInput('resin', 'Resin', 'volume', '0.1 L', '1000 L', '25 L'),
      sumInput('capacity', 'Capacity', 'density', '1000 gr/ft³', '40000 gr/ft³', '12000 gr/ft³'),
      sumInput('solids', 'Dissolved solids of the tap', 'ratio', '1 ppm', '5000 ppm', '200 ppm'),
    ],
    outputs: [{ name: 'volume', label: 'Until spent', dimension: 'volume' }],
    run: (x) => ({ volume: resinLife(x['resin'], x['capacity'], x['solids']) }),
    written: (x, o) => [
      line(
        'V',
        'B · c / (h · ρ)',
        {
          B: [x['resin'], 'volume'],
          c: [x['capacity'], 'density'],
          h: [x['solids'], 'ratio'],
          ρ: { value: 1000, us: '8.345 lb/gal', metric: '1 kg/L' },
        },
        [o['volume'], 'volume'],
      ),
    ],
  },
  {
    name: 'antifreeze',
    title: 'Antifreeze for a wetted volume',
    equation: 'antifreeze',
    inputs: [
      sumInput('wetted', 'Wetted volume', 'volume', '1 mL', '10 m³'),
      sumInput('coldest', 'Coldest night', 'temperature', '-54 °F', '32 °F', '14 °F'),
      sumInput('product', 'Glycol in the product', 'ratio', '10 %', '100 %', '95 %'),
      sumInput('left', 'Water that does not drain', 'ratio', '0 %', '60 %', '20 %'),
    ],
    outputs: [
      { name: 'share', label: 'Target glycol share', dimension: 'ratio' },
      { name: 'product', label: 'Product', dimension: 'volume' },
    ],
    run: (x) => ({ share: glycolShare(x['coldest']), product: antifreezeNeeded(x['wetted'], x['left'], x['product'], x['coldest']) }),
    written: (x, o) => [
      found('s', 'share of glycol that freezes at the coldest night, between the rows of its table', [o['share'], 'ratio']),
      line('V', 'W · s / g', { W: [x['wetted'], 'volume'], s: [o['share'], 'ratio'], g: [x['product'], 'ratio'] }, [o['product'], 'volume']),
    ],
  },
  {
    name: 'coverage',
    title: 'Mix and stock for a surface',
    equation: 'coverage',
    inputs: [
      sumInput('area', 'Area', 'area', '0.01 m²', '1000000 m²'),
      sumInput('coverage', 'Area for the mix', 'coverage', '1 ft²/gal', '10000 ft²/gal', '120 ft²/gal'),
      sumInput('passes', 'Passes', 'number', '0.1', '20', '1'),
      stock,
      wanted,
    ],
    outputs: [
      { name: 'mix', label: 'Mix', dimension: 'volume' },
      { name: 'stockVolume', label: 'Stock', dimension: 'volume' },
    ],
    run: (x) => {
      const mix = (x['area'] * x['passes']) / x['coverage'];
      return { mix, stockVolume: x['wanted'] > x['stock'] ? NaN : (mix * x['wanted']) / x['stock'] };
    },
    written: (x, o) => [
      line('V', 'A · n / a', { A: [x['area'], 'area'], n: [x['passes'], 'number'], a: [x['coverage'], 'coverage'] }, [o['mix'], 'volume']),
      line('V1', 'V · c / c1', { V: [o['mix'], 'volume'], c: [x['wanted'], 'ratio'], c1: [x['stock'], 'ratio'] }, [o['stockVolume'], 'volume']),
    ],
  },
];
