import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';
import * as z from 'zod';

setupZonelessTestEnv();
z.config({ jitless: true });
