import type { LiquidDocument, SoftPumpDocument } from '../rig/schema.js';
import type { LineDocument, RigDocument, TankDocument } from '../rig/schema.js';
import { type EndText, line, parts } from './build-line.js';

type Sprayers = NonNullable<RigDocument['sprayers']>;

/** SH as bought: 12.5 trade percent, a week old, kept at 70 °F. */
export function hypochlorite(id = 'sh', changes: Partial<NonNullable<LiquidDocument['strength']>> = {}): LiquidDocument {
  return { id, name: 'SH', kind: 'hypochlorite', price: '$3.20', strength: { bought: '12.5 %', as: 'trade', age: '7 d', kept: '70 °F', ...changes } };
}

export const soap = (id = 'soap', price = '$26'): LiquidDocument => ({ id, name: 'Soap', kind: 'soap', price });

/** An upright chemical tank, vented outside and filled through a drop tube. */
export function chemicalTank(
  id: string,
  name: string,
  holds: string,
  size: [length: string, width: string, height: string],
  changes: Partial<TankDocument> = {},
): TankDocument {
  return {
    id,
    name,
    liquid: 'chemical',
    shape: { kind: 'box', length: size[0], width: size[1], height: size[2] },
    base: '2 in',
    fullLevel: size[2],
    startLevel: size[2],
    lid: 'closed',
    ventBore: '1 in',
    holds,
    ventTo: 'outside',
    dropTube: true,
    ...changes,
  };
}

export function electricPump(id: string, changes: Partial<SoftPumpDocument> = {}): SoftPumpDocument {
  return {
    id,
    name: '12 V pump',
    kind: 'electric',
    height: '8 in',
    openFlow: '7 gpm',
    limit: '100 psi',
    body: 'polypropylene',
    seals: 'fluororubber',
    ...changes,
  };
}

export function enginePump(id: string, changes: Partial<SoftPumpDocument> = {}): SoftPumpDocument {
  return {
    id,
    name: 'Engine soft wash pump',
    kind: 'engine',
    height: '14 in',
    openFlow: '12 gpm',
    limit: '250 psi',
    body: 'polypropylene',
    seals: 'fluororubber',
    ...changes,
  };
}

export function airPump(id: string, changes: Partial<SoftPumpDocument> = {}): SoftPumpDocument {
  return {
    id,
    name: 'Air pump 1/2 in',
    kind: 'air',
    height: '14 in',
    openFlow: '17 gpm',
    limit: '100 psi',
    body: 'polypropylene',
    seals: 'fluororubber',
    ...changes,
  };
}

export const jet = (id: string, name: string, nozzleBore: string, height = '4 ft'): Sprayers[number] => ({ id, name, kind: 'jet', height, nozzleBore });

/** Pump to gun: hose on a reel with a ball gun at its end. */
export const softDelivery = (id: string, pump: string, sprayer: string, bore: '12' | '58' | '34', length: string): LineDocument =>
  line(
    id,
    'chemical',
    `soft-pump:${pump}`,
    `sprayer:${sprayer}`,
    parts([`hose-chemical-${bore}`, { length, name: `Soft wash hose ${bore === '12' ? '1/2' : bore === '58' ? '5/8' : '3/4'} in` }], 'soft-gun-12'),
  );

/** A way from a tank into a blend through a metering valve and a check valve. */
export const meteredBranch = (id: string, from: EndText, mix: string, size: '14' | '12' | '34', setting: string): LineDocument =>
  line(
    id,
    'chemical',
    from,
    `mix:${mix}`,
    parts(
      size === '34' ? 'bulkhead-34' : 'bulkhead-12',
      [`hose-chemical-${size === '14' ? '38' : size}`, { length: '4 ft' }],
      [`metering-${size}`, { setting }],
      size === '34' ? 'check-valve-34' : 'check-valve-12',
    ),
  );

/** From where streams meet to the pump. */
export const mixSuction = (id: string, mix: string, pump: string, bore: '12' | '34' | '1' = '34'): LineDocument =>
  line(id, 'chemical', `mix:${mix}`, `soft-pump:${pump}`, parts(`strainer-${bore}`, [`hose-helix-${bore}`, { length: '3 ft' }]));

/** A plain way from a tank of finished mix. */
export const plainBranch = (id: string, from: EndText, mix: string, bore: '12' | '34' | '1' = '34'): LineDocument =>
  line(id, 'chemical', from, `mix:${mix}`, parts(`bulkhead-${bore}`, `ball-valve-full-${bore}`, [`hose-helix-${bore}`, { length: '3 ft' }]));

/** Draw hose of an injector. */
export const drawHose = (id: string, from: EndText, mix: string, length = '6 ft'): LineDocument =>
  line(id, 'chemical', from, `mix:${mix}`, parts('bulkhead-12', ['hose-chemical-14', { length, name: 'Draw hose 1/4 in' }], 'check-valve-12'));

/** A downstream injector of the usual kind, for a gun; one made for 6 gpm and more gives up later. Estimates. */
export const injectorFor = (outlet: string, soapNozzle = '40', remote = false, highFlow = false) => ({
  outlet,
  drawRatio: '10 %',
  vacuum: '8 psi',
  stopsAt: highFlow ? '1800 psi' : '900 psi',
  soapNozzle,
  remote,
});
