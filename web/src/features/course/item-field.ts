import type { CourseItem, Json } from '@map-step/core';

/** An item's rules with some of them set anew, as the field of the course that holds them; undefined takes one away. */
export function itemField(
  item: CourseItem,
  more: { readonly [Key in keyof CourseItem]?: CourseItem[Key] | undefined },
): Readonly<Record<string, Json>> {
  const entries = Object.entries({ ...item, ...more }).filter(([, value]) => value !== undefined);
  return { [`items/${item.pattern}`]: Object.fromEntries(entries) as Json };
}
