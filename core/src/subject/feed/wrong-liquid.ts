import { feedFrom, inletsOf, type Source, switchInlet } from '../../edit/feed.js';
import type { Machine, Rig, RigDocument } from '../../rig/schema.js';
import { feedWays } from '../../solve/feed-ways.js';
import { message } from '../../working/figure.js';
import type { Finding } from '../finding.js';
import type { Candidate, Rule } from '../rule.js';

/**
 * A washer pumps water. Chemicals that its inlet can draw eat the pump and come back by its return into the water;
 * antifreeze belongs in it for the winter alone, by an inlet that is switched back.
 */
export function wrongLiquidFindings(rig: Rig, machine: Machine): Finding[] {
  const subject = { kind: 'machine', id: machine.id } as const;
  return feedWays(rig, machine.id).flatMap(({ tank, open }): Finding[] => {
    const also = [{ kind: 'tank' as const, id: tank.id }];
    const names = { machine: machine.name, tank: tank.name };
    if (tank.liquid === 'chemical')
      return [
        {
          code: 'feed-chemical',
          verdict: 'stop',
          station: 'feed',
          subject,
          also,
          message: message('{machine} can draw from {tank}, which holds chemicals: they wreck the pump, and its bypass puts them in the water tank.', names),
        },
      ];
    if (tank.liquid === 'antifreeze' && open)
      return [
        {
          code: 'feed-antifreeze',
          verdict: 'stop',
          station: 'feed',
          subject,
          also,
          message: message('The inlet of {machine} stands switched to {tank}: antifreeze. Switch back to water before work.', names),
        },
      ];
    return [];
  });
}

/** The feed led to water: the wrong lines taken off, or the inlet switched. */
export const wrongLiquidRules: Rule = (finding, rig, doc): Candidate[] => {
  const id = finding.subject.id;
  const wrong = new Set(doc.tanks.filter((t) => (finding.code === 'feed-chemical' ? t.liquid === 'chemical' : t.liquid === 'antifreeze')).map((t) => t.id));
  const isWrong = (l: RigDocument['lines'][number]): boolean => l.from.at === 'tank' && wrong.has(l.from.id ?? '');
  const out: Candidate[] = [];
  const right = inletsOf(doc, id).filter((l) => !isWrong(l));
  for (const l of right)
    out.push({
      id: `switch-${l.id}`,
      title: 'Switch the inlet to water',
      change: (d) => switchInlet(d, id, l.id),
    });
  if (finding.code !== 'feed-chemical') return out;
  if (right.length)
    out.push({
      id: 'take-off',
      title: 'Take the line from the chemicals off the inlet',
      change: (d) => {
        d.lines = d.lines.filter((l) => !(isWrong(l) && l.to.at === 'machine' && l.to.id === id));
        switchInlet(d, id, right[0].id);
      },
    });
  const sources: { readonly source: Source; readonly name: string }[] = [
    ...rig.tanks.filter((t) => t.liquid === 'water').map((t) => ({ source: `tank:${t.id}` as const, name: t.name })),
    ...rig.spigots.map((s) => ({ source: `spigot:${s.id}` as const, name: s.name })),
  ];
  for (const { source, name } of sources)
    out.push({ id: `feed-${source}`, title: message('Feed it from {name}', { name }), change: (d) => feedFrom(d, id, source) });
  return out;
};
