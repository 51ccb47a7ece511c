/** What a press of one key does on the bench. */
export type Shortcut = 'unfold' | 'before' | 'after' | 'fix' | 'guide' | 'list' | 'close';

/** The keys in the order in which the list tells them. Letters can be turned off, as speech input may type them unasked. */
export const SHORTCUTS: readonly { readonly key: string; readonly does: Shortcut; readonly words: string }[] = [
  { key: 'w', does: 'unfold', words: 'Expand or collapse the flow line' },
  { key: 'n', does: 'after', words: 'Next station' },
  { key: 'p', does: 'before', words: 'Station before' },
  { key: 'f', does: 'fix', words: 'Go to the best fix' },
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
