import type { ChartColours } from './chart';

/** Axis, grid and tooltip in the application's own hand: one look for every chart. */
export function axes(c: ChartColours, x: { name: string; max?: number; min?: number }, y: { name: string; min?: number; max?: number }): object {
  const axis = {
    axisLine: { lineStyle: { color: c.quiet } },
    axisLabel: { color: c.ink, hideOverlap: true },
    nameTextStyle: { color: c.quiet },
    splitLine: { lineStyle: { color: c.line } },
  };
  return {
    grid: { left: 52, right: 18, top: 30, bottom: 42 },
    xAxis: { type: 'value', ...axis, name: x.name, nameLocation: 'middle', nameGap: 27, min: x.min ?? 0, max: x.max, splitLine: { show: false } },
    yAxis: {
      type: 'value',
      ...axis,
      name: y.name,
      nameLocation: 'end',
      nameTextStyle: { color: c.quiet, align: 'left', padding: [0, 0, 0, -44] },
      min: y.min,
      max: y.max,
    },
    tooltip: { trigger: 'axis', backgroundColor: c.card, borderColor: c.line, textStyle: { color: c.ink }, confine: true },
  };
}

/** A drawn curve without dots. */
export function curve(name: string, data: readonly (readonly [number, number])[], colour: string, extra: object = {}): object {
  return { name, type: 'line', showSymbol: false, data, lineStyle: { color: colour, width: 2.5 }, itemStyle: { color: colour }, ...extra };
}

/** A dashed level across a chart with its name. */
export function level(value: number, name: string, colour: string, position = 'insideStartBottom'): object {
  return {
    symbol: 'none',
    silent: true,
    lineStyle: { color: colour, type: 'dashed', width: 1.5 },
    label: { formatter: name, color: colour, position, fontSize: 12.5 },
    data: [{ yAxis: value }],
  };
}

/** The same for a place along the x axis. */
export function place(value: number, name: string, colour: string): object {
  return {
    symbol: 'none',
    silent: true,
    lineStyle: { color: colour, type: 'dashed', width: 1.5 },
    label: { formatter: name, color: colour, position: 'end', rotate: 0, align: 'left', offset: [5, 15], fontSize: 12.5 },
    data: [{ xAxis: value }],
  };
}
