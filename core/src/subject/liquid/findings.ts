import type { LiquidAnswers } from './result.js';
import { LIQUID_NAMES } from '../../chemistry/compatibility.js';
import type { Rig } from '../../rig/schema.js';
import type { Stocks } from '../../solve/stock.js';
import type { Finding } from '../finding.js';
import { finding, percent } from '../message-parts.js';
import { message } from '../../working/figure.js';

export function liquidFindings(rig: Rig, r: LiquidAnswers['chemical'], stale: number): Finding[] {
  return r.liquids.flatMap((l) => {
    const liquid = rig.liquids.find((x) => x.id === l.liquidId)!;
    const subject = { kind: 'liquid', id: liquid.id } as const;
    const out: Finding[] = [];
    if (l.bought > 0 && l.today.value < l.bought * stale)
      out.push(
        finding(
          'stock-stale',
          'tight',
          'liquids',
          subject,
          message('{liquid} has aged from {then} to {now}. Reset the valves or buy fresh.', {
            liquid: liquid.name,
            now: percent(l.today.value),
            then: percent(l.bought),
          }),
        ),
      );
    const refilled = rig.mixes.some((m) => m.way === 'draw-stick' && m.stock === l.liquidId);
    if (l.perDay.value > 0 && l.tanks.length && l.lastsDays < 0.999 && !refilled)
      out.push(
        finding(
          'stock-short',
          'starved',
          'liquids',
          subject,
          message('{liquid} lasts {share} of a day: {have} on board, {need} needed.', {
            liquid: liquid.name,
            share: percent(l.lastsDays),
            need: { value: l.perDay.value, dimension: 'volume' },
            have: { value: l.onBoardM3, dimension: 'volume' },
          }),
        ),
      );
    if (liquid.useBy !== undefined && l.tanks.length && l.verdict === 'tight' && l.bought === 0)
      out.push(
        finding(
          'use-by',
          'tight',
          'liquids',
          subject,
          message('{liquid} is good for {t} once mixed, and this batch lasts longer. Mix less at a time.', {
            liquid: liquid.name,
            t: { value: liquid.useBy, dimension: 'time' },
          }),
        ),
      );
    return out;
  });
}

const FUMES = new Set(['hypochlorite', 'acid', 'ammonia']);

export function tankFindings(rig: Rig, stocks: Stocks): Finding[] {
  return rig.tanks.flatMap((t) => {
    const { liquid } = stocks.in(t);
    if (!FUMES.has(liquid.kind)) return [];
    const subject = { kind: 'tank', id: t.id } as const;
    const out: Finding[] = [];
    if (t.ventTo !== 'outside' || t.lid === 'open')
      out.push(
        finding(
          'fumes-deck',
          'tight',
          'tanks',
          subject,
          message('{tank} vents onto the deck: {liquid} fumes hurt eyes and lungs, and rust everything. Run the vent outside and down.', {
            tank: t.name,
            liquid: LIQUID_NAMES[liquid.kind],
          }),
        ),
      );
    if (!t.dropTube)
      out.push(
        finding(
          'no-drop-tube',
          'tight',
          'tanks',
          subject,
          message('{tank} is filled from the top: suds and fumes. A tube to the bottom fills it quietly.', { tank: t.name }),
        ),
      );
    return out;
  });
}

/** A bund that would not hold what its tank can spill. Whether there is to be one is for local rules, and the builder's school. */
export function bundFindings(rig: Rig, r: LiquidAnswers['chemical']): Finding[] {
  return r.tanks.flatMap((x) => {
    const tank = rig.tanks.find((t) => t.id === x.tankId)!;
    if (x.bundM3 === 0 || x.bundM3 >= x.bundWanted.value * 0.9999) return [];
    return [
      finding(
        'bund-small',
        'tight',
        'tanks',
        { kind: 'tank', id: tank.id },
        message('The ‹containment tray› under {tank} holds {b}; a full spill needs {n}.', {
          tank: tank.name,
          b: { value: x.bundM3, dimension: 'volume' },
          n: { value: x.bundWanted.value, dimension: 'volume' },
        }),
      ),
    ];
  });
}
