import { burnsMost, fuelMass, fuelSupply, rateOf } from '../../energy/index.js';
import { fuelTankSize } from '../../deck/index.js';
import type { AssumptionValues } from '../../assumption/register.js';
import type { Rig } from '../../rig/schema.js';
import { figure, input } from '../../working/figure.js';
import type { Verdict } from '../verdict.js';
import { worse } from '../verdict.js';
import type { FuelAnswers, FuelEngineResult, FuelTankResult } from './result.js';

/** Whether fuel gets to everything that burns it, and how much of each tank is of use. */
export function assessFuel(rig: Rig, values: AssumptionValues): FuelAnswers['fuel'] {
  const { stores, drinks, spare } = fuelSupply(rig, values);
  const engines = drinks.map((d): FuelEngineResult => {
    const { engine } = d;
    const store = d.store < 0 ? undefined : stores[d.store];
    const most = burnsMost(engine, values);
    const head = (value: number | undefined) =>
      value === undefined
        ? undefined
        : figure(
            value,
            'length',
            'gravity-fuel',
            [
              input('lift', 'surface above the ‹carburetor›', value + d.lossM! + d.slopeM, 'length'),
              input('h_f', 'its hose takes', d.lossM!, 'length'),
              input('s', 'the slope takes', d.slopeM, 'length'),
            ],
            ['fuel-slope', 'fuel-heel', 'fuel-reserve', ...(engine.carburettorAssumed ? (['carburettor-height'] as const) : [])],
          );
    const dead = store ? d.deadM3 / store.volumeM3 : 0;
    let verdict: Verdict = 'fed';
    if (store?.tank && dead > values['fuel-reserve']) verdict = dead >= values['fuel-stranded'] ? 'starved' : 'tight';
    if (store && (store.tank?.vented === false || store.fuel !== engine.fuel)) verdict = 'stop';
    return {
      engineId: engine.id,
      name: engine.name,
      kind: engine.kind,
      fuel: engine.fuel,
      lift: engine.lift,
      storeId: store?.id,
      burnsMost: figure(
        most,
        'flow',
        engine.kind === 'burner' ? 'burner' : 'fuel-day',
        [
          input('P', engine.kind === 'burner' ? 'into the water' : 'at the shaft', engine.powerW, 'power'),
          engine.kind === 'burner'
            ? input('η', 'efficiency', values['burner-efficiency'], 'ratio')
            : input('b', 'lb for a horsepower and hour', rateOf(engine.fuel, values), 'number'),
        ],
        engine.kind === 'burner'
          ? ['burner-efficiency']
          : [engine.fuel === 'petrol' ? 'engine-fuel' : 'diesel-fuel', engine.fuel === 'petrol' ? 'fuel-density' : 'diesel-density'],
      ),
      lengthM: d.lengthM,
      asLaid: d.asLaid,
      headFull: head(d.headFullM),
      headReserve: head(d.headReserveM),
      headLast: head(d.headLastM),
      carburettorM: engine.carburettorM,
      carburettorAssumed: engine.carburettorAssumed,
      slopeM: d.slopeM,
      lossM: d.lossM,
      liftsM: d.liftsM,
      deadM3: d.deadM3,
      verdict,
    };
  });
  const tanks = stores.map((s, i): FuelTankResult => {
    const own = drinks.filter((d) => d.store === i);
    // What never gets to the worst of its engines is of no use to a day with all of them.
    const dead = Math.max(s.volumeM3 * values['fuel-heel'], ...own.map((d) => d.deadM3));
    const usable = Math.max(s.volumeM3 - dead, 0);
    const together = own.reduce((sum, d) => sum + burnsMost(d.engine, values), 0);
    const brim = s.tank ? s.tank.base + fuelTankSize(s.tank)[2] : (own.at(0)?.engine.carburettorM ?? 0);
    return {
      tankId: s.id,
      name: s.name,
      fuel: s.fuel,
      volumeM3: s.volumeM3,
      usable: figure(
        usable,
        'volume',
        'fuel-usable',
        [input('V', 'tank', s.volumeM3, 'volume'), input('V₀', 'never gets to the worst of its engines', dead, 'volume')],
        ['fuel-heel'],
      ),
      massKg: fuelMass(s, values),
      outletM: s.tank?.base ?? brim,
      brimM: brim,
      engineIds: own.map((d) => d.engine.id),
      lastsS: together > 0 ? usable / together : Infinity,
      vented: s.tank?.vented ?? true,
      own: s.tank === undefined,
      verdict: own.reduce<Verdict>(
        (v, d) => worse(v, engines.find((e) => e.engineId === d.engine.id)!.verdict),
        s.tank?.vented === false && own.length ? 'stop' : 'fed',
      ),
    };
  });
  return { tanks, engines, spareM3: spare };
}
