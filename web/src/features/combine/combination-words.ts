import type { Json, Library } from '@map-step/core';

const FIELDS: Readonly<Record<string, string>> = {
  name: 'Name',
  lesson: 'Lesson',
  steps: 'Figures',
  start: 'Where it begins',
  end: 'How it ends',
  course: 'Course',
};

export function fieldInWords(field: string): string {
  return FIELDS[field.split('/', 1)[0] ?? field] ?? field;
}

/** What stands in a field as people say it: figures by their names, in order. */
export function valueInWords(value: Json, library: Pick<Library, 'patterns'>): string {
  if (value === null) return 'not there';
  if (Array.isArray(value)) return value.map(one => valueInWords(one, library)).join(', ');
  if (typeof value !== 'object') return library.patterns.get(String(value))?.name ?? String(value);
  const { pattern, times, oneOf, ...rest } = value as Readonly<Record<string, Json>>;
  if (oneOf !== undefined) return `one of ${valueInWords(oneOf, library)}`;
  if (typeof pattern !== 'string')
    return Object.values(rest)
      .map(one => valueInWords(one ?? null, library))
      .join(' ');
  return `${valueInWords(pattern, library)}${typeof times === 'number' ? ` ${times} times` : ''}`;
}
