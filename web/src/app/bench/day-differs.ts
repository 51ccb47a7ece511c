import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { againstBrief, briefFromDay, dayFromBrief } from '@pozzo/core';
import { say } from '@pozzo/core/page';
import { RigStore } from '../state/rig-store';

/** Where the written day and the brief say different things, and the presses that make them agree. */
@Component({
  selector: 'pz-day-differs',
  imports: [MatButtonModule],
  template: `
    @if (words().length) {
      <div class="differs" role="status">
        @for (w of words(); track w) {
          <p>{{ w }}</p>
        }
        <p class="quiet">The build is judged by the written day.</p>
        <button type="button" mat-stroked-button class="small" (click)="anew()">Make the day anew from the brief</button>
        <button type="button" mat-stroked-button class="small" (click)="taken()">Take the day’s longest job into the brief</button>
      </div>
    }
  `,
  styles: `
    .differs {
      border-left: 4px solid var(--line);
      padding: 2px 0 4px 10px;
      margin: 0 0 12px;
    }
    p {
      margin: 4px 0;
    }
    .mdc-button {
      margin: 4px 6px 0 0;
    }
  `,
})
export class DayDiffers {
  private readonly rig = inject(RigStore);
  protected readonly words = computed(() => {
    const rig = this.rig.rig();
    return rig ? againstBrief(rig).map((m) => say(m, this.rig.units())) : [];
  });
  protected anew(): void {
    this.rig.edit('Make the day anew from the brief', dayFromBrief);
  }
  protected taken(): void {
    this.rig.edit('Take the day’s longest job into the brief', briefFromDay);
  }
}
