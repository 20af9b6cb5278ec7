import { standBack } from './compute/stand-back.ts';

// Before anything is loaded: that takes a second of a processor, which others are waiting for.
standBack(true);
export const { runTask } = await import('./compute-work.ts');
