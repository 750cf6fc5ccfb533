import type { Routes } from '@angular/router';
import type { BenchEntry } from './shell/bench';
import { BENCHES } from './shell/benches';

const tankPage = () => import('./shell/tank-page').then((m) => m.TankPage);
const roomPage = () => import('./room/room-page').then((m) => m.RoomPage);

export function routesOf(benches: readonly BenchEntry[]): Routes {
  return [
    { path: '', pathMatch: 'full', loadComponent: roomPage },
    { path: 'room/:roomId', loadComponent: roomPage },
    { path: 'room/:roomId/catalogue', loadComponent: () => import('./catalogue/catalogue-page').then((m) => m.CataloguePage) },
    { path: 'room/:roomId/round', loadComponent: () => import('./round/round-page').then((m) => m.RoundPage) },
    {
      path: 'tank/:tankId',
      loadComponent: tankPage,
      children: [
        { path: '', pathMatch: 'full', redirectTo: 'livestock' },
        ...benches.flatMap(({ id, load }) => (load ? [{ path: id, loadComponent: load }] : [])),
        { path: 'sheet', loadComponent: () => import('./sheet/sheet').then((m) => m.Sheet) },
        { path: ':bench', loadComponent: () => import('./shell/bench-not-open').then((m) => m.BenchNotOpen) },
      ],
    },
    { path: '**', redirectTo: '' },
  ];
}

export const routes = routesOf(BENCHES);
