import type { Routes } from '@angular/router';

export const routes: Routes = [
  { path: '', pathMatch: 'full', loadComponent: () => import('./room/room-page').then((m) => m.RoomPage) },
  { path: 'room/:roomId', loadComponent: () => import('./room/room-page').then((m) => m.RoomPage) },
  {
    path: 'room/:roomId/catalogue',
    loadComponent: () => import('./catalogue/catalogue-page').then((m) => m.CataloguePage),
  },
  {
    path: 'tank/:tankId',
    loadComponent: () => import('./shell/tank-page').then((m) => m.TankPage),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'livestock' },
      { path: 'livestock', loadComponent: () => import('./livestock/livestock-bench').then((m) => m.LivestockBench) },
      { path: 'vessel', loadComponent: () => import('./vessel/vessel-bench').then((m) => m.VesselBench) },
      { path: 'water', loadComponent: () => import('./water/water-bench').then((m) => m.WaterBench) },
      { path: 'substrate', loadComponent: () => import('./substrate/substrate-bench').then((m) => m.SubstrateBench) },
      { path: 'hardscape', loadComponent: () => import('./hardscape/hardscape-bench').then((m) => m.HardscapeBench) },
      { path: 'equipment', loadComponent: () => import('./equipment/equipment-bench').then((m) => m.EquipmentBench) },
      { path: 'stocking', loadComponent: () => import('./stocking/stocking-bench').then((m) => m.StockingBench) },
      { path: 'care', loadComponent: () => import('./care/care-bench').then((m) => m.CareBench) },
      { path: 'sheet', loadComponent: () => import('./sheet/sheet').then((m) => m.Sheet) },
      { path: ':bench', loadComponent: () => import('./shell/bench-not-open').then((m) => m.BenchNotOpen) },
    ],
  },
  { path: '**', redirectTo: '' },
];
