import { inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Store } from '@ngrx/store';
import { settingsFeature } from '../state/settings.feature';

/** What a press of one key does on the bench. */
export type Shortcut = 'unfold' | 'before' | 'after' | 'fix' | 'guide' | 'list' | 'close';

/** The keys in the order in which the list tells them. Letters can be turned off, as speech input may type them unasked. */
export const SHORTCUTS: readonly { readonly key: string; readonly does: Shortcut; readonly words: string }[] = [
  { key: 'w', does: 'unfold', words: 'Unfold the waterway, or fold it' },
  { key: 'n', does: 'after', words: 'Next station' },
  { key: 'p', does: 'before', words: 'Station before' },
  { key: 'f', does: 'fix', words: 'To the first change that would help' },
  { key: 'g', does: 'guide', words: 'The guide, at this station' },
  { key: '?', does: 'list', words: 'This list' },
  { key: 'Escape', does: 'close', words: 'Close the working, fold the waterway' },
];

/** Keys told with the rest that work elsewhere: undo everywhere, dragging where something is dragged. */
export const OTHER_KEYS: readonly { readonly key: string; readonly words: string }[] = [
  { key: 'Ctrl Z', words: 'Undo' },
  { key: 'Ctrl Shift Z', words: 'Redo' },
  { key: 'Alt with arrows', words: 'Move the part or block that has the focus' },
];

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
