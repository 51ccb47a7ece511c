import { WATER_KG_M3 } from '../../fluid/water.js';
import { GALLON } from '../../quantity/dimension.js';
import { halfLife, handbookHalfLife, hypochloriteGravity, strengthAfter, weightShare } from '../../chemistry/hypochlorite.js';
import { figure, input } from '../../working/figure.js';
import type { Cases } from '../../solve/cases.js';
import { type Verdict } from '../verdict.js';
import { dayUse, daysPerWeek } from '../../solve/consumption.js';
import type { Stocks } from '../../solve/stock.js';
import type { ChemicalTankResult, LiquidResult } from './result.js';
import type { MixResult } from '../mix/result.js';
import { soapPerJob } from './tanks.js';

const DAY = 86400;

/** Every liquid: strength today, need, what is on board and whether to keep it. */
export function assessLiquids(cases: Cases, stocks: Stocks, mixes: readonly MixResult[], chemicalTanks: readonly ChemicalTankResult[]): LiquidResult[] {
  const { rig } = cases;
  const days = daysPerWeek(rig);
  const caustic = cases.values['excess-caustic'];
  return stocks.all.map((s) => {
    const l = s.liquid;
    const kept = l.strength?.kept ?? 293.15;
    const used = dayUse(
      mixes.map((m) => {
        const mix = rig.mixes.find((x) => x.id === m.mixId)!;
        const perJobM3 = (mix.stock === l.id ? m.stockPerJob.value : 0) + soapPerJob(m, l.id);
        return { name: mix.name, perJobM3, jobs: m.jobsPerDay };
      }),
    );
    const perDay = used.value;
    const tanks = rig.tanks.filter((t) => t.holds === l.id);
    // A tank of finished mix holds only its share of the stock.
    const sum = (of: (t: ChemicalTankResult) => number): number =>
      chemicalTanks.reduce((total, t) => total + (tanks.some((x) => x.id === t.tankId) ? of(t) * t.stockShare : 0), 0);
    const onBoard = sum((t) => t.startM3);
    const lasts = perDay > 0 ? sum((t) => t.drawableM3) / perDay : Infinity;
    // Used evenly from full to empty, the mean age when used is half of the time it lasts, by calendar.
    const keptAge = Number.isFinite(lasts) ? ((lasts / 2) * DAY * 7) / days : 0;
    const keptStrength = s.bought > 0 ? strengthAfter(s.bought, (l.strength?.age ?? 0) + keptAge, kept, caustic) : 0;
    const freshWeek = (perDay * days * l.price) / GALLON;
    const span = Math.max(halfLife(Math.max(s.bought, 0.01), kept, caustic), 30 * DAY);
    const age = l.strength?.age ?? 0;
    const months = Math.min(Math.max(span * 0.6, 60 * DAY), 365 * DAY);
    let verdict: Verdict = 'fed';
    if (s.bought > 0 && s.today < s.bought * cases.values['stock-stale']) verdict = 'tight';
    if (l.useBy !== undefined && Number.isFinite(lasts) && lasts > Math.max(l.useBy / DAY, 1) * cases.values['use-by-over']) verdict = 'tight';
    return {
      liquidId: l.id,
      kind: l.kind,
      bought: s.bought,
      today: figure(
        s.today,
        'ratio',
        l.strength?.titrated === undefined ? 'sh-decay' : 'given',
        [input('C₀', 'bought, trade', s.bought, 'ratio'), input('t', 'age', age, 'time'), input('T', 'kept at', kept, 'temperature')],
        [],
      ),
      weightShare: weightShare(s.today),
      densityKgM3: WATER_KG_M3 * (l.kind === 'hypochlorite' ? hypochloriteGravity(s.bought) : s.gravity),
      halfLife: figure(s.bought > 0 ? halfLife(s.bought, kept, caustic) : Infinity, 'time', 'sh-decay', [
        input('C₀', 'bought, trade', s.bought, 'ratio'),
        input('T', 'kept at', kept, 'temperature'),
      ]),
      handbookHalfLifeS: s.bought > 0 ? handbookHalfLife(s.bought, kept) : Infinity,
      ageing:
        s.bought > 0
          ? {
              timeS: Array.from({ length: 41 }, (_, i) => (months * i) / 40),
              strength: Array.from({ length: 41 }, (_, i) => strengthAfter(s.bought, (months * i) / 40, kept, caustic)),
            }
          : { timeS: [], strength: [] },
      perDay: used,
      perWeekM3: perDay * days,
      weekTank: figure(
        perDay * days * (1 + cases.values['chem-reserve']),
        'volume',
        'week-tank',
        [
          input('V_day', 'in a day', perDay, 'volume'),
          input('n', 'days of work', days, 'number'),
          input('reserve', 'reserve', cases.values['chem-reserve'], 'ratio'),
        ],
        ['chem-reserve'],
      ),
      onBoardM3: onBoard,
      lastsDays: lasts,
      keptAgeS: keptAge,
      keptStrength,
      freshWeek,
      keptWeek: keptStrength > 0 && s.bought > 0 ? (freshWeek * Math.max(s.today, 1e-6)) / keptStrength : freshWeek,
      tanks: tanks.map((t) => t.id),
      verdict,
    };
  });
}
