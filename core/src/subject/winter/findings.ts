import type { WinterResult } from './result.js';
import type { Rig } from '../../rig/schema.js';
import type { Finding } from '../finding.js';
import { finding } from '../message-parts.js';
import { message } from '../../working/figure.js';

/** Antifreeze on board against what the winter takes. */
export function winterFindings(rig: Rig, w: WinterResult | undefined): Finding[] {
  return [...antifreezeFindings(rig, w), ...batteryFindings(w)];
}

function batteryFindings(w: WinterResult | undefined): Finding[] {
  return (w?.batteries ?? []).flatMap((b) =>
    b.freezesK !== undefined && b.freezesK > w!.coldestK!
      ? [
          finding(
            'battery-freezes',
            'tight',
            'electrics',
            { kind: 'battery', id: b.batteryId },
            message(
              'After a day’s work {battery} holds {left}; its acid freezes at {at}, and a night goes down to {cold}. Charge it before the night, or take it in.',
              {
                battery: b.name,
                left: { value: b.leftShare, dimension: 'ratio' },
                at: { value: b.freezesK, dimension: 'temperature' },
                cold: { value: w!.coldestK!, dimension: 'temperature' },
              },
            ),
          ),
        ]
      : [],
  );
}

function antifreezeFindings(rig: Rig, w: WinterResult | undefined): Finding[] {
  if (w?.onBoardM3 === undefined || !(w.antifreeze.value > w.onBoardM3 * 1.0001)) return [];
  const tank = rig.tanks.find((t) => t.liquid === 'antifreeze')!;
  return [
    finding(
      'antifreeze-short',
      'tight',
      'liquids',
      { kind: 'tank', id: tank.id },
      message(
        Number.isFinite(w.antifreeze.value)
          ? '{tank} holds {have}; a night of {cold} needs {need}.'
          : 'No amount of the antifreeze in {tank} stands a night of {cold}: keep the rig warm, or drain it and blow it dry.',
        {
          tank: tank.name,
          have: { value: w.onBoardM3, dimension: 'volume' },
          need: { value: w.antifreeze.value, dimension: 'volume' },
          cold: { value: w.coldestK!, dimension: 'temperature' },
        },
      ),
    ),
  ];
}
