// A thread does not inherit the loader that runs TypeScript from source: this brings it. Not in a build.
import { register } from 'tsx/esm/api';

register();
await import('./job-thread.ts');
