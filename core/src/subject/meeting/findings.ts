import type { Rig } from '../../rig/schema.js';
import type { Stocks } from '../../solve/stock.js';
import { message } from '../../working/figure.js';
import type { Finding } from '../finding.js';
import { finding } from '../message-parts.js';
import { attacksOf } from './meetings.js';
import type { MeetingResult } from './result.js';

export function meetingFindings(rig: Rig, meetings: readonly MeetingResult[]): Finding[] {
  const name = (id: string): string => rig.liquids.find((l) => l.id === id)?.name ?? id;
  return meetings.flatMap((m) => {
    if (m.verdict !== 'never') return [];
    if (m.places.length)
      return [
        {
          ...finding(
            'never-mix',
            'stop',
            'liquids',
            { kind: 'liquid', id: m.a },
            message('{a} and {b} can meet in {place}: {reason}. Give each its own pump, hose and reel.', {
              a: name(m.a),
              b: name(m.b),
              place: m.places[0],
              reason: m.reason,
            }),
          ),
          also: [{ kind: 'liquid' as const, id: m.b }],
        },
      ];
    return [];
  });
}

/** Pumps and swivels that what runs through them eats. */
export function attackFindings(rig: Rig, stocks: Stocks): Finding[] {
  return attacksOf(rig, stocks).map((a) =>
    finding(
      'attacked',
      'tight',
      a.kind === 'reel' ? 'reels' : 'machines',
      { kind: a.kind === 'reel' ? 'reel' : 'soft-pump', id: a.id },
      message('{thing}: {reason}. Its {part} is {material}; choose another, or rinse it every time.', {
        thing: a.name,
        reason: a.reason,
        part: a.part,
        material: a.material,
      }),
    ),
  );
}
