import type { Dance, Pattern } from '@map-step/core';

/** A figure without parts still has its rows, so that they can be filled and its rhythm is read. */
export function withRoom(pattern: Pattern, { roles }: Dance): Pattern {
  if (pattern.parts) return pattern;
  return { ...pattern, parts: roles === 'solo' ? { solo: '' } : { lead: '', follow: 'opposite' } };
}
