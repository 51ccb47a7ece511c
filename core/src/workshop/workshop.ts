import * as v from 'valibot';
import { label, list, note } from '../rig/fields.js';
import { type Problem, problemsOf } from '../rig/read.js';
import { asParsed, strayKey } from '../rig/tree.js';
import { CURRENCIES } from './currency.js';
import { pictureOf } from './picture.js';
import { WORKSHOP_FORMAT, WORKSHOP_VERSION } from './version.js';

/** Largest file of a logo, bytes, and its longest side, px: a small file may unfold to a picture that no page holds. */
export const MOST_LOGO_BYTES = 200_000;
export const MOST_LOGO_PX = 4000;
export const MOST_ADDRESS_LINES = 8;

const DATA_URL = /^data:(image\/(?:png|jpeg));base64,([A-Za-z0-9+/]+={0,2})$/;
const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';
const DIGIT = new Uint8Array(128);
for (let i = 0; i < 64; i++) DIGIT[ALPHABET.charCodeAt(i)] = i;

/** Bytes of a text in base 64 (RFC 4648, section 4), which holds nothing else. */
function bytesOf(base64: string): Uint8Array {
  const digits = base64.replace(/=+$/, '');
  const bytes = new Uint8Array(Math.floor((digits.length * 3) / 4));
  for (let i = 0, at = 0, bits = 0, held = 0; i < digits.length; i++) {
    held = (held << 6) | DIGIT[digits.charCodeAt(i)];
    bits += 6;
    if (bits < 8) continue;
    bits -= 8;
    bytes[at++] = (held >> bits) & 0xff;
  }
  return bytes;
}

/** What is wrong with the file of a logo, in a sentence; empty for one that can be taken. */
export function logoTrouble(bytes: Uint8Array): string {
  if (bytes.length > MOST_LOGO_BYTES) return `A logo has at most ${MOST_LOGO_BYTES / 1000} kB; this file has ${Math.ceil(bytes.length / 1000)} kB.`;
  const picture = pictureOf(bytes);
  if (!picture) return 'A logo is a PNG or a JPEG; this file is neither, whatever it is called.';
  if (Math.max(picture.width, picture.height) > MOST_LOGO_PX)
    return `A logo has at most ${MOST_LOGO_PX} pixels a side; this one has ${picture.width} × ${picture.height}.`;
  return '';
}

function dataTrouble(data: string): string {
  const m = DATA_URL.exec(data);
  if (!m) return 'A logo is a PNG or a JPEG, written as a data URL in base 64.';
  const bytes = bytesOf(m[2]);
  const trouble = logoTrouble(bytes);
  if (trouble) return trouble;
  return pictureOf(bytes)?.type === m[1] ? '' : 'The logo is not of the type that it says.';
}

const logo = v.pipe(
  v.string(),
  v.maxLength(Math.ceil(MOST_LOGO_BYTES / 3) * 4 + 30, `A logo has at most ${MOST_LOGO_BYTES / 1000} kB.`),
  v.rawCheck(({ dataset, addIssue }) => {
    const trouble = dataset.typed ? dataTrouble(dataset.value) : '';
    if (trouble) addIssue({ message: trouble, expected: 'PNG or JPEG' });
  }),
);

/** The workshop itself, as it stands at the head of what is printed for a customer. */
export const WorkshopSchema = v.strictObject({
  format: v.literal(WORKSHOP_FORMAT),
  version: v.literal(WORKSHOP_VERSION),
  /** Empty until it is given. */
  name: label,
  /** Address, telephone, mail: a line each. */
  address: list(label, MOST_ADDRESS_LINES),
  /** What stands under an offer: how long it holds, when it is paid. */
  terms: note,
  /** Of every price that is typed; nothing is ever converted. ISO 4217. */
  currency: v.picklist(CURRENCIES, 'A currency is a code of ISO 4217, such as USD or GBP.'),
  /** A data URL. */
  logo: v.optional(logo),
});
export type WorkshopDocument = v.InferOutput<typeof WorkshopSchema>;

export const blankWorkshop = (): WorkshopDocument => ({
  format: WORKSHOP_FORMAT,
  version: WORKSHOP_VERSION,
  name: '',
  address: [],
  terms: '',
  currency: 'USD',
});

export type ReadWorkshop = { readonly ok: true; readonly document: WorkshopDocument } | { readonly ok: false; readonly problems: readonly Problem[] };

/** Reads a workshop from unknown data. Never throws; problems name field and bound. */
export function readWorkshop(input: unknown): ReadWorkshop {
  const stray = strayKey(input);
  if (stray) return { ok: false, problems: [stray] };
  const version = typeof input === 'object' && input !== null ? (input as { version?: unknown }).version : undefined;
  if (typeof version === 'number' && version > WORKSHOP_VERSION)
    return {
      ok: false,
      problems: [{ code: 'newer', path: 'version', bound: `≤ ${WORKSHOP_VERSION}`, message: 'This workshop was saved by a newer Pozzo. Update to open it.' }],
    };
  const parsed = v.safeParse(WorkshopSchema, input);
  return parsed.success ? { ok: true, document: asParsed(input, parsed.output) as WorkshopDocument } : { ok: false, problems: problemsOf(parsed.issues) };
}
