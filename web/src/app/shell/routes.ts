import type { Routes } from '@angular/router';

const history = () => import('../record/history.page').then((m) => m.HistoryPage);

export const routes: Routes = [
  { path: '', title: 'Yard · Pozzo', loadComponent: () => import('../yard/yard.page').then((m) => m.YardPage) },
  { path: 'new', title: 'New build · Pozzo', loadComponent: () => import('../yard/new.page').then((m) => m.NewPage) },
  { path: 'deleted', title: 'Deleted builds · Pozzo', loadComponent: () => import('../yard/deleted.page').then((m) => m.DeletedPage) },
  { path: 'backups', title: 'Backups · Pozzo', loadComponent: () => import('../yard/backups.page').then((m) => m.BackupsPage) },
  { path: 'workshop', title: 'Workshop · Pozzo', loadComponent: () => import('../workshop/workshop.page').then((m) => m.WorkshopPage) },
  { path: 'workshop/history', title: 'History · Pozzo', data: { kind: 'workshop' }, loadComponent: history },
  { path: 'rig/:id/history', title: 'History · Pozzo', data: { kind: 'build' }, loadComponent: history },
  {
    path: 'rig/:id',
    loadComponent: () => import('../bench/rig.page').then((m) => m.RigPage),
    loadChildren: () => import('../bench/rig.routes').then((m) => m.rigRoutes),
  },
  { path: 'guide', title: 'Guide · Pozzo', loadComponent: () => import('../guide/guide.page').then((m) => m.GuidePage) },
  { path: 'sums', title: 'Quick sums · Pozzo', loadComponent: () => import('../sums/sums.page').then((m) => m.SumsPage) },
  { path: 'sums/:name', loadComponent: () => import('../sums/sums.page').then((m) => m.SumsPage) },
  { path: '**', title: 'Not here · Pozzo', loadComponent: () => import('./not-here.page').then((m) => m.NotHerePage) },
];
