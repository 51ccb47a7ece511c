/** Current version of the rig document. Older ones are lifted by `upgrade.ts`. What a page needs to know of a document before it opens one stands here, apart from the schema. */
export const RIG_VERSION = 8;
export const RIG_FORMAT = 'pozzo-rig';
/** Most options a rig keeps. */
export const MOST_OPTIONS = 8;
