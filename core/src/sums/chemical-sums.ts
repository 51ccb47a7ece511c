import { assumptionValues } from '../assumption/register.js';
import { airUse, compressorPower, pumpCurrent, receiverAir } from '../chemistry/diaphragm-pump.js';
import { antifreezeNeeded, glycolShare } from '../chemistry/antifreeze.js';
import { drawnStrength, topUp } from '../chemistry/dilution.js';
import { volumesFor } from '../chemistry/flush.js';
import { halfLife, handbookHalfLife, hypochloriteGravity, strengthAfter, tradeShare, weightShare } from '../chemistry/hypochlorite.js';
import { resinLife } from '../chemistry/pure-water.js';
import { airPressure } from '../fluid/air.js';
import { altitude, bore, flow, length } from './inputs.js';
import { type Sum, sumInput } from './sum.js';

const caustic = (): number => assumptionValues()['excess-caustic'];

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
    run: (x) => ({ weight: weightShare(x['percent']), trade: tradeShare(x['percent']), density: 998.2 * hypochloriteGravity(x['percent']) }),
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
    ],
    outputs: [
      { name: 'current', label: 'Current', dimension: 'current' },
      { name: 'charge', label: 'Used in a day', dimension: 'charge' },
      { name: 'battery', label: 'Battery to carry', dimension: 'charge' },
    ],
    run: (x) => {
      const current = pumpCurrent(x['flow'], x['pressure'], { volts: x['volts'], ohms: 0, efficiency: x['efficiency'], freeA: 3 });
      const charge = current * x['time'];
      return { current, charge, battery: charge / x['usable'] };
    },
  },
  {
    name: 'air-need',
    title: 'Air for an air-operated pump',
    equation: 'air-use',
    inputs: [flow, sumInput('air', 'Air pressure', 'pressure', '5 psi', '200 psi', '100 psi'), altitude],
    outputs: [
      { name: 'free', label: 'Free air', dimension: 'airFlow' },
      { name: 'sea', label: 'Compressor rated at sea level', dimension: 'airFlow' },
      { name: 'power', label: 'Compressor power', dimension: 'power' },
    ],
    run: (x) => {
      const p = airPressure(x['altitude']);
      const free = airUse(x['flow'], x['air'], p, 1.3);
      return { free, sea: (free * 101325) / p, power: compressorPower(free, x['air'], p, 0.65) };
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
      { name: 'share', label: 'Glycol wanted in the end', dimension: 'ratio' },
      { name: 'product', label: 'Product', dimension: 'volume' },
    ],
    run: (x) => ({ share: glycolShare(x['coldest']), product: antifreezeNeeded(x['wetted'], x['left'], x['product'], x['coldest']) }),
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
  },
];
