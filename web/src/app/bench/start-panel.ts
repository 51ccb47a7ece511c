import { Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { hasStep, START_STEPS, type StartStep, takeStep } from '@pozzo/core';
import { RigStore } from '../state/rig-store';
import { spell } from '@pozzo/core/page';

const WORDS: Readonly<Record<StartStep, { readonly name: string; readonly about: string }>> = {
  tank: { name: 'Add a tank', about: spell('Covers for a weak ‹spigot›.') },
  machine: { name: 'Add a machine', about: 'A washer with its hose, gun and return.' },
  tap: { name: spell('Connect ‹a spigot›'), about: spell('What the customer’s ‹spigot› brings.') },
};

/** An empty page becomes a rig in three steps, in any order; gone once all are taken, or when it is sent away. */
@Component({
  selector: 'pz-start',
  imports: [MatButtonModule],
  template: `
    @if (shown()) {
      <section aria-label="Start">
        @for (s of steps(); track s.id) {
          <div class="step" [class.done]="s.done">
            <span class="n" aria-hidden="true">{{ s.done ? '✓' : s.n }}</span>
            <span
              ><strong>{{ s.name }}</strong
              ><small class="quiet">{{ s.done ? 'done' : s.about }}</small></span
            >
            @if (!s.done) {
              <button mat-flat-button type="button" class="small" [attr.aria-label]="s.name" (click)="take(s.id)">{{ s.verb }}</button>
            }
          </div>
        }
        @if (works()) {
          <button mat-button type="button" class="small" (click)="sent.set(true)">Done</button>
        }
      </section>
    }
  `,
  styles: `
    section {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 10px 28px;
      padding: 12px var(--gutter) 14px;
      background: var(--card);
      border-bottom: 1px solid var(--line);
    }
    .step {
      display: flex;
      align-items: center;
      gap: 10px;
    }
    .n {
      display: grid;
      place-items: center;
      width: 30px;
      height: 30px;
      border: 2px solid var(--ink);
      border-radius: 50%;
      font-weight: 700;
    }
    .done .n {
      background: var(--water-pale);
      border-color: var(--water);
      color: var(--water);
    }
    small {
      display: block;
      font-size: 13.5px;
    }
  `,
})
export class StartPanel {
  private readonly rig = inject(RigStore);
  protected readonly sent = signal(false);
  /** Begun in this sitting: it stays until the last step. */
  private readonly begun = signal(false);
  protected readonly steps = computed(() => {
    const d = this.rig.document();
    return START_STEPS.map((id, i) => ({ id, n: i + 1, done: !!d && hasStep(d, id), verb: id === 'tap' ? 'Connect' : 'Add', ...WORDS[id] }));
  });
  protected readonly works = computed(() => {
    const d = this.rig.document();
    return !!d && hasStep(d, 'machine') && (hasStep(d, 'tank') || hasStep(d, 'tap'));
  });
  protected readonly shown = computed(() => {
    if (this.sent() || !this.rig.document() || this.steps().every((s) => s.done)) return false;
    return this.begun() || !this.works();
  });
  protected take(step: StartStep): void {
    this.begun.set(true);
    this.rig.edit(WORDS[step].name, (d) => takeStep(d, step));
  }
}
