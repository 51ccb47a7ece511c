import { parseQuantity } from '../quantity/parse.js';
import type { Dimension } from '../quantity/dimension.js';
import { washAssumptions } from './wash-surfaces.js';

export type AssumptionKind = 'published' | 'common-practice' | 'estimate';

export interface Assumption {
  readonly id: string;
  readonly label: string;
  readonly dimension: Dimension;
  /** Default as typed; its unit is the one the source uses. */
  readonly value: string;
  readonly kind: AssumptionKind;
  readonly source: string;
}

const assumption = (id: string, label: string, dimension: Dimension, value: string, kind: AssumptionKind, source: string): Assumption => ({
  id,
  label,
  dimension,
  value,
  kind,
  source,
});

/** Every default that a result may rest on. A rig may replace any of them; results name those they used. */
export const ASSUMPTIONS = [
  assumption(
    'npsh-required',
    'Inlet head a plunger pump needs',
    'length',
    '10 ft',
    'estimate',
    'Small triplex data sheets differ widely; take the figure from yours.',
  ),
  assumption(
    'feed-comfort',
    'Inlet head to spare before a feed counts as comfortable',
    'length',
    '3 ft',
    'estimate',
    'Room for what is not modelled; compare the margins advised in ANSI/HI 9.6.1 (from memory).',
  ),
  assumption(
    'acceleration-k',
    'Liquid factor K of acceleration head',
    'number',
    '1.45',
    'published',
    'GPSA / Hydraulic Institute: 1.4 to 1.5 for water (from memory).',
  ),
  assumption('wave-rigid', 'Pressure wave speed in rigid pipe', 'velocity', '1300 m/s', 'estimate', 'Wylie & Streeter, Moens–Korteweg range (from memory).'),
  assumption(
    'wave-helix',
    'Pressure wave speed in helix suction hose',
    'velocity',
    '250 m/s',
    'estimate',
    'Moens–Korteweg with the wall stiffness of PVC helix hose.',
  ),
  assumption('wave-soft', 'Pressure wave speed in soft hose', 'velocity', '120 m/s', 'estimate', 'Moens–Korteweg with the wall stiffness of rubber hose.'),
  assumption(
    'suction-velocity',
    'Fastest water wanted in a suction line',
    'velocity',
    '3 ft/s',
    'published',
    'Hydraulic Institute guidance for reciprocating pumps: 1 to 3 ft/s (from memory).',
  ),
  assumption(
    'elbow-rule',
    'Flow a small 12 V pump loses at each elbow',
    'ratio',
    '5 %',
    'common-practice',
    'Rule of thumb of the trade; shown beside the computed loss.',
  ),
  assumption(
    'roughness-smooth',
    'Roughness of drawn, plastic and rubber bores',
    'length',
    '0.0015 mm',
    'published',
    'Moody: 0.0015 mm drawn, up to 0.01 mm (from memory).',
  ),
  assumption(
    'roughness-corrugated',
    'Roughness of corrugated suction hose',
    'length',
    '0.6 mm',
    'estimate',
    'No one value is published; a ribbed bore loses two to three times a smooth one.',
  ),
  assumption('roughness-steel', 'Roughness of steel pipe', 'length', '0.045 mm', 'published', 'Moody; Crane TP-410 (from memory).'),
  assumption('roughness-galvanised', 'Roughness of galvanised pipe', 'length', '0.15 mm', 'published', 'Moody; Crane TP-410 (from memory).'),
  assumption('summer-water', 'Warmest water the rig will meet', 'temperature', '86 °F', 'estimate', 'A dark tank in the sun; set it for your climate.'),
  assumption('winter-water', 'Coldest tap water the rig will meet', 'temperature', '41 °F', 'estimate', 'Ground water under frost; set it for your climate.'),
  assumption('buffer-reserve', 'Share of the usable water kept in reserve', 'ratio', '10 %', 'common-practice', 'Room for a longer job than planned.'),
  assumption('poor-spigot', 'Flow of a poor site, against a typical one', 'ratio', '50 %', 'common-practice', 'Spigots differ from 2 to 7 gpm between houses.'),
  assumption(
    'good-spigot',
    'Flow of a good site, against a typical one',
    'ratio',
    '140 %',
    'common-practice',
    'Spigots differ from 2 to 7 gpm between houses.',
  ),
  assumption(
    'bypass-limit',
    'Hottest water a pump may take',
    'temperature',
    '60 °C',
    'common-practice',
    'Usual limit of pump seals; take the figure from the data sheet.',
  ),
  assumption(
    'bypass-trapped',
    'Pressure a trapped-pressure unloader leaves in bypass',
    'pressure',
    '250 psi',
    'estimate',
    'A few bar to some tens of bar by kind; take the figure from the data sheet.',
  ),
  assumption('bypass-loop', 'Water in a bypass that loops to the inlet', 'volume', '0.5 gal', 'estimate', 'Pump head, unloader and a short hose.'),
  assumption('return-limit', 'Back-pressure allowed in a return line', 'pressure', '45 psi', 'estimate', 'Take the limit from the unloader’s data sheet.'),
  assumption('pump-efficiency', 'Pump and drive efficiency', 'ratio', '85 %', 'common-practice', 'Usual figure for plunger pumps.'),
  assumption('engine-derate', 'Engine power lost per 1000 ft of altitude', 'ratio', '3 %', 'common-practice', 'Usual rule for small carburettor engines.'),
  assumption('tank-vacuum', 'Vacuum a thin plastic tank stands', 'pressure', '0.3 psi', 'estimate', 'Flat walls give way early; ask the tank’s maker.'),
  assumption('vent-coefficient', 'Discharge coefficient of a vent', 'ratio', '60 %', 'published', 'Sharp-edged orifice, 0.6 (from memory).'),
  assumption(
    'inlet-minimum',
    'Pressure a machine fed straight from the spigot needs at its inlet',
    'pressure',
    '0 psi',
    'estimate',
    'At least no suction on a garden hose, which would flatten it.',
  ),
  assumption('surface-vehicle', 'Most pressure on a vehicle', 'pressure', '1500 psi', 'common-practice', 'Usual 1050 to 1200 psi, at most 1500.'),
  assumption(
    'surface-wood',
    'Most pressure on soft wood',
    'pressure',
    '800 psi',
    'common-practice',
    'Softer woods want less; raise it only after a hidden trial.',
  ),
  assumption('surface-render', 'Most pressure on render', 'pressure', '600 psi', 'common-practice', 'Old or loose render wants soft washing instead.'),
  assumption(
    'surface-stone',
    'Most pressure on stone',
    'pressure',
    '1200 psi',
    'common-practice',
    'Soft and carved stone wants far less; conservation rules come first.',
  ),
  assumption('surface-concrete', 'Most pressure on concrete', 'pressure', '3600 psi', 'common-practice', 'Young or poor concrete is etched by less.'),
  assumption('surface-glass', 'Most pressure on glass', 'pressure', '60 psi', 'common-practice', 'Rinse only, from a distance; seals and lead give way.'),
  assumption(
    'hose-wall',
    'Wall of pressure and garden hose',
    'length',
    '3.5 mm',
    'estimate',
    'Two-wire hose is thicker, soft garden hose thinner; measure yours.',
  ),
  assumption(
    'reel-winding',
    'Hose that really fits a drum, against the drum formula',
    'ratio',
    '85 %',
    'estimate',
    'Hose wound by hand never lies quite close.',
  ),
  assumption('corner-hose', 'Hose that each corner takes', 'length', '5 ft', 'estimate', 'Slack round a corner, so that it does not catch.'),
  assumption(
    'mix-tolerance',
    'How far the strength at the wall may stray',
    'ratio',
    '10 %',
    'common-practice',
    'Less shows nowhere; a roof forgives more than paint.',
  ),
  assumption(
    'mix-limit',
    'Straying at which a mix fails',
    'ratio',
    '30 %',
    'common-practice',
    'Weaker wants a second pass; stronger wastes SH and harms plants.',
  ),
  assumption(
    'float-travel',
    'Last rise of the water over which a float valve shuts',
    'length',
    '1.5 in',
    'estimate',
    'Take it from the valve; long arms shut slower.',
  ),
  assumption('day-short', 'Quickest a phase of the day is done, against its usual time', 'ratio', '85 %', 'estimate', 'A crew that has done it often.'),
  assumption(
    'day-long',
    'Longest a phase of the day takes, against its usual time',
    'ratio',
    '150 %',
    'estimate',
    'A larger house, a blocked drive, a talkative customer.',
  ),
  assumption('day-trigger', 'How far the trigger share strays, up and down, of itself', 'ratio', '25 %', 'estimate', 'Dirtier or cleaner than it looked.'),
  assumption(
    'day-stock',
    'How far the stock may be weaker than reckoned',
    'ratio',
    '15 %',
    'common-practice',
    'Drums differ, and heat and time eat what is inside.',
  ),
  assumption('day-restart', 'Share of the usable water that a waiting crew lets run in', 'ratio', '15 %', 'estimate', 'Enough to work on for a while.'),
  assumption('day-patience', 'Longest a crew waits for water before it leaves the rest undone', 'time', '45 min', 'estimate', 'The next customer is waiting.'),
  assumption('refill-flow', 'Flow at a refill place', 'flow', '20 gpm', 'estimate', 'A standpipe or a yard hydrant with a 1 in hose.'),
  assumption(
    'air-cut-out',
    'Pressure at which a compressor rests',
    'pressure',
    '125 psi',
    'common-practice',
    'Single-stage compressors; read it off the switch.',
  ),
  assumption(
    'engine-idle',
    'Fuel of an engine that pumps nothing, against full power',
    'ratio',
    '20 %',
    'estimate',
    'Small air-cooled engines at working speed.',
  ),
  assumption('soft-wash-share', 'Share of the job with the soft wash gun open', 'ratio', '15 %', 'estimate', 'Most of a wash is dwell, rinse and moving hose.'),
  assumption('chem-reserve', 'Reserve of chemicals over the day’s need', 'ratio', '15 %', 'common-practice', 'A roof is always larger than it looked.'),
  assumption('spray-flow', 'Least flow to soft wash with', 'flow', '1 gpm', 'common-practice', 'With less, the first of a wall is dry before the last is wet.'),
  assumption(
    'brush-flow',
    'Water wanted at a glass brush',
    'flow',
    '0.4 gpm',
    'common-practice',
    'One and a half litres a minute rinse a pane; less leaves spots.',
  ),
  assumption(
    'bund-share',
    'Bund under a chemical tank, share of the tank',
    'ratio',
    '110 %',
    'common-practice',
    'Store rules often ask for 110 % of the largest tank (from memory); local rules decide.',
  ),
  assumption('gravity-soap', 'Specific gravity of soap', 'number', '1.03', 'estimate', 'Take it from the data sheet.'),
  assumption('pump-volts', 'Voltage at an electric pump', 'voltage', '12.5 V', 'estimate', 'A rested 12 V battery under load.'),
  assumption(
    'pump-12v-efficiency',
    'Efficiency of an electric diaphragm pump',
    'ratio',
    '45 %',
    'estimate',
    'Motor and pump together; data sheets give 35 to 55 %.',
  ),
  assumption('pump-free-current', 'Current of an electric pump running free', 'current', '3 A', 'estimate', 'Small 12 V pumps; read it off your own.'),
  assumption('air-surcharge', 'Air lost besides the strokes', 'ratio', '130 %', 'estimate', 'Leaks and dead space.'),
  assumption('compressor-efficiency', 'Efficiency of a small compressor', 'ratio', '65 %', 'estimate', 'Adiabatic, one stage.'),
  assumption('chem-bypass-limit', 'Longest time of a chemical pump in bypass', 'time', '10 min', 'common-practice', 'The loop warms and foams.'),
  assumption('flush-volumes', 'Line volumes for a flush', 'number', '2', 'common-practice', 'One pushes out, one rinses: 5 to 10 gal on usual lines.'),
  assumption('jet-throw', 'Throw of a straight jet against its height', 'ratio', '120 %', 'estimate', 'At about 35 degrees; wind takes its share.'),
  assumption('flush-left', 'Water that stays in a drained line', 'ratio', '20 %', 'estimate', 'In low bends, pumps and strainers.'),
  assumption(
    'antifreeze-product',
    'Glycol in the antifreeze as sold',
    'ratio',
    '95 %',
    'estimate',
    'Propylene glycol concentrate; ready mixes are far weaker.',
  ),
  assumption('antifreeze-price', 'Antifreeze, a gallon', 'money', '$14', 'estimate', 'The workshop’s own.'),
  assumption('engine-fuel', 'Fuel of a small engine, weight for power and time', 'number', '0.60', 'estimate', 'lb per hp and hour, air-cooled petrol.'),
  assumption('pump-wetted', 'Liquid in a plunger pump and its fittings', 'volume', '0.5 L', 'estimate', 'Head, unloader and strainer bowl.'),
  assumption('soap-ageing', 'Days that soap poured into SH keeps', 'time', '14 d', 'common-practice', 'Then it separates; stir or meter it.'),
  ...washAssumptions(assumption),
  assumption('walk-speed', 'Pace of a walk to the rig', 'velocity', '4 ft/s', 'estimate', 'A brisk walk round a hose.'),
  assumption('pull-speed', 'Pace of pulling hose out', 'velocity', '2.5 ft/s', 'estimate', 'A slow walk.'),
] as const satisfies readonly Assumption[];

export type AssumptionId = (typeof ASSUMPTIONS)[number]['id'];

const BY_ID: ReadonlyMap<string, Assumption> = new Map(ASSUMPTIONS.map((a) => [a.id, a]));
if (BY_ID.size !== ASSUMPTIONS.length) throw new Error('Two assumptions share an id.');

/** The register entry of an id, or undefined. */
export const findAssumption = (id: string): Assumption | undefined => BY_ID.get(id);

/** Values in SI by id: the register's, with a rig's own in their place. */
export type AssumptionValues = Readonly<Record<AssumptionId, number>>;

const DEFAULTS = Object.fromEntries(
  ASSUMPTIONS.map((a) => {
    const read = parseQuantity(a.value, a.dimension);
    if (!read.ok) throw new Error(`${a.id}: ${read.error.message}`);
    return [a.id, read.si];
  }),
) as AssumptionValues;

/** @param overrides SI values by assumption id */
export function assumptionValues(overrides: Readonly<Record<string, number>> = {}): AssumptionValues {
  return { ...DEFAULTS, ...overrides };
}
