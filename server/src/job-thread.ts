import { standBack } from './compute/stand-back.ts';

// As in `compute-thread.ts`: before anything is loaded.
standBack();
await import('./job-work.ts');
