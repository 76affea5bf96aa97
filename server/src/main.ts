import { serve } from './platform/start.ts';

await serve();
