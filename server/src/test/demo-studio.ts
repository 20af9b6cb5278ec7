import { readFileSync } from 'node:fs';
import { readDocument, type StudioDocument } from '@map-step/core';

const MONDAY = 'hustle-1-monday';

/** The demo studio as its file has it: lesson 5 on Monday 9 March 2026. */
export function wholeDemoStudio(): StudioDocument {
  const read = readDocument(readFileSync(new URL('../../../demo/tarn-street.json', import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.fault));
  return read.value;
}

/** The demo studio with its Monday class alone, and no plan but that of its course: quick to load, and little to know. */
export function demoStudio(): StudioDocument {
  const whole = wholeDemoStudio();
  const sections = whole.sections?.filter(({ id }) => id === MONDAY) ?? [];
  const inClass = new Set(sections.flatMap(({ students }) => students.map(({ student }) => student)));
  const planned = new Set(sections.map(({ course }) => course));
  const ofClass = <Entry extends { readonly section: string }>(entries: readonly Entry[] | undefined) =>
    entries?.filter(({ section }) => section === MONDAY) ?? [];
  const { checks: _, ...rest } = whole;
  return {
    ...rest,
    sections,
    courses: (whole.courses ?? []).map(({ placed, ...course }) =>
      planned.has(course.id) && placed ? { ...course, placed } : course,
    ),
    students: whole.students?.filter(({ id }) => inClass.has(id)) ?? [],
    plans: whole.plans?.filter(({ course }) => planned.has(course)) ?? [],
    logs: ofClass(whole.logs),
    attendance: ofClass(whole.attendance),
    notes: ofClass(whole.notes),
    recaps: ofClass(whole.recaps),
  };
}
