import type { Pattern } from './document.ts';

/** True for what is practised and not danced to music by itself: a drill, or a quality of something else. */
export function isOnlyPractised(pattern: Pick<Pattern, 'kind'> | undefined): boolean {
  return pattern?.kind === 'drill' || pattern?.kind === 'quality';
}
