import { spell } from '@pozzo/core/page';
import type { AsTold, FeedResult, UnitSystem } from '@pozzo/core';
import type { ChartColours, ChartOption } from '../../kit/chart';
import { axes } from '../../kit/chart-parts';
import { inUnit, round3, unitOf } from '../../kit/units';

interface Bar {
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly kind: 'gain' | 'loss' | 'there' | 'needed';
}

/** Terms of the inlet head as bars that stand on one another, then what is there and what is needed. Zero terms are left out. */
export function waterfallBars(feed: AsTold<FeedResult>, system: UnitSystem): Bar[] {
  const out: Bar[] = [];
  let at = 0;
  for (const t of feed.terms) {
    const v = inUnit(t.valueM, 'length', system);
    if (Math.abs(v) < 0.005 && t.id !== 'friction') continue;
    out.push({ name: spell(t.label), from: at, to: at + v, kind: v < 0 ? 'loss' : 'gain' });
    at += v;
  }
  out.push({ name: 'there', from: 0, to: at, kind: 'there' });
  out.push({ name: 'needed', from: 0, to: inUnit(feed.required.value, 'length', system), kind: 'needed' });
  return out;
}

/** The waterfall as a chart; the greatest loss shouts when the feed is not at ease. */
export function waterfall(feed: AsTold<FeedResult>, system: UnitSystem): ChartOption {
  const bars = waterfallBars(feed, system);
  const losses = bars.filter((b) => b.kind === 'loss');
  const worst = feed.verdict === 'fed' ? undefined : losses.reduce<Bar | undefined>((a, b) => (!a || b.to - b.from < a.to - a.from ? b : a), undefined);
  return (c) => ({
    ...axes(c, { name: '' }, { name: `${unitOf('length', system)} of water` }),
    grid: { left: 44, right: 8, top: 30, bottom: 26 },
    tooltip: { show: false },
    xAxis: {
      type: 'category',
      data: bars.map((b) => b.name),
      axisLine: { lineStyle: { color: c.quiet } },
      axisTick: { show: false },
      axisLabel: { color: c.ink, interval: 0 },
    },
    series: [
      { type: 'bar', stack: 'a', silent: true, itemStyle: { color: 'transparent' }, data: bars.map((b) => round3(base(b))) },
      { type: 'bar', stack: 'a', barWidth: '58%', ...drawn(bars, above, c, worst, false) },
      { type: 'bar', stack: 'a', barWidth: '58%', ...drawn(bars, below, c, worst, true) },
    ],
  });
}

/** One side of zero of every bar; its label stands on the upper end, or below where only the lower side is there. */
function drawn(bars: readonly Bar[], of: (b: Bar) => number, c: ChartColours, worst: Bar | undefined, under: boolean): object {
  return {
    label: {
      show: true,
      position: under ? 'bottom' : 'top',
      color: c.ink,
      fontWeight: 600,
      formatter: (p: { dataIndex: number }) => ((under ? above(bars[p.dataIndex]) === 0 : above(bars[p.dataIndex]) > 0) ? label(bars[p.dataIndex]) : ''),
    },
    data: bars.map((b) => ({
      value: round3(of(b)),
      itemStyle:
        b.kind === 'needed'
          ? { color: c.card, borderColor: c.ink, borderWidth: 2 }
          : { color: b === worst ? c.attention : b.kind === 'loss' ? c.quiet : c.water },
    })),
  };
}

// A stack works from zero outwards on either side: what a bar leaves blank, and what it shows above and below zero.
const base = (b: Bar): number => (b.from > 0 && b.to > 0 ? Math.min(b.from, b.to) : b.from < 0 && b.to < 0 ? Math.max(b.from, b.to) : 0);
const above = (b: Bar): number => Math.max(b.from, b.to, 0) - Math.max(Math.min(b.from, b.to), 0);
const below = (b: Bar): number => Math.min(b.from, b.to, 0) - Math.min(Math.max(b.from, b.to), 0);
const label = (b: Bar): string => {
  const v = b.kind === 'there' || b.kind === 'needed' ? b.to : b.to - b.from;
  return `${v < 0 ? '−' : ''}${Math.abs(v).toFixed(1)}`;
};
