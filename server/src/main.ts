import { serve } from './start.ts';

await serve();
