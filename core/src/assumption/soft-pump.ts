import { assumption, EFFICIENCY } from './entry.js';

export const SOFT_PUMP_ASSUMPTIONS = [
  assumption('spray-flow', 'Least flow to soft wash with', 'flow', '1 gpm', 'common-practice', 'With less, the first of a wall is dry before the last is wet.'),
  assumption(
    'brush-flow',
    'Water a glass brush needs',
    'flow',
    '0.4 gpm',
    'common-practice',
    'One and a half ‹liters› a minute rinse a pane; less leaves spots.',
  ),
  assumption('pump-volts', 'Voltage at an electric pump', 'voltage', '12.5 V', 'estimate', 'A rested 12 V battery under load.'),
  assumption(
    'pump-12v-efficiency',
    'Efficiency of an electric diaphragm pump',
    'ratio',
    '45 %',
    'estimate',
    'Motor and pump together; data sheets give 35 to 55 %.',
    EFFICIENCY,
  ),
  assumption('pump-free-current', 'Current of an electric pump running free', 'current', '3 A', 'estimate', 'Small 12 V pumps; read it off your own.'),
  assumption('chem-bypass-limit', 'Longest time of a chemical pump in bypass', 'time', '10 min', 'common-practice', 'The loop warms and foams.'),
  assumption('transfer-suction', 'Height that a transfer pump sucks up', 'length', '8 ft', 'estimate', 'Diaphragm pumps, wet; data sheets give 6 to 14 ft.'),
  assumption('transfer-time', 'Longest time to move stock before a day', 'time', '20 min', 'estimate', 'Somebody stands by all the while.'),
  assumption('jet-throw', 'Throw of a straight jet against its height', 'ratio', '120 %', 'estimate', 'At about 35 degrees; wind takes its share.'),
  assumption('spray-starves', 'Flow at a soft wash gun that starves it, of the least', 'ratio', '50 %', 'common-practice', 'It dribbles.'),
  assumption('jet-starves', 'Height of a jet that starves the work, of its target', 'ratio', '80 %', 'common-practice', 'The upper edge stays dry.'),
] as const;
