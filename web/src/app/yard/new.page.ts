import { readerLocale } from '@pozzo/core/page';
import { Component, computed, inject } from '@angular/core';
import { emptyRig, formatQuantity, LAYOUTS, type LayoutSummary, type RigDocument, summaryOf } from '@pozzo/core';
import { Store } from '@ngrx/store';
import { BuildsActions } from '../state/builds.feature';
import { settingsFeature } from '../state/settings.feature';
import { LayoutDrawing } from './layout-drawing';
import { SpellPipe } from '../kit/spell.pipe';

const several = (n: number, one: string): string => (n === 1 ? `one ${one}` : `${n} ${one}s`);

/** What to start from: nothing, or a rig of the kind that comes nearest, each with a drawing, a line and what it costs. */
@Component({
  selector: 'pz-new',
  imports: [SpellPipe, LayoutDrawing],
  template: `
    <main class="page">
      <h1>New build</h1>
      <p class="quiet">Pick the closest rig and change it. Prices are estimates.</p>
      <ul>
        <li>
          <button type="button" (click)="add(undefined)">
            <span class="blank" aria-hidden="true">+</span>
            <strong>Empty</strong>
            <span class="quiet">Blank. Add a tank, a machine and {{ '‹a spigot›' | spell }}.</span>
          </button>
        </li>
        @for (l of cards(); track l.id) {
          <li>
            <button type="button" (click)="add(l.id)">
              <pz-layout-drawing [of]="l.summary" />
              <strong>{{ l.title | spell }}</strong>
              <span class="quiet">{{ l.line | spell }}</span>
              <span class="price">{{ l.price }}</span>
            </button>
          </li>
        }
      </ul>
    </main>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 12px 0 0;
      padding: 0;
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(225px, 1fr));
      gap: 12px;
    }
    li {
      display: flex;
    }
    button {
      flex: 1;
      display: flex;
      flex-direction: column;
      gap: 3px;
      text-align: left;
      background: var(--card);
      border: 1px solid var(--line);
      border-radius: 5px;
      padding: 10px 12px;
      cursor: pointer;
      line-height: 1.3;
    }
    button:hover {
      border-color: var(--ink);
    }
    strong {
      font-weight: 600;
      margin-top: 6px;
    }
    .price {
      margin-top: auto;
      font-weight: 600;
    }
    .blank {
      display: grid;
      place-items: center;
      aspect-ratio: 200 / 76;
      border: 2px dashed var(--field-line);
      border-radius: 4px;
      font-size: 28px;
      color: var(--ink-quiet);
    }
  `,
})
export class NewPage {
  private readonly store = inject(Store);
  private readonly units = this.store.selectSignal(settingsFeature.selectUnits);
  private readonly summaries: readonly LayoutSummary[] = LAYOUTS.map(summaryOf);
  protected readonly cards = computed(() =>
    this.summaries.map((summary) => ({
      id: summary.id,
      title: summary.title,
      summary,
      line: this.lineOf(summary),
      price: `about $${(Math.round(summary.price / 100) * 100).toLocaleString(readerLocale())}`,
    })),
  );
  private lineOf(s: LayoutSummary): string {
    const q = (v: number, d: Parameters<typeof formatQuantity>[1]): string => formatQuantity(v, d, this.units(), { digits: 2 });
    const water = s.tanks.filter((t) => t.water).reduce((sum, t) => sum + t.volumeM3, 0);
    const flows = [...new Set(s.machines.map((m) => q(m.flowM3s, 'flow')))].join(' and ');
    const guns = s.machines.reduce((n, m) => n + m.guns, 0);
    return [
      water > 0 ? `${q(water, 'volume')} of water` : 'no water on board',
      `${several(s.machines.length, 'washer')} of ${flows}`,
      several(guns, 'gun'),
      s.mixes ? `${several(s.mixes, 'mix').replace(/mixs/, 'mixes')}` : '',
    ]
      .filter(Boolean)
      .join(', ');
  }
  protected add(id: string | undefined): void {
    const layout = LAYOUTS.find((l) => l.id === id);
    const document: RigDocument = layout ? { ...layout.make(), name: 'New build', customer: '', notes: '' } : emptyRig('New build');
    // Cable that nobody named yet is chosen from what is sold here.
    if (this.units() === 'metric') document.cables = 'mm2';
    this.store.dispatch(BuildsActions.add({ document, open: true }));
  }
}
