export const WORKSHOP_FORMAT = 'pozzo-workshop';
/** Version of the record. Raised with an upgrade whenever what is written changes. */
export const WORKSHOP_VERSION = 1;
