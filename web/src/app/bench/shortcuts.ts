import { inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Store } from '@ngrx/store';
import { settingsFeature } from '../state/settings.feature';
import { type Shortcut, SHORTCUTS } from './keys';

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) ||
    ['combobox', 'listbox', 'option'].includes(target.getAttribute('role') ?? ''));

/** Single keys on the bench. */
@Injectable({ providedIn: 'root' })
export class Shortcuts {
  private readonly dialog = inject(MatDialog);
  private readonly letters = inject(Store).selectSignal(settingsFeature.selectLetters);

  /** What a key pressed there stands for; nothing while something is typed or a dialog is open. */
  of(event: KeyboardEvent): Shortcut | null {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || this.dialog.openDialogs.length) return null;
    const key = event.key === 'Escape' ? 'Escape' : event.key.toLowerCase();
    if (typing(event.target) && key !== 'Escape') return null;
    if (key.length === 1 && !this.letters()) return null;
    return SHORTCUTS.find((s) => s.key === key)?.does ?? null;
  }

  async list(): Promise<void> {
    const { ShortcutsDialog } = await import('./shortcuts-dialog');
    this.dialog.open(ShortcutsDialog, { width: '420px', autoFocus: 'dialog' });
  }
}
