import { standBack } from './compute/stand-back.ts';

// As in `compute-thread.ts`: before anything is loaded.
standBack(false);
await import('./job-work.ts');
