import { bootstrapApplication } from '@angular/platform-browser';
import * as z from 'zod';
import { App } from './app/app';
import { appConfig } from './app/app.config';

// The content security policy forbids building functions from text, which zod would otherwise do for speed.
z.config({ jitless: true });

// The first screen is fetched while Angular starts, not after it.
if (location.pathname === '/') void import('./app/stations/home/home').catch(() => undefined);

bootstrapApplication(App, appConfig).catch((error: unknown) => console.error(error));
