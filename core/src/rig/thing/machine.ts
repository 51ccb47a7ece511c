import * as v from 'valibot';
import { height, id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { engine } from './engine.js';
import { STARTED, type ThingKind } from './kind.js';

/** What turns a pump: an engine of its own, a motor on the mains, or the vehicle. Left out, a petrol engine. */
export const DRIVES = ['petrol', 'diesel', 'electric', 'vehicle'] as const;
export type Drive = (typeof DRIVES)[number];
/** Whether it burns fuel of its own. */
export const isEngine = (drive: Drive | undefined): boolean => drive === undefined || drive === 'petrol' || drive === 'diesel';

/** How the vehicle turns a pump: a shaft off its gearbox, or oil. */
export const TAKE_OFFS = ['shaft', 'hydraulic'] as const;

/**
 * What lets go when the triggers shut: by pressure, with the hose left under it (`trapped-pressure`); by pressure, all the
 * time (`regulating`); or by flow, as soon as too little of it goes out (`flow-actuated`), which leaves the hose slack.
 */
export const UNLOADER_KINDS = ['trapped-pressure', 'regulating', 'flow-actuated'] as const;

/** A washer: plunger pump, unloader and what turns them. */
export const machine = v.strictObject({
  id,
  name,
  arrangement: v.picklist(['duplex-single', 'duplex-double', 'triplex', 'quintuplex']),
  flow: quantity('flow', '0.1 gpm', '100 gpm'),
  ratedPressure: quantity('pressure', '50 psi', '10000 psi'),
  unloader: v.strictObject({
    kind: v.picklist(UNLOADER_KINDS),
    setting: quantity('pressure', '50 psi', '10000 psi'),
    /** How far pressure shoots over the setting before it opens, and falls below it before it shuts, of the setting; left out, assumptions stand in. */
    overrun: v.optional(quantity('ratio', '0 %', '50 %')),
    reseat: v.optional(quantity('ratio', '0 %', '50 %')),
  }),
  /** Crank speed of the pump. */
  speed: quantity('rotation', '50 rpm', '6000 rpm'),
  enginePower: quantity('power', '0.1 hp', '200 hp'),
  inletHeight: height,
  /** From the data sheet; left out, the assumption stands in. */
  npshRequired: v.optional(quantity('length', '0 ft', '60 ft')),
  /** Least and most gauge pressure at the inlet, from the data sheet; left out, the assumptions stand in. */
  inletLeast: v.optional(quantity('pressure', '-14 psi', '100 psi')),
  inletMost: v.optional(quantity('pressure', '0 psi', '500 psi')),
  drive: v.optional(v.picklist(DRIVES)),
  engine: v.optional(engine),
  /** Of a pump that the vehicle drives: how, and what is there with its engine at idle; `enginePower` is at working speed. */
  takeOff: v.optional(v.strictObject({ by: v.picklist(TAKE_OFFS), idlePower: quantity('power', '0 hp', '200 hp') })),
});

export const MACHINE = {
  list: 'machines',
  word: 'machine',
  starts: ['pressure', 'bypass'],
  ends: ['fill', 'feed', 'boost', 'bypass'],
  refers: [],
  burns: (m: { readonly drive?: Drive | undefined }) => isEngine(m.drive),
  draws: false,
  ...STARTED,
} as const satisfies ThingKind;

export type Machine = v.InferOutput<typeof machine>;
export const driveOf = (m: Pick<Machine, 'drive'>): Drive => m.drive ?? 'petrol';
export type MachineDocument = v.InferInput<typeof machine>;
