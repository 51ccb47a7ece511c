import { Component, computed, inject, input } from '@angular/core';
import { type PartDocument, partName, resize, type RigDocument } from '@pozzo/core';
import { RigStore } from '../state/rig-store';
import { ChoiceField } from './choice-field';
import { NameField } from './name-field';
import { QuantityField } from './quantity-field';

/** What can be set of one part. */
@Component({
  selector: 'pz-part-fields',
  imports: [ChoiceField, NameField, QuantityField],
  template: `
    <div class="fields">
      <pz-name [path]="path() + '.name'" [shown]="called()" />
      <pz-quantity label="Bore" [path]="path() + '.bore'" [write]="newBore()" />
      @switch (part().kind) {
        @case ('hose') {
          <pz-quantity label="Length" [path]="path() + '.length'" />
          <pz-quantity label="Still on the reel" [path]="path() + '.coiledLength'" placeholder="none" />
          <pz-choice label="Used as" [path]="path() + '.use'" [options]="uses" />
        }
        @case ('fitting') {
          <pz-quantity label="Pieces" [path]="path() + '.count'" />
          <pz-quantity label="Smallest bore" hint="barb, ball or coupler" [path]="path() + '.reducedBore'" placeholder="full" />
          <pz-quantity label="Loss coefficient K" [path]="path() + '.k'" placeholder="by kind" />
        }
        @case ('valve') {
          <pz-quantity label="Cv or Kv" [path]="path() + '.cv'" />
          @if (is() === 'metering-valve') {
            <pz-quantity label="Opened to" hint="share of its full Cv" [path]="path() + '.setting'" placeholder="100 %" />
          }
          @if (is() === 'backflow-preventer') {
            <pz-choice label="Device" [path]="path() + '.device'" [options]="devices" />
          }
          <pz-quantity label="Opening loss" [path]="path() + '.openingLoss'" placeholder="none" />
        }
        @case ('strainer') {
          <pz-quantity label="Cv clean" [path]="path() + '.cvClean'" />
          <pz-quantity label="Cv dirty" [path]="path() + '.cvDirty'" />
        }
      }
      @if (!part().item) {
        <p class="quiet">Not off the shelf: priced and weighed between the nearest sizes there (estimate).</p>
      }
    </div>
  `,
  styles: `
    .fields {
      padding-left: 24px;
    }
  `,
})
export class PartFields {
  readonly part = input.required<PartDocument>();
  readonly path = input.required<string>();
  /** A whip joins the machine; what is no whip lies on the line's reel, where it has one. */
  protected readonly uses = [
    { value: '', name: 'on the run' },
    { value: 'whip', name: 'at the machine (whip)' },
  ];
  protected readonly devices = [
    { value: '', name: 'Not said' },
    { value: 'vacuum-breaker', name: 'Vacuum breaker' },
    { value: 'double-check', name: 'Double check' },
    { value: 'reduced-pressure', name: 'Reduced pressure' },
  ];
  /** A name that the shelf gave is said in the reader's sizes. */
  protected readonly called = computed(() => partName(this.part(), this.rig.units()));
  protected readonly is = computed(() => {
    const p = this.part();
    return p.kind === 'valve' ? p.is : '';
  });
  private readonly rig = inject(RigStore);
  /** A new bore brings the name, inner bore and coefficient of that size along. */
  protected readonly newBore = computed(() => {
    const [, line, , part] = this.path().split('.').map(Number);
    return (draft: RigDocument, bore: string): void => {
      const { parts } = draft.lines[line];
      parts[part] = resize(parts[part], bore);
    };
  });
}
