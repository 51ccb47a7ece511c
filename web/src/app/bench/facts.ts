import { Component, input } from '@angular/core';
import { FigureView } from './figure';

export interface Fact {
  readonly label: string;
  /** Path of a figure in the assessment, or plain words. */
  readonly at?: string;
  readonly text?: string;
  readonly never?: string;
}

/** Labelled figures, two to a row where there is room. */
@Component({
  selector: 'pz-facts',
  imports: [FigureView],
  template: `<dl>
    @for (f of facts(); track f.label) {
      <div>
        <dt>{{ f.label }}</dt>
        <dd>
          @if (f.at; as at) {
            <pz-figure [label]="f.label" [at]="at" [never]="f.never ?? 'never'" />
          } @else {
            <strong>{{ f.text }}</strong>
          }
        </dd>
      </div>
    }
  </dl>`,
  styles: `
    dl {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(215px, 1fr));
      gap: 0 22px;
      margin: 6px 0 14px;
    }
    div {
      display: flex;
      justify-content: space-between;
      gap: 10px;
      border-bottom: 1px solid var(--line);
      padding: 4px 0;
      align-items: baseline;
    }
    dt {
      color: var(--ink-quiet);
      line-height: 1.2;
    }
    dd {
      margin: 0;
      text-align: right;
    }
  `,
})
export class Facts {
  readonly facts = input.required<readonly Fact[]>();
}
