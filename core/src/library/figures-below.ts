import type { Pattern } from '../model/document.ts';
import type { Library } from './library.ts';

/** The figures of the levels below one, of its dance; none where there is no such level. */
export function figuresBelow(
  { patterns, levels }: Pick<Library, 'patterns' | 'levels'>,
  level: string | undefined,
): readonly Pattern[] {
  const own = levels.get(level ?? '');
  return [...patterns.values()].filter(pattern => {
    const below = levels.get(pattern.level ?? '');
    return own !== undefined && below?.dance === own.dance && below.order < own.order;
  });
}
