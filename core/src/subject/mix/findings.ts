import type { AssumptionValues } from '../../assumption/register.js';
import { WASH_IDS, WASH_SURFACE_NAMES } from '../../assumption/wash-surfaces.js';
import type { Rig } from '../../rig/schema.js';
import { wantedStrength } from '../../solve/consumption.js';
import type { Cases } from '../../solve/cases.js';
import type { Stocks } from '../../solve/stock.js';
import type { Finding } from '../finding.js';
import { finding, percent } from '../message-parts.js';
import { strengthVerdict } from './mix.js';
import { linesOf } from '../../solve/paths.js';
import type { MixResult } from './result.js';
import { DRY } from '../../solve/solved.js';
import { worse } from '../verdict.js';
import { message } from '../../working/figure.js';

export function mixFindings(cases: Cases, m: MixResult): Finding[] {
  const { rig, values } = cases;
  const mix = rig.mixes.find((x) => x.id === m.mixId)!;
  const subject = { kind: 'mix', id: mix.id } as const;
  const out: Finding[] = [];
  const wanted = m.wanted.value;
  // Where nothing comes at all the pump says why.
  const flows = m.pumpId === undefined || m.flow.value > DRY;
  const first = strengthVerdict(m.first.value, wanted, values);
  const last = strengthVerdict(m.last.value, wanted, values);
  const worsens = worse(first, last) !== first;
  if (m.way === 'batch' && !m.recipe && wanted > 0)
    out.push(
      finding(
        'batch-impossible',
        'starved',
        'mix',
        subject,
        message('Can’t make {mix}: stock is {s} today, target is {w}.', {
          mix: mix.name,
          s: percent(m.streams[0]?.strength ?? 0),
          w: percent(wanted),
        }),
      ),
    );
  if (flows && first !== 'fed')
    out.push(
      finding(
        m.first.value < wanted ? 'mix-weak' : 'mix-strong',
        // What the day makes of it counts too: a mix that is off to begin with is no better for drifting.
        worse(first, last),
        'mix',
        subject,
        message(
          m.first.value < wanted
            ? `{mix} hits the wall at {s}; target {w}.${worsens ? ' It ends the day at {e}.' : ''}`
            : `{mix} reaches the wall at {s}, stronger than the {w} target: waste, and hard on plants.${worsens ? ' It ends the day at {e}.' : ''}`,
          {
            mix: mix.name,
            s: percent(m.first.value),
            ...(worsens ? { e: percent(m.last.value) } : {}),
            w: percent(wanted),
          },
        ),
      ),
    );
  else if (flows && last !== 'fed')
    out.push(
      finding(
        'mix-drifts',
        last,
        'mix',
        subject,
        message('{mix} drifts from {s} to {e} over the day as tank levels change.', {
          mix: mix.name,
          s: percent(m.first.value),
          e: percent(m.last.value),
        }),
      ),
    );
  else if (flows && (m.way === 'proportioner' || m.way === 'downstream')) {
    const worst = m.cases.find((c) => strengthVerdict(c.strength, wanted, values) === 'starved');
    if (worst)
      out.push(
        finding(
          'mix-strays',
          'tight',
          'mix',
          subject,
          message('{mix} shifts to {s} with {case}.', { mix: mix.name, s: percent(worst.strength), case: worst.label }),
        ),
      );
  }
  const soap = m.soaps.find((s) => s.dose > 0 && Math.abs(s.share / s.dose - 1) > values['soap-tolerance']);
  if (flows && soap)
    out.push(
      finding(
        'soap-off',
        'tight',
        'mix',
        subject,
        message(
          `{soap} is {s} of {mix}; target {w}${soap.share > soap.dose ? ': it foams, costs and is hard to rinse' : ': the mix runs off before it works'}.`,
          {
            soap: soap.name,
            mix: mix.name,
            s: percent(soap.share),
            w: percent(soap.dose),
          },
        ),
      ),
    );
  if (m.unrinsed.length)
    out.push(
      finding(
        'flush-partial',
        'tight',
        'mix',
        subject,
        message('Flushing {mix} misses {n} valves, {which} first. Bring flush water in ahead of them.', {
          mix: mix.name,
          n: String(m.unrinsed.length),
          which: m.unrinsed[0],
        }),
      ),
    );
  const draw = linesOf(rig, mix).find((l) => l.to.at === 'mix');
  if ((m.way === 'downstream' || m.way === 'nozzle') && draw && !draw.parts.some((p) => p.kind === 'fitting' && p.is === 'check-valve'))
    out.push(
      finding(
        'no-check',
        'tight',
        'mix',
        subject,
        message('{mix}’s draw line has no check valve: one stuck ball lets water into the stock.', { mix: mix.name }),
      ),
    );
  return out;
}

/** A line that ends below a full tank's level runs by itself once it is full, unless something shuts it. */
export function siphonFindings(rig: Rig, stocks: Stocks): Finding[] {
  const shuts = (l: Rig['lines'][number]): boolean =>
    l.parts.some((p) => (p.kind === 'valve' && p.is === 'gun-valve') || (p.kind === 'fitting' && p.is === 'ball-valve'));
  return rig.mixes.flatMap((mix) => {
    const lines = linesOf(rig, mix);
    const delivery = lines.find((l) => l.to.at === 'sprayer');
    const sprayer = rig.sprayers.find((s) => s.id === delivery?.to.id);
    if (!delivery || !sprayer || lines.some((l) => l.to.at !== 'mix' && shuts(l))) return [];
    return lines
      .filter((l) => l.from.at === 'tank' && !shuts(l))
      .flatMap((l) => {
        const tank = rig.tanks.find((t) => t.id === l.from.id)!;
        // Laid down, the gun rests on the ground, lower than the deck.
        const over = tank.base + tank.fullLevel;
        if (over <= 0) return [];
        return [
          finding(
            'siphon',
            'tight',
            'mix',
            { kind: 'mix', id: mix.id },
            message(
              '{tank} can siphon out through {pump}: a gun on the ground is {h} or more below its full level, with no shutoff between. Add a ball valve or trigger.',
              {
                tank: `${tank.name} (${stocks.in(tank).liquid.name})`,
                pump: mix.name,
                h: { value: over, dimension: 'length' },
              },
            ),
          ),
        ];
      })
      .slice(0, 1);
  });
}

/** Surfaces of the brief that no mix on board is meant for: what stands in for them is told with its strength. */
export function unservedFindings(rig: Rig, values: AssumptionValues): Finding[] {
  const [first] = rig.mixes;
  if (!first) return [];
  const surfaces = [...new Set((rig.brief.washes ?? []).map((w) => w.surface))];
  return surfaces.flatMap((surface) => {
    if (rig.mixes.some((m) => m.surface === surface)) return [];
    const [usual, is] = [values[WASH_IDS[surface].strength], wantedStrength(first, values)];
    if (Math.abs(is - usual) <= values['mix-tolerance'] * usual) return [];
    return [
      finding(
        'wash-no-mix',
        'tight',
        'mix',
        { kind: 'mix', id: first.id },
        message('No mix on board is for {surface}. We used {mix} at {is}; {usual} is typical.', {
          surface: WASH_SURFACE_NAMES[surface],
          mix: first.name,
          is: percent(is),
          usual: percent(usual),
        }),
      ),
    ];
  });
}
