import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project's folder. */
export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '../..');
/** Where studios keep their data, unless CAZUELA_HOME says otherwise. Never in git. */
export const HOME = process.env['CAZUELA_HOME'] ?? join(ROOT, '.cazuela');
export const WEB_FOLDER = join(ROOT, 'dist/web/browser');
export const SERVER_FILE = join(ROOT, 'dist/server/main.js');
/** The same server with the demo studio. */
export const DEMO_SERVER_FILE = join(ROOT, 'dist/server/demo.js');
