import type { Routes } from '@angular/router';
import { unsavedInputGuard } from './ui/forms/unsaved-input';

/** Every view is a chunk of its own, fetched when it is first opened. */
const VIEWS: Routes = [
  { path: '', title: 'What now? · Cazuela', loadComponent: () => import('./stations/home/home').then((m) => m.Home) },
  {
    path: 'recipe',
    title: 'Recipes · Cazuela',
    loadComponent: () => import('./stations/recipe/recipe-shelf/recipe-shelf').then((m) => m.RecipeShelf),
  },
  {
    path: 'recipe/powders',
    title: 'Powders · Cazuela',
    loadComponent: () => import('./stations/recipe/powder-shelf/powder-shelf').then((m) => m.PowderShelf),
  },
  {
    path: 'recipe/powders/:id',
    title: 'Powder · Cazuela',
    loadComponent: () => import('./stations/recipe/powder-page/powder-page').then((m) => m.PowderPage),
  },
  {
    path: 'recipe/:id/convert',
    title: 'From one recipe to another · Cazuela',
    loadComponent: () => import('./stations/recipe/convert-page/convert-page').then((m) => m.ConvertPage),
  },
  {
    path: 'recipe/:id/substitute',
    title: 'Another powder · Cazuela',
    loadComponent: () => import('./stations/recipe/substitute-page/substitute-page').then((m) => m.SubstitutePage),
  },
  {
    path: 'recipe/:id/oxides',
    title: 'Oxides · Cazuela',
    loadComponent: () => import('./stations/recipe/oxides-page/oxides-page').then((m) => m.OxidesPage),
  },
  {
    path: 'recipe/files',
    title: 'Files in and out · Cazuela',
    loadComponent: () => import('./stations/recipe/files-page/files-page').then((m) => m.FilesPage),
  },
  {
    path: 'recipe/:id',
    title: 'Recipe · Cazuela',
    loadComponent: () => import('./stations/recipe/recipe-editor/recipe-editor').then((m) => m.RecipeEditor),
  },
  { path: 'weigh', title: 'Weigh · Cazuela', loadComponent: () => import('./stations/weigh/weigh-plan/weigh-plan').then((m) => m.WeighPlan) },
  {
    path: 'weigh/series',
    title: 'Series of tiles · Cazuela',
    loadComponent: () => import('./stations/weigh/series-page/series-page').then((m) => m.SeriesPage),
  },
  {
    path: 'weigh/series/:id',
    title: 'Series · Cazuela',
    loadComponent: () => import('./stations/weigh/series-page/series-page').then((m) => m.SeriesPage),
  },
  {
    path: 'weigh/:id',
    title: 'Weighing bench · Cazuela',
    loadComponent: () => import('./stations/weigh/weigh-bench/weigh-bench').then((m) => m.WeighBench),
  },
  {
    path: 'bucket',
    title: 'Buckets · Cazuela',
    loadComponent: () => import('./stations/bucket/bucket-shelf/bucket-shelf').then((m) => m.BucketShelf),
  },
  {
    path: 'bucket/:id',
    title: 'Bucket · Cazuela',
    loadComponent: () => import('./stations/bucket/bucket-page/bucket-page').then((m) => m.BucketPage),
  },
  { path: 'coat', title: 'Coat · Cazuela', loadComponent: () => import('./stations/coat/coat-station').then((m) => m.CoatStation) },
  { path: 'coat/tile/:tile', title: 'Coat · Cazuela', loadComponent: () => import('./stations/coat/coat-station').then((m) => m.CoatStation) },
  { path: 'piece', title: 'Pieces · Cazuela', loadComponent: () => import('./stations/piece/piece-shelf/piece-shelf').then((m) => m.PieceShelf) },
  {
    path: 'piece/runners',
    title: 'Runner tiles · Cazuela',
    loadComponent: () => import('./stations/piece/runner-bench/runner-bench').then((m) => m.RunnerBench),
  },
  {
    path: 'piece/runners/:tile',
    title: 'Runner tiles · Cazuela',
    loadComponent: () => import('./stations/piece/runner-bench/runner-bench').then((m) => m.RunnerBench),
  },
  {
    path: 'piece/:id',
    title: 'Piece plan · Cazuela',
    loadComponent: () => import('./stations/piece/piece-planner/piece-planner').then((m) => m.PiecePlanner),
  },
  { path: 'day', title: 'The glazing day · Cazuela', loadComponent: () => import('./stations/day/day-page').then((m) => m.DayPage) },
  { path: 'kiln', title: 'Kiln · Cazuela', loadComponent: () => import('./stations/kiln/kiln-station').then((m) => m.KilnStation) },
  {
    path: 'kiln/kilns/:id',
    title: 'Kiln · Cazuela',
    loadComponent: () => import('./stations/kiln/kiln-page/kiln-page').then((m) => m.KilnPage),
  },
  {
    path: 'kiln/schedules/:id',
    title: 'Schedule · Cazuela',
    loadComponent: () => import('./stations/kiln/schedule/schedule-page').then((m) => m.SchedulePage),
  },
  {
    path: 'kiln/firings/:id',
    title: 'Firing · Cazuela',
    loadComponent: () => import('./stations/kiln/firing/firing-page').then((m) => m.FiringPage),
  },
  {
    path: 'kiln/firings/:id/opening',
    title: 'Opening the kiln · Cazuela',
    loadComponent: () => import('./stations/kiln/opening/opening-page').then((m) => m.OpeningPage),
  },
  {
    path: 'kiln/log-file',
    title: 'A log from a file · Cazuela',
    loadComponent: () => import('./stations/kiln/log-file/log-file-page').then((m) => m.LogFilePage),
  },
  {
    path: 'kiln/loads/:id',
    title: 'Load · Cazuela',
    loadComponent: () => import('./stations/kiln/load/load-page').then((m) => m.LoadPage),
  },
  { path: 'wall', title: 'Wall · Cazuela', loadComponent: () => import('./stations/wall/wall').then((m) => m.Wall) },
  {
    path: 'wall/glazes',
    title: 'Glaze over glaze · Cazuela',
    loadComponent: () => import('./stations/wall/glazes-page').then((m) => m.GlazesPage),
  },
  {
    path: 'wall/compare',
    title: 'Side by side · Cazuela',
    loadComponent: () => import('./stations/wall/compare-page').then((m) => m.ComparePage),
  },
  {
    path: 'wall/keepers',
    title: 'Keepers · Cazuela',
    loadComponent: () => import('./stations/wall/keepers-page').then((m) => m.KeepersPage),
  },
  {
    path: 'wall/changes',
    title: 'Changes · Cazuela',
    loadComponent: () => import('./stations/wall/changes-page').then((m) => m.ChangesPage),
  },
  { path: 'studio', title: 'Studio · Cazuela', loadComponent: () => import('./stations/studio/studio-page').then((m) => m.StudioPage) },
  { path: 'studio/device', title: 'This device · Cazuela', loadComponent: () => import('./stations/studio/device-page').then((m) => m.DevicePage) },
  {
    path: 'studio/words',
    title: 'Words · Cazuela',
    loadComponent: () => import('./stations/studio/words-page').then((m) => m.WordsPage),
  },
  {
    path: 'studio/put-away',
    title: 'Put away · Cazuela',
    loadComponent: () => import('./stations/studio/put-away-page/put-away-page').then((m) => m.PutAwayPage),
  },
  {
    path: 'studio/bodies/:id',
    title: 'Clay body · Cazuela',
    loadComponent: () => import('./stations/studio/body-page/body-page').then((m) => m.BodyPage),
  },
  {
    path: 'steps-not-taken',
    title: 'Steps not taken over · Cazuela',
    loadComponent: () => import('./stations/steps-not-taken/steps-not-taken').then((m) => m.StepsNotTaken),
  },
  { path: '**', title: 'Not here · Cazuela', loadComponent: () => import('./stations/home/not-found-page').then((m) => m.NotFoundPage) },
];

export const routes: Routes = VIEWS.map((view) => ({ ...view, canDeactivate: [unsavedInputGuard] }));
