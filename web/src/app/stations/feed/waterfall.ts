import type { FeedResult, UnitSystem } from '@pozzo/core';
import type { ChartOption } from '../../kit/chart';
import { axes } from '../../kit/chart-parts';
import { inUnit, round3, unitOf } from '../../kit/units';

interface Bar {
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly kind: 'gain' | 'loss' | 'there' | 'needed';
}

/** Terms of the inlet head as bars that stand on one another, then what is there and what is needed. Zero terms are left out. */
export function waterfallBars(feed: FeedResult, system: UnitSystem): Bar[] {
  const out: Bar[] = [];
  let at = 0;
  for (const t of feed.terms) {
    const v = inUnit(t.valueM, 'length', system);
    if (Math.abs(v) < 0.005 && t.id !== 'friction') continue;
    out.push({ name: t.label, from: at, to: at + v, kind: v < 0 ? 'loss' : 'gain' });
    at += v;
  }
  out.push({ name: 'there', from: 0, to: at, kind: 'there' });
  out.push({ name: 'needed', from: 0, to: inUnit(feed.required.value, 'length', system), kind: 'needed' });
  return out;
}

/** The waterfall as a chart; the greatest loss shouts when the feed is not at ease. */
export function waterfall(feed: FeedResult, system: UnitSystem): ChartOption {
  const bars = waterfallBars(feed, system);
  const losses = bars.filter((b) => b.kind === 'loss');
  const worst = feed.verdict === 'fed' ? undefined : losses.reduce<Bar | undefined>((a, b) => (!a || b.to - b.from < a.to - a.from ? b : a), undefined);
  return (c) => ({
    ...axes(c, { name: '' }, { name: `${unitOf('length', system)} of water` }),
    grid: { left: 44, right: 8, top: 30, bottom: 26 },
    tooltip: { show: false },
    xAxis: { type: 'category', data: bars.map((b) => b.name), axisLine: { lineStyle: { color: c.quiet } }, axisTick: { show: false }, axisLabel: { color: c.ink, interval: 0 } },
    series: [
      { type: 'bar', stack: 'a', silent: true, itemStyle: { color: 'transparent' }, data: bars.map((b) => round3(base(b))) },
      {
        type: 'bar', stack: 'a', barWidth: '58%',
        label: { show: true, position: 'top', color: c.ink, fontWeight: 600, formatter: (p: { dataIndex: number }) => label(bars[p.dataIndex]) },
        data: bars.map((b) => ({
          value: round3(height(b)),
          itemStyle: b.kind === 'needed' ? { color: c.card, borderColor: c.ink, borderWidth: 2 } : { color: b === worst ? c.attention : b.kind === 'loss' ? c.quiet : c.water },
        })),
      },
    ],
  });
}

/** A stack works from zero outwards: bars that cross zero are drawn from it. */
const crosses = (b: Bar): boolean => b.from * b.to < 0;
const base = (b: Bar): number => (crosses(b) ? 0 : Math.abs(b.from) < Math.abs(b.to) ? b.from : b.to);
const height = (b: Bar): number => (crosses(b) ? b.to : Math.abs(b.to) - Math.abs(b.from) > 0 ? b.to - b.from : b.from - b.to);
const label = (b: Bar): string => {
  const v = b.kind === 'there' || b.kind === 'needed' ? b.to : b.to - b.from;
  return `${v < 0 ? '−' : ''}${Math.abs(v).toFixed(1)}`;
};
