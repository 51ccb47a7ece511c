import { afterNextRender, Component, DestroyRef, effect, type ElementRef, inject, input, signal, viewChild } from '@angular/core';
import type { EChartsType } from 'echarts/core';
import { THEME } from './theme';

/** A chart's colours, read from the theme's tokens. */
export interface ChartColours {
  readonly ink: string;
  readonly quiet: string;
  readonly line: string;
  readonly water: string;
  readonly waterMid: string;
  readonly waterPale: string;
  readonly chem: string;
  readonly attention: string;
  readonly card: string;
}

/** Makes a chart's option from the theme's colours. */
export type ChartOption = (colours: ChartColours) => object;

/** How long a chart waits behind its figures, ms. */
const FOLLOW_MS = 60;

/** A chart with a title in words; the same data stand in `summary` for those who do not see it. */
@Component({
  selector: 'pz-chart',
  template: `<div #box class="box" [style.height.px]="height()" role="img" [attr.aria-label]="summary()"></div>
    @if (!ready()) {
      <p class="quiet wait">Drawing…</p>
    }`,
  styles: `
    /* What is drawn has the width it was given, and holds no narrower place open: a phone that is turned. */
    :host {
      display: block;
      position: relative;
      contain: inline-size;
    }
    .box {
      width: 100%;
    }
    .wait {
      position: absolute;
      top: 40%;
      width: 100%;
      text-align: center;
    }
  `,
})
export class Chart {
  readonly option = input.required<ChartOption>();
  readonly height = input(220);
  readonly summary = input.required<string>();
  protected readonly ready = signal(false);
  private readonly box = viewChild.required<ElementRef<HTMLElement>>('box');
  private readonly theme = inject(THEME);
  private chart: EChartsType | undefined;
  private gone = false;
  private drawn = false;
  private later: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    const destroy = inject(DestroyRef);
    const start = async (): Promise<void> => {
      const { init } = await import('./echarts');
      if (this.gone) return;
      this.chart = init(this.box().nativeElement, undefined, { renderer: 'svg' });
      const watch = new ResizeObserver(() => requestAnimationFrame(() => this.chart && !this.chart.isDisposed() && this.chart.resize()));
      watch.observe(this.box().nativeElement);
      destroy.onDestroy(() => watch.disconnect());
      this.ready.set(true);
    };
    afterNextRender(() => void start());
    effect(() => {
      const option = this.option();
      this.theme();
      if (!this.ready()) return;
      // Figures first: a chart follows a moment later, once for several quick changes.
      clearTimeout(this.later);
      this.later = setTimeout(
        () =>
          this.chart?.setOption(
            { animation: false, textStyle: { fontFamily: 'Barlow, sans-serif', fontSize: 13 }, ...option(this.colours()) },
            { notMerge: true },
          ),
        this.drawn ? FOLLOW_MS : 0,
      );
      this.drawn = true;
    });
    destroy.onDestroy(() => {
      this.gone = true;
      clearTimeout(this.later);
      this.chart?.dispose();
    });
  }

  private colours(): ChartColours {
    const style = getComputedStyle(document.documentElement);
    const of = (name: string): string => style.getPropertyValue(name).trim();
    return {
      ink: of('--ink'),
      quiet: of('--ink-quiet'),
      line: of('--line'),
      water: of('--water'),
      waterMid: of('--water-mid'),
      waterPale: of('--water-pale'),
      chem: of('--chem'),
      attention: of('--attention'),
      card: of('--card'),
    };
  }
}
