import { provideHttpClient, withFetch } from '@angular/common/http';
import {
  ErrorHandler,
  inject,
  provideAppInitializer,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import {
  provideRouter,
  RouteReuseStrategy,
  withComponentInputBinding,
  withInMemoryScrolling,
  withNavigationErrorHandler,
  withRouterConfig,
} from '@angular/router';
import { routes } from './app.routes';
import { Outbox } from './data/offline/outbox';
import { provideIcons } from './icons';
import { AppErrorHandler } from './shell/app-error-handler';
import { ReloadOnIdChange } from './shell/reload-on-id-change';
import { tellNavigationTrouble } from './shell/navigation-trouble';

/** A device whose storage does not answer holds the start up for so long, ms; what it kept comes in when it answers. */
const STORAGE_WITHIN_MS = 1_000;

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    { provide: ErrorHandler, useClass: AppErrorHandler },
    // The benches open with what was done on this device and has not arrived yet.
    provideAppInitializer(() => Promise.race([inject(Outbox).open(), new Promise<void>((start) => setTimeout(start, STORAGE_WITHIN_MS))])),
    provideHttpClient(withFetch()),
    provideIcons(),
    { provide: RouteReuseStrategy, useClass: ReloadOnIdChange },
    provideRouter(
      routes,
      withComponentInputBinding(),
      withNavigationErrorHandler(tellNavigationTrouble),
      // Reported once, by the strip; the promise of each link need not report it again.
      withRouterConfig({ resolveNavigationPromiseOnError: true }),
      withInMemoryScrolling({ scrollPositionRestoration: 'enabled' }),
    ),
  ],
};
