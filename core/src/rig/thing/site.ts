import * as v from 'valibot';
import { quantity } from '../quantity-field.js';

/** Where the work lies. */
export const site = v.strictObject({
  /** From the kerb to the far corner of the work, as the hose lies. */
  distance: quantity('length', '0 ft', '5000 ft'),
  /** Of the work above the kerb. */
  height: quantity('length', '0 ft', '500 ft'),
  /** Corners the hose is led round. */
  corners: quantity('number', '0', '40'),
  /** Spare hose carried besides the reel. */
  spare: quantity('length', '0 ft', '2000 ft'),
  /** Side of the road that traffic keeps to. */
  traffic: v.picklist(['right', 'left']),
});

export type Site = v.InferOutput<typeof site>;
