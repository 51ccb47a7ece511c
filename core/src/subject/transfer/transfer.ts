import { partHeadLoss } from '../../catalogue/part-loss.js';
import { GRAVITY } from '../../fluid/air.js';
import { waterAt } from '../../fluid/water.js';
import { fullDepth, volumeAt } from '../../rig/tank-shape.js';
import { suppliedOf } from '../../solve/blend-network.js';
import type { Cases } from '../../solve/cases.js';
import { currentFigure } from '../../solve/pump-current.js';
import { drawLevel } from '../../solve/rig-network.js';
import type { Stocks } from '../../solve/stock.js';
import { solveTransfer, transferEnd, type TransferWay, transferWays } from '../../solve/transfer.js';
import { figure, input, message } from '../../working/figure.js';
import type { Finding } from '../finding.js';
import type { Verdict } from '../verdict.js';
import type { TransferResult } from './result.js';

/** Every pump that moves stock from tank to tank. */
export const assessTransfers = (cases: Cases, stocks: Stocks): TransferResult[] => transferWays(cases.rig).map((way) => assessTransfer(cases, stocks, way));

function assessTransfer({ rig, values }: Cases, stocks: Stocks, way: TransferWay): TransferResult {
  const { pump, from, to, suction } = way;
  const gravity = stocks.gravityIn(from);
  const water = waterAt(rig.brief.water);
  const lowest = drawLevel(from, suction);
  const full = Math.max(fullDepth(from), lowest);
  const half = (full + lowest) / 2;
  const [mean, low] = [half, lowest].map((level) => solveTransfer(rig, values, way, gravity, level));
  const losses = [...suction.parts, ...way.delivery.parts].map((p) =>
    input('h', p.name, gravity * partHeadLoss(p, mean.flowM3s, water, values, false), 'length'),
  );
  const rhoG = water.densityKgM3 * GRAVITY;
  const usable = volumeAt(from.shape, full) - volumeAt(from.shape, lowest);
  const room = volumeAt(to.shape, fullDepth(to));
  const moves = Math.min(usable, room);
  // What it gives falls evenly enough with the level: the mean of half full is the mean.
  const time = low.flowM3s > 0 ? moves / mean.flowM3s : Infinity;
  const liftM = transferEnd(way) - (from.base + lowest);
  const suctionM = pump.height - (from.base + lowest);
  const supplied = suppliedOf(rig, pump, values);
  const verdict: Verdict = low.flowM3s <= 0 ? 'starved' : time > values['transfer-time'] || suctionM > values['transfer-suction'] ? 'tight' : 'fed';
  return {
    pumpId: pump.id,
    fromId: from.id,
    toId: to.id,
    flow: figure(
      mean.flowM3s,
      'flow',
      'transfer-duty',
      [
        input('H', 'put on by the pump, as water', mean.risePa / rhoG, 'length'),
        input('s', 'gravity of what is moved', gravity, 'number'),
        input('z', 'from the liquid, half full, up to where it comes out', transferEnd(way) - (from.base + half), 'length'),
        ...losses,
      ],
      ['roughness-smooth'],
    ),
    least: low.flowM3s,
    liftM,
    liftsM: pump.limit / (rhoG * gravity),
    suctionM,
    moves: figure(moves, 'volume', 'transfer-volume', [input('V_a', 'can be taken', usable, 'volume'), input('V_b', 'room', room, 'volume')]),
    time: figure(time, 'time', 'fill-time', [input('V', 'moved', moves, 'volume'), input('Q_in', 'pumped', mean.flowM3s, 'flow')]),
    overflows: usable > room,
    current: pump.kind === 'electric' ? currentFigure(mean.flowM3s, mean.risePa, supplied) : undefined,
    verdict,
  };
}

export function transferFindings({ rig, values }: Cases, transfers: readonly TransferResult[]): Finding[] {
  const tank = (id: string): string => rig.tanks.find((t) => t.id === id)!.name;
  return transfers.flatMap((r): Finding[] => {
    const base = { station: 'liquids', subject: { kind: 'soft-pump', id: r.pumpId } } as const;
    const names = { pump: rig.softPumps.find((p) => p.id === r.pumpId)!.name, a: tank(r.fromId), b: tank(r.toId) };
    if (r.least <= 0)
      return [
        {
          ...base,
          code: 'transfer-none',
          verdict: 'starved',
          message: message('{pump} can’t empty {a} into {b}: the lift is {lift}, it manages {most}.', {
            ...names,
            lift: { value: r.liftM, dimension: 'length' },
            most: { value: r.liftsM, dimension: 'length' },
          }),
        },
      ];
    return [
      ...(r.overflows
        ? [
            {
              ...base,
              code: 'transfer-over',
              verdict: 'tight',
              message: message('{a} holds more than {b} has room for, {room}: {pump} left running puts it on the deck. Stand by, or fit a level switch.', {
                ...names,
                room: { value: r.moves.value, dimension: 'volume' },
              }),
            } as const,
          ]
        : []),
      ...(r.suctionM > values['transfer-suction']
        ? [
            {
              ...base,
              code: 'transfer-suction',
              verdict: 'tight',
              message: message('{pump} stands {lift} above what is left in {a}; such pumps suck up {most}.', {
                ...names,
                lift: { value: r.suctionM, dimension: 'length' },
                most: { value: values['transfer-suction'], dimension: 'length' },
              }),
            } as const,
          ]
        : []),
      ...(r.time.value > values['transfer-time']
        ? [
            {
              ...base,
              code: 'transfer-slow',
              verdict: 'tight',
              message: message('{pump} takes {t} to move {v} from {a} to {b}.', {
                ...names,
                t: { value: r.time.value, dimension: 'time' },
                v: { value: r.moves.value, dimension: 'volume' },
              }),
            } as const,
          ]
        : []),
    ];
  });
}
