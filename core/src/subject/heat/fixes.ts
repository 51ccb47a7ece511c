import { pressurePath } from '../../solve/paths.js';
import { nextSize } from '../../edit/length.js';
import { typeableQuantity } from '../../quantity/format.js';
import type { RigDocument } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import { typed } from '../message-parts.js';
import type { Candidate, Rule } from '../rule.js';

/** A burner on diesel. */
export const dieselRules: Rule = (finding, rig): Candidate[] => {
  const i = rig.burners.findIndex((b) => b.id === finding.subject.id);
  return i < 0 ? [] : [{ id: 'diesel', title: 'Burn diesel: drain its tank first', change: (d) => void (d.burners![i].fuel = 'diesel') }];
};

/** Hoses and parts made for it, a thermostat set lower, more burner. */
export const hotRules: Rule = (finding, rig, _doc, now): Candidate[] => {
  const i = rig.burners.findIndex((b) => b.id === finding.subject.id);
  const own = now.burners.find((b) => b.burnerId === finding.subject.id);
  if (i < 0 || !own) return [];
  const machine = rig.burners[i].machine;
  const lower = (k: number): Candidate => {
    const set = typeableQuantity(k, 'temperature', '°F', 3);
    return {
      id: `set-${set.replace(/\W/g, '')}`,
      title: message('Set it to {t}', { t: typed(set, 'temperature') }),
      change: (d) => void (d.burners![i].set = set),
    };
  };
  if (finding.code === 'not-hot') {
    const heat = nextSize((own.heat.value * (own.setK - rig.brief.water)) / Math.max(own.rise.value, 1e-6), 'power', 'kW', 10);
    return [
      { id: 'larger', title: message('A burner of {p}', { p: typed(heat, 'power') }), change: (d) => void (d.burners![i].heat = heat) },
      lower(own.out.value),
    ];
  }
  const hot = typeableQuantity(Math.max(own.setK + 5, 394.3), 'temperature', '°F', 3);
  const lines = new Set(rig.outlets.flatMap((o) => pressurePath(rig, machine, o.id)).map((l) => l.id));
  return [
    {
      id: 'hoses',
      title: message('Hoses and parts behind it made for {t}', { t: typed(hot, 'temperature') }),
      change: (d: RigDocument) => {
        for (const l of d.lines) if (lines.has(l.id)) for (const p of l.parts) p.stands = hot;
      },
    },
    ...(own.weakest ? [lower(own.weakest.standsK)] : []),
  ];
};
