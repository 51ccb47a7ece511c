import { enginesOn } from '../../energy/index.js';
import type { AssumptionValues } from '../../assumption/register.js';
import type { Rig } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import type { Finding, About } from '../finding.js';
import { finding } from '../message-parts.js';
import type { FuelAnswers, FuelEngineResult } from './result.js';

export const engineSubject = (e: Pick<FuelEngineResult, 'engineId' | 'kind'>): About => ({ kind: e.kind, id: e.engineId });

/** What stops an engine of its fuel, and what is dangerous about it. */
export function fuelFindings(rig: Rig, { tanks, engines }: FuelAnswers['fuel'], values: AssumptionValues): Finding[] {
  const out: Finding[] = [];
  for (const t of tanks)
    if (!t.vented && t.engineIds.length)
      out.push(
        finding(
          'fuel-unvented',
          'stop',
          'fuel',
          { kind: 'fuel-tank', id: t.tankId },
          message('{tank} has no vent: vacuum builds and every engine on it stalls.', { tank: t.name }),
        ),
      );
  for (const e of enginesOn(rig, values))
    if (e.tankless && !rig.fuelLines.some((l) => l.to === e.id))
      out.push(
        finding(
          'no-fuel',
          'starved',
          'fuel',
          { kind: e.kind, id: e.id },
          message('{engine} has no tank and no fuel line: it doesn’t run.', { engine: e.name }),
        ),
      );
  for (const e of engines) {
    const tank = tanks.find((t) => t.tankId === e.storeId);
    if (!tank) continue;
    if (tank.fuel !== e.fuel)
      out.push(
        finding(
          'fuel-wrong',
          'stop',
          'fuel',
          engineSubject(e),
          message('{engine} burns {fuel}; {tank} holds {other}.', { engine: e.name, fuel: e.fuel, tank: tank.name, other: tank.fuel }),
        ),
      );
    if (tank.own || !e.headFull || !(e.deadM3 > tank.volumeM3 * values['fuel-reserve'])) continue;
    const lost = e.deadM3 >= tank.volumeM3 * 0.999;
    // Without what its hose takes it would get there: a wider hose is the cure, not a higher tank.
    const byHose = (e.headLast?.value ?? 0) + (e.lossM ?? 0) + e.liftsM >= 0;
    out.push(
      finding(
        'fuel-low',
        e.deadM3 >= values['fuel-stranded'] * tank.volumeM3 ? 'starved' : 'tight',
        'fuel',
        engineSubject(e),
        byHose
          ? message(
              lost
                ? 'The fuel hose of {engine} takes {loss} of head, and nothing gets there. Take a wider or a shorter one.'
                : 'The fuel hose of {engine} takes {loss} of head: it stops with {left} still in {tank}. Take a wider or a shorter one.',
              {
                engine: e.name,
                tank: tank.name,
                loss: { value: e.lossM ?? 0, dimension: 'length' },
                left: { value: e.deadM3, dimension: 'volume' },
              },
            )
          : e.lift === 'gravity'
            ? message(
                lost
                  ? '{tank} stands too low for {engine}, which has no fuel pump: nothing runs to its ‹carburetor› on a slope.'
                  : '{engine} has no fuel pump: on a slope it stops with {left} still in {tank}.',
                { engine: e.name, tank: tank.name, left: { value: e.deadM3, dimension: 'volume' } },
              )
            : message(
                lost
                  ? '{tank} stands {by} below {engine}; its pump lifts {lifts}, and nothing gets there.'
                  : '{tank} stands low: the pump of {engine} lifts {lifts}, and stops with {left} still in it.',
                {
                  engine: e.name,
                  tank: tank.name,
                  by: { value: -(e.headLast?.value ?? 0) - (e.lossM ?? 0) - e.slopeM, dimension: 'length' },
                  lifts: { value: e.liftsM, dimension: 'length' },
                  left: { value: e.deadM3, dimension: 'volume' },
                },
              ),
      ),
    );
  }
  for (const t of tanks) {
    const small = engines.filter((e) => t.engineIds.includes(e.engineId) && e.lift === 'gravity');
    if (!t.own && small.length > 1)
      out.push(
        finding(
          'fuel-share',
          'fed',
          'fuel',
          { kind: 'fuel-tank', id: t.tankId },
          message(
            '{tank} feeds {n} engines without fuel pumps: two ‹carburetors› on one tank starve each other as it runs low. Give each a shutoff and a line of its own.',
            {
              tank: t.name,
              n: { value: small.length, dimension: 'number' },
            },
          ),
        ),
      );
  }
  if (rig.platform && engines.length && !rig.gear.some((g) => g.kind === 'extinguisher'))
    out.push(
      finding(
        'no-extinguisher',
        'tight',
        'fuel',
        { kind: 'rig', id: 'rig' },
        message('Fuel on board, no fire extinguisher. Mount one you can reach from the ground.', {}),
      ),
    );
  return out;
}
