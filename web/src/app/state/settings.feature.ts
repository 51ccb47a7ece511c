import { inject } from '@angular/core';
import type { Locale, UnitSystem } from '@pozzo/core';
import { LOCALES } from '@pozzo/core/page';
import { createActionGroup, createFeature, createReducer, on, props, Store } from '@ngrx/store';
import * as v from 'valibot';

export type Theme = 'light' | 'dark' | 'sunlight';

export interface SettingsState {
  readonly units: UnitSystem;
  /** How words are spelled and called; null follows the browser. */
  readonly locale: Locale | null;
  readonly theme: Theme;
  /** Whether single letters work as keys. */
  readonly letters: boolean;
  /** Who works on this device, for the history of what is saved; empty where nobody said. */
  readonly by: string;
  /** Keys of the cautions that were read on this device. */
  readonly read: readonly string[];
}

export const SettingsActions = createActionGroup({
  source: 'Settings',
  events: {
    'Set Units': props<{ units: UnitSystem }>(),
    'Set Theme': props<{ theme: Theme }>(),
    'Set Letters': props<{ letters: boolean }>(),
    'Set Locale': props<{ locale: Locale }>(),
    'Set By': props<{ by: string }>(),
    'Have Read': props<{ keys: readonly string[] }>(),
  },
});

const KEY = 'pozzo.settings';
/** Cautions remembered as read; the earliest are forgotten, and so shown again. */
const MOST_READ = 100;
/** What another version of Pozzo may have left here: a value that is not known falls back by itself. */
const KeptSettings = v.object({
  units: v.fallback(v.optional(v.picklist(['us', 'metric'])), undefined),
  locale: v.fallback(v.optional(v.picklist(LOCALES)), undefined),
  theme: v.fallback(v.optional(v.picklist(['light', 'dark', 'sunlight'])), undefined),
  letters: v.fallback(v.optional(v.boolean()), undefined),
  by: v.fallback(v.optional(v.pipe(v.string(), v.maxLength(80))), undefined),
  read: v.fallback(v.optional(v.pipe(v.array(v.pipe(v.string(), v.maxLength(600))), v.maxLength(MOST_READ))), undefined),
});

/** Settings as kept on this device; anything unreadable, and storage that may not even be named, falls back to the usual ones. */
export function keptSettings(storage: () => Pick<Storage, 'getItem'>, prefersDark: boolean): SettingsState {
  const usual: SettingsState = { units: 'us', locale: null, theme: prefersDark ? 'dark' : 'light', letters: true, by: '', read: [] };
  try {
    const kept = v.parse(KeptSettings, JSON.parse(storage().getItem(KEY) ?? '{}'));
    return {
      units: kept.units ?? usual.units,
      locale: kept.locale ?? usual.locale,
      theme: kept.theme ?? usual.theme,
      letters: kept.letters ?? usual.letters,
      by: kept.by ?? usual.by,
      read: kept.read ?? usual.read,
    };
  } catch {
    return usual;
  }
}

export function keepSettings(storage: () => Pick<Storage, 'setItem'>, settings: SettingsState): void {
  try {
    storage().setItem(KEY, JSON.stringify(settings));
  } catch {
    // A full or forbidden store only costs the habit, not the work.
  }
}

const browser = typeof window === 'undefined' ? undefined : window;
const initial: SettingsState = browser
  ? keptSettings(() => browser.localStorage, browser.matchMedia?.('(prefers-color-scheme: dark)').matches ?? false)
  : { units: 'us', locale: null, theme: 'light', letters: true, by: '', read: [] };

export const settingsFeature = createFeature({
  name: 'settings',
  reducer: createReducer(
    initial,
    on(SettingsActions.setUnits, (s, { units }): SettingsState => ({ ...s, units })),
    on(SettingsActions.setLetters, (s, { letters }): SettingsState => ({ ...s, letters })),
    on(SettingsActions.setLocale, (s, { locale }): SettingsState => ({ ...s, locale })),
    on(SettingsActions.setBy, (s, { by }): SettingsState => ({ ...s, by: by.slice(0, 80) })),
    on(SettingsActions.haveRead, (s, { keys }): SettingsState => ({ ...s, read: [...new Set([...s.read, ...keys])].slice(-MOST_READ) })),
    on(SettingsActions.setTheme, (s, { theme }): SettingsState => ({ ...s, theme })),
  ),
});

/** Who works on this device, to stand with what is saved. */
export function useWhose(store = inject(Store)): () => { readonly by?: string } {
  const by = store.selectSignal(settingsFeature.selectBy);
  return () => (by() ? { by: by() } : {});
}
