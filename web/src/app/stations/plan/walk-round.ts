import { afterNextRender, Component, DestroyRef, effect, type ElementRef, inject, input, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Rig } from '@pozzo/core';
import { THEME } from '../../kit/theme';
import type { DeckScene, SceneColours } from './scene';
import { spell } from '@pozzo/core/page';

/** Whether this browser draws in three dimensions: asked before anything of it is loaded. */
export function drawsInThree(): boolean {
  const gl = document.createElement('canvas').getContext('webgl2');
  gl?.getExtension('WEBGL_lose_context')?.loseContext();
  return gl !== null;
}

/** The rig as one walks round it: turned by hand or by the arrow keys, tanks as full as they are. */
@Component({
  selector: 'pz-walk-round',
  imports: [MatButtonModule],
  template: `
    @if (flat()) {
      <p class="quiet" role="status">{{ flat() }} The plan and the view from the kerb show the same.</p>
    }
    <div
      #box
      class="box"
      [class.gone]="flat()"
      tabindex="0"
      role="img"
      [attr.aria-label]="'The rig ' + rig().name + ' in three dimensions. Arrow keys turn it, plus and minus bring it nearer and farther.'"
      (keydown)="key($event)"
    ></div>
    @if (!flat()) {
      <div class="acts">
        @for (v of views; track v.name) {
          <button type="button" mat-stroked-button class="small" (click)="turn(v.angle)">{{ v.name }}</button>
        }
        <button type="button" mat-stroked-button class="small" (click)="still()">Save a still picture</button>
      </div>
    }
  `,
  styles: `
    .box {
      height: 470px;
      width: 100%;
      background: var(--ground-2);
      border: 1px solid var(--line);
    }
    .box.gone {
      display: none;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin: 8px 0;
    }
  `,
})
export class WalkRound {
  readonly rig = input.required<Rig>();
  readonly levels = input.required<readonly number[]>();
  /** Why there is nothing to walk round; empty while there is. */
  protected readonly flat = signal('');
  protected readonly views = [
    { name: spell('From the ‹curb›'), angle: -Math.PI / 2 },
    { name: 'From behind', angle: 0 },
    { name: 'From the street', angle: Math.PI / 2 },
    { name: 'From the front', angle: Math.PI },
  ];
  private readonly box = viewChild.required<ElementRef<HTMLElement>>('box');
  private readonly theme = inject(THEME);
  private readonly scene = signal<DeckScene | undefined>(undefined);

  constructor() {
    const destroy = inject(DestroyRef);
    let gone = false;
    destroy.onDestroy(() => {
      gone = true;
      this.scene()?.dispose();
    });
    const start = async (): Promise<void> => {
      if (!drawsInThree()) return this.flat.set('This browser draws nothing in three dimensions.');
      try {
        const { DeckScene } = await import('./scene');
        if (!gone) this.scene.set(new DeckScene(this.box().nativeElement));
      } catch (e) {
        this.flat.set(`The view could not be opened (${e instanceof Error ? e.message : String(e)}).`);
      }
    };
    afterNextRender(() => void start());
    effect(() => {
      this.theme();
      this.scene()?.show(this.rig(), this.levels(), this.colours());
    });
  }

  private colours(): SceneColours {
    const style = getComputedStyle(this.box().nativeElement);
    const of = (name: string): string => style.getPropertyValue(name).trim() || '#888888';
    return {
      ink: of('--ink'),
      ground: of('--ground-2'),
      deck: of('--track'),
      card: of('--card'),
      water: of('--water-mid'),
      chem: of('--chem'),
      machine: of('--ink-quiet'),
      line: of('--line'),
    };
  }

  protected turn(angle: number): void {
    this.scene()?.turnTo(angle);
  }
  protected key(event: KeyboardEvent): void {
    const scene = this.scene();
    if (!scene) return;
    const by = { ArrowLeft: [-0.12, 0, 1], ArrowRight: [0.12, 0, 1], ArrowUp: [0, 0.08, 1], ArrowDown: [0, -0.08, 1], '+': [0, 0, 0.9], '-': [0, 0, 1.11] }[
      event.key
    ];
    if (!by) return;
    event.preventDefault();
    scene.turn(by[0], by[1], by[2]);
  }
  protected still(): void {
    const picture = this.scene()?.still();
    if (!picture) return;
    const link = document.createElement('a');
    link.href = picture;
    link.download = `${this.rig()
      .name.replace(/[^\w-]+/g, '-')
      .toLowerCase()}.png`;
    link.click();
  }
}
