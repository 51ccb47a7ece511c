import * as v from 'valibot';
import { WASH_SURFACES } from '../../assumption/wash-surfaces.js';
import { workDay } from '../day-schema.js';
import { list } from '../fields.js';
import { quantity } from '../quantity-field.js';

/** What the rig is asked to do. */
export const brief = v.strictObject({
  /** Length of the longest job. */
  job: quantity('time', '1 min', '24 h'),
  /** Share of the job with the trigger pulled. */
  triggerShare: quantity('ratio', '1 %', '100 %'),
  water: quantity('temperature', '32.5 °F', '150 °F'),
  altitude: quantity('length', '-1400 ft', '20000 ft'),
  /** What is soft washed on a usual day. */
  washes: v.optional(
    list(v.strictObject({ surface: v.picklist(WASH_SURFACES), area: quantity('area', '1 ft²', '1000000 ft²'), perDay: quantity('number', '0.05', '40') }), 12),
  ),
  daysPerWeek: v.optional(quantity('number', '0.2', '7')),
  /** Coldest night that the rig stands out. */
  coldest: v.optional(quantity('temperature', '-60 °F', '120 °F')),
  /** Dissolved solids of the tap water. */
  tapSolids: v.optional(quantity('ratio', '0 ppm', '5000 ppm')),
  /** The day's jobs, phase by phase; left out, a usual day is made up from the rest. */
  day: v.optional(workDay),
});
