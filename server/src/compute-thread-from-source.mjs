// As `job-thread-from-source.mjs`: brings the loader that runs TypeScript from source. Not in a build.
import { register } from 'tsx/esm/api';

register();
export const { runTask } = await import('./compute-thread.ts');
