import { afterNextRender, Directive, ElementRef, inject } from '@angular/core';

/**
 * The field of a dialog that is typed into first. It has the focus as soon as it is there, not when the dialog has
 * finished opening: whoever types meanwhile is not moved elsewhere. Open the dialog with `autoFocus: 'dialog'`.
 */
@Directive({ selector: '[pzFirstField]' })
export class FirstField {
  constructor() {
    const field = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => field.focus());
  }
}
