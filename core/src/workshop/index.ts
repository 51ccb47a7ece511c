export { CURRENCIES } from './currency.js';
export { pictureOf, type Picture } from './picture.js';
export {
  blankWorkshop,
  logoTrouble,
  MOST_ADDRESS_LINES,
  MOST_LOGO_BYTES,
  MOST_LOGO_PX,
  readWorkshop,
  WorkshopSchema,
  type ReadWorkshop,
  type WorkshopDocument,
} from './workshop.js';
export { WORKSHOP_FORMAT, WORKSHOP_VERSION } from './version.js';
