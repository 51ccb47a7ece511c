import { line } from 'd3-shape';

/** A dimension line: from edge to edge, with an end stroke at each, and where its figure stands. */
export interface Dimension {
  readonly path: string;
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
  readonly text: string;
}

type Point = readonly [x: number, y: number];

/** Straight stretches through points. */
export const through = (points: readonly Point[], closed = false): string => {
  const d = line<Point>()
    .x((p) => p[0])
    .y((p) => p[1])
    .digits(1)([...points]);
  return d ? (closed ? `${d}Z` : d) : '';
};

const END = 4;
const OVER = 4;
const BESIDE = 8;

/** A measure lying along: the line at height y, its figure over it, and thin lines from the things that it measures. */
export function dimensionAlong(x0: number, x1: number, y: number, text: string, from?: { readonly at: number; readonly y: number }): Dimension {
  const paths = [
    through([
      [x0, y],
      [x1, y],
    ]),
    ...[x0, x1].map((x) =>
      through([
        [x, y - END],
        [x, y + END],
      ]),
    ),
  ];
  if (from)
    paths.push(
      through([
        [from.at, y],
        [from.at, from.y],
      ]),
    );
  return { path: paths.join(''), x: (x0 + x1) / 2, y: y - OVER, anchor: 'middle', text };
}

/** A measure standing upright: the line at x, its figure to the right or left of its middle. */
export function dimensionUp(
  y0: number,
  y1: number,
  x: number,
  text: string,
  side: 'left' | 'right' = 'right',
  from?: { readonly at: number; readonly x: number },
): Dimension {
  const paths = [
    through([
      [x, y0],
      [x, y1],
    ]),
    ...[y0, y1].map((y) =>
      through([
        [x - END, y],
        [x + END, y],
      ]),
    ),
  ];
  if (from)
    paths.push(
      through([
        [from.x, from.at],
        [x, from.at],
      ]),
    );
  return {
    path: paths.join(''),
    x: side === 'right' ? x + BESIDE : x - BESIDE,
    y: (y0 + y1) / 2 + 5,
    anchor: side === 'right' ? 'start' : 'end',
    text,
  };
}
