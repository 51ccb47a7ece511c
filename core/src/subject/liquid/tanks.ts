import type { Mix } from '../../rig/schema.js';
import type { Rig, Tank } from '../../rig/schema.js';
import { shapeHeight, volumeAt } from '../../rig/tank-shape.js';
import { figure, input } from '../../working/figure.js';
import type { Cases } from '../../solve/cases.js';
import { dayUse } from '../../solve/consumption.js';
import { stockOfTank } from '../../solve/loaded.js';
import { drawsOn, mixMadeIn, type Stocks } from '../../solve/stock.js';
import type { ChemicalTankResult } from './result.js';
import type { MixResult } from '../mix/result.js';

/** Every tank of chemicals: what a day takes out of it, how long it lasts, and whether what is under it would hold it. */
export function assessChemicalTanks(cases: Cases, stocks: Stocks, mixes: readonly MixResult[]): ChemicalTankResult[] {
  const { rig, values } = cases;
  return rig.tanks
    .filter((t) => t.liquid === 'chemical')
    .map((tank) => {
      const made = mixMadeIn(rig, tank);
      const used = dayUse(mixes.map((m) => ({ name: mixOf(rig, m).name, perJobM3: takenBy(rig, m, tank), jobs: m.jobsPerDay })));
      const perDay = used.value;
      const at = (level: number): number => volumeAt(tank.shape, Math.min(level, shapeHeight(tank.shape)));
      const fullM3 = at(tank.fullLevel);
      const startM3 = Math.min(at(tank.startLevel), fullM3);
      const heelM3 = at(cases.heel.get(tank.id)!);
      const densityKgM3 = stockOfTank(stocks, tank);
      const reserve = values['chem-reserve'];
      const spillM3 = volumeAt(tank.shape, shapeHeight(tank.shape));
      return {
        tankId: tank.id,
        mixId: made?.id,
        stockShare: stocks.shareIn(tank),
        fullM3,
        startM3,
        heelM3,
        drawableM3: Math.max(startM3 - heelM3, 0),
        mass: figure(fullM3 * densityKgM3, 'mass', 'stock-weight', [input('V', 'full', fullM3, 'volume'), input('ρ', 'what is in it', densityKgM3, 'density')]),
        startMassKg: startM3 * densityKgM3,
        perDay: used,
        lastsDays: perDay > 0 ? Math.max(startM3 - heelM3, 0) / perDay : Infinity,
        dayTank: figure(
          perDay * (1 + reserve) + heelM3,
          'volume',
          'day-tank',
          [input('V_day', 'in a day', perDay, 'volume'), input('reserve', 'reserve', reserve, 'ratio'), input('V_heel', 'cannot be drawn', heelM3, 'volume')],
          ['chem-reserve'],
        ),
        bundM3: tank.bund ?? 0,
        bundWanted: figure(
          spillM3 * values['bund-share'],
          'volume',
          'bund',
          [input('V', 'tank to its brim', spillM3, 'volume'), input('s', 'share', values['bund-share'], 'ratio')],
          ['bund-share'],
        ),
      };
    });
}

const mixOf = (rig: Rig, m: MixResult): Mix => rig.mixes.find((x) => x.id === m.mixId)!;

/** What a job of a mix takes of a soap, m³. */
export const soapPerJob = (m: MixResult, liquidId: string | undefined): number =>
  m.soaps.reduce((sum, s) => (s.liquidId === liquidId ? sum + s.perJobM3 : sum), 0);

/** What a job of a mix takes out of a tank, m³: itself where it is made there, else stock or soap. */
function takenBy(rig: Rig, m: MixResult, tank: Tank): number {
  const mix = mixOf(rig, m);
  const made = mixMadeIn(rig, tank);
  if (made) return made.id === mix.id && m.jobsPerDay > 0 ? m.dayM3.value / m.jobsPerDay : 0;
  const perJob = (tank.holds === mix.stock ? m.stockPerJob.value : 0) + soapPerJob(m, tank.holds);
  if (perJob === 0) return 0;
  // Drawn by its own line; where it has none, carried over by hand. Several tanks of a liquid share the need.
  const alike = rig.tanks.filter((t) => t.liquid === 'chemical' && t.holds === tank.holds && !mixMadeIn(rig, t));
  const plumbed = alike.filter((t) => drawsOn(rig, mix, t));
  const from = plumbed.length ? plumbed : alike;
  return from.includes(tank) ? perJob / from.length : 0;
}
