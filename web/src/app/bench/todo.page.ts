import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { type Fix, fixOf, hasDays, isDone, mayWait, say, setAside, type ToDo } from '@pozzo/core';
import { VerdictMark } from '../kit/verdict';
import { DayStore } from '../state/day-store';
import { RigStore } from '../state/rig-store';
import { injectRoad, injectToDo } from './road';
import { STATION_WORDS } from './station-words';

/** What stands between a build and done, worst first, each with its best fix and the way there; what was set aside, with its reason. */
@Component({
  selector: 'pz-todo',
  imports: [FormsModule, MatButtonModule, MatFormFieldModule, MatInputModule, RouterLink, VerdictMark],
  template: `
    <section aria-label="To do">
      <h2>To do</h2>
      <p class="lead" role="status">{{ sentence() }}</p>
      <ol>
        @for (x of open(); track x.of) {
          <li [class]="x.grade">
            <div class="what">
              @if (x.grade === 'unchecked') {
                <strong class="grade">Not checked</strong>
              } @else if (x.grade === 'note') {
                <strong class="grade">Note</strong>
              } @else {
                <pz-verdict [of]="x.grade" [about]="x.scale" />
              }
              <p>{{ words(x) }}</p>
            </div>
            @if (fix(x); as f) {
              <p class="on-paper">→ {{ title(f) }}</p>
            }
            <div class="acts">
              @if (fix(x); as f) {
                <button
                  type="button"
                  mat-stroked-button
                  class="small"
                  [disabled]="rig.waiting() !== null"
                  [attr.aria-label]="'Try it: ' + title(f)"
                  (click)="rig.apply(f)"
                >
                  {{ title(f) }}
                </button>
              }
              <a mat-stroked-button class="small" [routerLink]="['/rig', rig.state().id, x.station]">Open {{ stations[x.station].name }}</a>
              @if (waits(x)) {
                <button type="button" mat-button class="small" [attr.aria-expanded]="asked() === x.of" (click)="ask(x)">Set aside</button>
              }
            </div>
            @if (asked() === x.of) {
              <form (ngSubmit)="put(x)">
                <mat-form-field appearance="outline" subscriptSizing="dynamic">
                  <mat-label>Why it stays as it is</mat-label>
                  <input matInput name="reason" maxlength="300" required [(ngModel)]="reason" (keydown.escape)="asked.set(null)" />
                </mat-form-field>
                <button type="submit" mat-flat-button class="small" [disabled]="!reason().trim()">Set aside</button>
              </form>
            }
          </li>
        }
      </ol>
      @if (aside().length) {
        <h3>Set aside</h3>
        <ol>
          @for (x of aside(); track x.of) {
            <li class="waits">
              <div class="what">
                <p>{{ words(x) }}</p>
                <p class="reason">{{ x.aside }}</p>
              </div>
              <div class="acts">
                <button type="button" mat-stroked-button class="small" [attr.aria-label]="'Take back: ' + words(x)" (click)="back(x)">Take back</button>
              </div>
            </li>
          }
        </ol>
        <p class="quiet">What is set aside still counts in the verdict, and comes back here if it gets worse.</p>
      }
    </section>
  `,
  styles: `
    :host {
      display: block;
      background: var(--ground-2);
    }
    section {
      padding: 16px;
      max-width: 900px;
    }
    .lead {
      margin: 4px 0 12px;
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      background: var(--card);
      border-left: 4px solid var(--line);
      padding: 8px 12px;
      margin-bottom: 8px;
    }
    li.tight,
    li.starved {
      border-color: var(--attention);
    }
    li.stop {
      border-color: var(--danger);
    }
    .what {
      display: grid;
      grid-template-columns: 112px 1fr;
      gap: 2px 10px;
      align-items: start;
    }
    .waits .what {
      grid-template-columns: 1fr;
    }
    p {
      margin: 0;
    }
    .reason {
      font-style: italic;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin: 6px 0 0 122px;
    }
    .waits .acts {
      margin-left: 0;
    }
    form {
      display: flex;
      gap: 8px;
      align-items: center;
      margin: 8px 0 2px 122px;
    }
    form mat-form-field {
      flex: 1;
    }
    h3 {
      margin: 18px 0 6px;
    }
    @media (max-width: 760px) {
      .what {
        grid-template-columns: 1fr;
      }
      .acts,
      form {
        margin-left: 0;
      }
    }
  `,
})
export class TodoPage {
  protected readonly rig = inject(RigStore);
  private readonly day = inject(DayStore);
  protected readonly stations = STATION_WORDS;
  private readonly todo = injectToDo(injectRoad());
  protected readonly open = computed(() => (this.todo() ?? []).filter((x) => x.aside === undefined));
  protected readonly aside = computed(() => (this.todo() ?? []).filter((x) => x.aside !== undefined));
  /** The one whose reason is asked for. */
  protected readonly asked = signal<string | null>(null);
  protected readonly reason = signal('');
  protected readonly sentence = computed(() => {
    const [todo, a] = [this.todo(), this.rig.assessment()];
    if (!todo || !a) return 'Working it out…';
    const left = this.open().filter((x) => x.grade !== 'note').length;
    const waits = hasDays(a) && !this.day.judged() ? ' Its days are being judged.' : '';
    if (left) return `${left === 1 ? 'One thing is' : `${left} things are`} left before this build is done.${waits}`;
    return waits ? `Nothing found so far.${waits}` : isDone(todo) && this.aside().length ? 'Done, but for what is set aside.' : 'Done: nothing is left to do.';
  });
  protected words(x: ToDo): string {
    const text = say(x.message, this.rig.units());
    return x.grade === 'unchecked' ? text[0].toUpperCase() + text.slice(1) : text;
  }
  protected fix(x: ToDo): Fix | undefined {
    return fixOf(x, this.rig.fixes());
  }
  protected title(f: Fix): string {
    return say(f.title, this.rig.units());
  }
  protected waits(x: ToDo): boolean {
    return mayWait(x.grade);
  }
  protected ask(x: ToDo): void {
    this.reason.set('');
    this.asked.set(this.asked() === x.of ? null : x.of);
  }
  protected put(x: ToDo): void {
    const reason = this.reason();
    if (!reason.trim()) return;
    this.asked.set(null);
    this.rig.edit('Set aside', (d) => setAside(d, x, reason));
  }
  protected back(x: ToDo): void {
    this.rig.edit('Take back what was set aside', (d) => setAside(d, x, ''));
  }
}
