import { DestroyRef, Directive, inject, input, type OnInit, TemplateRef, ViewContainerRef } from '@angular/core';
import { Pieces } from './pieces';

/** How far off the screen a thing is drawn whole, so that a hand or a key that comes to it finds it. */
const REACH = '600px';

/** Who waits to come near the screen; one watch for all of them. */
const reached = new WeakMap<Element, () => void>();
let watch: IntersectionObserver | undefined;
const watching = (): IntersectionObserver | undefined =>
  (watch ??=
    typeof IntersectionObserver === 'undefined'
      ? undefined
      : new IntersectionObserver(
          (seen) => {
            for (const s of seen) if (s.isIntersecting) reached.get(s.target)?.();
          },
          { rootMargin: REACH },
        ));

/**
 * Draws what it stands at once it comes near the screen; until then the template it is given, an element that says
 * the same in words and takes the same room.
 */
@Directive({ selector: '[pzNear]' })
export class Near implements OnInit {
  readonly meanwhile = input.required<TemplateRef<unknown>>({ alias: 'pzNear' });
  private readonly template = inject<TemplateRef<unknown>>(TemplateRef);
  private readonly place = inject(ViewContainerRef);
  private readonly pieces = inject(Pieces);
  private readonly destroy = inject(DestroyRef);

  ngOnInit(): void {
    const observer = watching();
    if (!observer) return void this.place.createEmbeddedView(this.template);
    const view = this.place.createEmbeddedView(this.meanwhile());
    const stand = view.rootNodes.find((n): n is Element => n instanceof Element);
    if (!stand) throw new Error('What stands there meanwhile is no element.');
    const forget = (): void => {
      observer.unobserve(stand);
      reached.delete(stand);
    };
    reached.set(stand, () => {
      forget();
      const leave = this.pieces.add(() => {
        this.place.clear();
        this.place.createEmbeddedView(this.template).detectChanges();
      });
      this.destroy.onDestroy(leave);
    });
    observer.observe(stand);
    this.destroy.onDestroy(forget);
  }
}
