import { ASSUMPTIONS, EQUATIONS, FINDING_KINDS, LAYOUTS, assess, parseRig, say, SUMS } from '../index';
import { message } from '../working/figure';
import { formatNumber, formatQuantity } from '../quantity/format';
import { localeFor, localeOfHeader, type Locale, LOCALES, setReaderLocale } from './locale';
import { spell } from './spell';
import { TERMS } from './terms';

afterEach(() => setReaderLocale('en-US'));

test.each<[readonly string[], Locale]>([
  [[], 'en-US'],
  [['en'], 'en-US'],
  [['en-US', 'en-GB'], 'en-US'],
  [['en-CA'], 'en-US'],
  [['en-GB'], 'en-GB'],
  [['en-AU', 'en-US'], 'en-GB'],
  [['en_GB'], 'en-GB'],
  [['en-Latn-ZA'], 'en-GB'],
  [['en-001'], 'en-US'],
  [['de-DE', 'en-GB'], 'en-GB'],
  [['de'], 'en-US'],
  [['C'], 'en-US'],
  [['', 'x'.repeat(500)], 'en-US'],
])('whoever asks for %j reads %s', (asked, locale) => expect(localeFor(asked)).toBe(locale));

test.each<[string | undefined, Locale]>([
  [undefined, 'en-US'],
  ['en-GB,en;q=0.9', 'en-GB'],
  ['fr, en-US;q=0.2, en-NZ;q=0.7', 'en-GB'],
  ['en-GB;q=0, en-US', 'en-US'],
  [';;;q=,,', 'en-US'],
])('a header %j reads %s', (header, locale) => expect(localeOfHeader(header)).toBe(locale));

describe('terms', () => {
  test('are spelled with their article, their plural and their capital', () => {
    const said = (text: string): string[] => LOCALES.map((l) => spell(text, l));
    expect(said('‹A spigot› and two ‹spigots›.')).toEqual(['A spigot and two spigots.', 'An outside tap and two outside taps.']);
    expect(said('‹Tires›, ‹a tire›')).toEqual(['Tires, a tire', 'Tyres, a tyre']);
    expect(said('‹a GFCI›, ‹a tote›')).toEqual(['a GFCI, a tote', 'an RCD, an IBC']);
    expect(said('no ‹AC power›')).toEqual(['no AC power', 'no mains']);
    expect(said('‹AC power› near water')).toEqual(['AC power near water', 'Mains near water']);
  });
  test('a word that is none stays as somebody typed it', () => expect(spell('A tank ‹named so›', 'en-GB')).toBe('A tank ‹named so›'));
  test('each has both, as many forms on either side, and none twice', () => {
    for (const { us, gb } of TERMS) expect([us[0], gb.length]).toEqual([us[0], us.length]);
    const names = TERMS.flatMap((t) => t.us.map((n) => n!.toLowerCase()));
    expect(names.filter((n, i) => names.indexOf(n) !== i)).toEqual([]);
  });
});

test('a sentence spells its own words and those of a sentence in it, a typed name never', () => {
  const m = message('{tank} is filled from ‹a spigot›, {where}.', { tank: '‹gas› tank', where: message('at the ‹curb›') });
  expect(say(m, 'us')).toBe('‹gas› tank is filled from a spigot, at the curb.');
  setReaderLocale('en-GB');
  expect(say(m, 'us')).toBe('‹gas› tank is filled from an outside tap, at the kerb.');
});

test('numbers are as both write them, units follow the system and not the locale', () => {
  for (const locale of LOCALES) {
    setReaderLocale(locale);
    expect([formatNumber(10338, 5), formatNumber(3500), formatNumber(-0.045)]).toEqual(['10,338', '3,500', '−0.045']);
    expect(formatQuantity(0.045, 'ratio', 'us')).toBe('4.5%');
    expect(formatQuantity(293.15, 'temperature', 'us')).toBe('68°F');
    expect(formatQuantity(293.15, 'temperature', 'metric')).toBe('20\u00a0°C');
    expect(formatQuantity(24131651, 'pressure', 'us')).toBe('3,500\u00a0psi');
  }
});

/** Words that only one side uses; such as may stand in both (gas, tap, ground, lance of a part's name) are left out. */
const ONLY: Readonly<Record<Locale, RegExp>> = {
  'en-US':
    /\b(petrol|kerbs?|tyres?|outside taps?|standpipes?|IBCs?|bunds?|nose weight|wheel (arch(es)?|box(es)?)|weighbridge|metres?|litres?|colours?|centres?|aluminium|galvanised|catalogue|vapour|carburettors?|grey|RCDs?|mains|earthed)\b/i,
  'en-GB':
    /\b(gasoline|curbs?|tires?|spigots?|hydrants?|totes?|containment trays?|tie-downs?|tongue weight|wheel wells?|truck scale|meters|liters?|colors?|centers?|aluminum|galvanized|catalog|vapor|carburetors?|gray|GFCIs?|GVWR|GAWR|GCWR|AC power|grounded)\b/i,
};
/** Every sentence that the core has: of its registers, and of what it finds on all layouts. */
function texts(): readonly string[] {
  const out: string[] = [];
  for (const a of ASSUMPTIONS) out.push(a.label, a.source);
  for (const e of Object.values(EQUATIONS)) out.push(e.title, e.source);
  for (const s of SUMS) out.push(s.title, ...s.inputs.map((i) => i.label), ...s.outputs.map((r) => r.label));
  for (const k of Object.values(FINDING_KINDS)) out.push(k.figure.label);
  for (const l of LAYOUTS) {
    const a = assess(parseRig(l.make()));
    out.push(l.title, ...a.cautions.map((c) => c.text));
    for (const m of [a.headline, ...a.findings.map((f) => f.message)]) for (const units of ['us', 'metric'] as const) out.push(say(m, units));
  }
  return out;
}

test.each(LOCALES)('%s: every text speaks one language, and no mark of a term is left in it', (locale) => {
  setReaderLocale(locale);
  const spelled = [...new Set(texts().map((t) => spell(t)))];
  expect(spelled.length).toBeGreaterThan(700);
  expect(spelled.filter((t) => /[‹›]/.test(t))).toEqual([]);
  expect(spelled.filter((t) => ONLY[locale].test(t))).toEqual([]);
});
