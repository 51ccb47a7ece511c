import type { Routes } from '@angular/router';
import { STATION_LIST } from '../stations/registry';

/** A station a room, in the order of the work; each loads when opened. */
export const rigRoutes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'feed' },
  { path: 'todo', title: 'To do · Pozzo', loadComponent: () => import('./todo.page').then((m) => m.TodoPage) },
  ...STATION_LIST.map(({ id, name, load }) => ({ path: id, title: `${name} · Pozzo`, loadComponent: load })),
];
