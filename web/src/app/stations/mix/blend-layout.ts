import { type AsTold, formatQuantity, type MixResult, type UnitSystem } from '@pozzo/core';
import { barScale, dialScale } from '../../kit/drawing';

export interface BlendStream {
  readonly path: string;
  readonly width: number;
  readonly chemical: boolean;
  readonly name: string;
  readonly flow: string;
  readonly share: string;
  readonly y: number;
}

export interface Needle {
  readonly x: number;
  readonly y: number;
  readonly words: string;
}

export interface BlendDrawing {
  readonly height: number;
  readonly streams: readonly BlendStream[];
  readonly out: { readonly y: number; readonly width: number; readonly words: string };
  readonly dial: {
    readonly zone: string;
    readonly first: Needle;
    readonly last: Needle;
    readonly wanted: string;
    readonly most: string;
  };
  readonly words: string;
}

export const DIAL = { x: 470, y: 118, r: 80 } as const;
const MIX_X = 222;

/** A point of the dial at an angle. */
function onDial(angle: number, r: number): { x: number; y: number } {
  return { x: DIAL.x + r * Math.cos(angle), y: DIAL.y - r * Math.sin(angle) };
}

/**
 * A blend as a drawing: streams whose widths are their flows, and a dial from nothing to twice the strength wanted.
 * @param tolerance share of the wanted strength that may be missing or too much
 */
export function layoutBlend(mix: AsTold<MixResult>, tolerance: number, system: UnitSystem): BlendDrawing {
  const most = Math.max(...mix.streams.map((s) => s.flowM3s), 1e-12);
  const step = 72;
  const height = Math.max(mix.streams.length * step + 24, 168);
  const middle = height / 2;
  const q = (v: number) => formatQuantity(v, 'flow', system, { digits: v < 1e-5 ? 2 : 3 });
  const percent = (v: number) => formatQuantity(v, 'ratio', system);
  const wide = barScale(most, 24);
  const streams = mix.streams.map((s, i) => {
    const y = middle + (i - (mix.streams.length - 1) / 2) * step;
    return {
      path: `M8 ${y}H128C176 ${y} 176 ${middle} ${MIX_X} ${middle}`,
      width: s.flowM3s > 0 ? 2 + wide(s.flowM3s) : 0,
      chemical: s.kind !== 'water' && s.kind !== 'pure-water',
      name: s.name,
      flow: s.flowM3s > 0 ? q(s.flowM3s) : 'nothing flows',
      share: percent(s.share),
      y,
    };
  });
  const scale = mix.wanted.value > 0 ? 2 * mix.wanted.value : Math.max(mix.first.value * 2, 0.01);
  const angle = dialScale(scale);
  const [from, to] = [1 - tolerance, 1 + tolerance].map((x) => onDial(angle((x / 2) * scale), DIAL.r));
  const needle = (v: number): Needle => ({ ...onDial(angle(v), DIAL.r - 6), words: percent(v) });
  return {
    height,
    streams,
    out: { y: middle, width: 2 + 24, words: mix.flow.value > 0 ? q(mix.flow.value) : 'dry' },
    dial: {
      zone: `M${from.x} ${from.y}A${DIAL.r} ${DIAL.r} 0 0 1 ${to.x} ${to.y}`,
      first: needle(mix.first.value),
      last: needle(mix.last.value),
      wanted: percent(mix.wanted.value),
      most: percent(scale),
    },
    words: `${mix.streams.map((s) => `${s.name} ${q(s.flowM3s)}`).join(', ')}: ${percent(mix.first.value)} in the first minute, ${percent(mix.last.value)} in the last, target ${percent(mix.wanted.value)}.`,
  };
}
