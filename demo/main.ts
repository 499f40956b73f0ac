import { serve } from '../apps/server/src/serve';
import { loadDemo } from './load-demo';

// The same server, with the demo studio in an empty database.
await serve(loadDemo);
