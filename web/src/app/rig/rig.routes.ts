import type { Routes } from '@angular/router';

/** A station a room, in the order of the work; each loads when opened. */
export const rigRoutes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'feed' },
  { path: 'brief', title: 'Brief · Pozzo', loadComponent: () => import('../stations/brief/brief.station').then((m) => m.BriefStation) },
  { path: 'tanks', title: 'Tanks · Pozzo', loadComponent: () => import('../stations/tanks/tanks.station').then((m) => m.TanksStation) },
  { path: 'fill', title: 'Fill · Pozzo', loadComponent: () => import('../stations/fill/fill.station').then((m) => m.FillStation) },
  { path: 'feed', title: 'Feed · Pozzo', loadComponent: () => import('../stations/feed/feed.station').then((m) => m.FeedStation) },
  { path: 'machines', title: 'Machines · Pozzo', loadComponent: () => import('../stations/machines/machines.station').then((m) => m.MachinesStation) },
  { path: 'bypass', title: 'Bypass · Pozzo', loadComponent: () => import('../stations/bypass/bypass.station').then((m) => m.BypassStation) },
  { path: 'guns', title: 'Guns · Pozzo', loadComponent: () => import('../stations/guns/guns.station').then((m) => m.GunsStation) },
  { path: 'reels', title: 'Reels and runs · Pozzo', loadComponent: () => import('../stations/reels/reels.station').then((m) => m.ReelsStation) },
  { path: 'mix', title: 'Mix · Pozzo', loadComponent: () => import('../stations/mix/mix.station').then((m) => m.MixStation) },
  { path: 'liquids', title: 'Liquids · Pozzo', loadComponent: () => import('../stations/liquids/liquids.station').then((m) => m.LiquidsStation) },
  { path: 'dump', title: 'Dump and vent · Pozzo', loadComponent: () => import('../stations/dump/dump.station').then((m) => m.DumpStation) },
  { path: 'day', title: 'Work day · Pozzo', loadComponent: () => import('../stations/day/day.station').then((m) => m.DayStation) },
  { path: 'options', title: 'Options · Pozzo', loadComponent: () => import('../stations/options/options.station').then((m) => m.OptionsStation) },
];
