import { InjectionToken, signal, type Signal } from '@angular/core';

/** Which light the application is shown in: what is drawn in the theme's colours is drawn anew when it changes. */
export const THEME = new InjectionToken<Signal<string>>('theme', { providedIn: 'root', factory: () => signal('light') });
