import { DestroyRef, Directive, inject, TemplateRef, ViewContainerRef } from '@angular/core';
import { Pieces } from './pieces';

/** Draws what it stands at after the page around it: a station opens in pieces, so that the page never stands still. */
@Directive({ selector: '[pzLater]' })
export class Later {
  constructor() {
    const template = inject<TemplateRef<unknown>>(TemplateRef);
    const place = inject(ViewContainerRef);
    const leave = inject(Pieces).add(() => place.createEmbeddedView(template).detectChanges());
    inject(DestroyRef).onDestroy(leave);
  }
}
