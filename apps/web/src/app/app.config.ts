import { provideHttpClient, withFetch } from '@angular/common/http';
import { ErrorHandler, provideBrowserGlobalErrorListeners, provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import {
  provideRouter,
  RouteReuseStrategy,
  withComponentInputBinding,
  withInMemoryScrolling,
  withNavigationErrorHandler,
  withRouterConfig,
} from '@angular/router';
import { routes } from './app.routes';
import { provideIcons } from './icons';
import { AppErrorHandler } from './shell/app-error-handler';
import { ReloadOnIdChange } from './shell/reload-on-id-change';
import { tellNavigationTrouble } from './shell/navigation-trouble';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    { provide: ErrorHandler, useClass: AppErrorHandler },
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
