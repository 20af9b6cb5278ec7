import type { StudioDocument } from '../model/document.ts';

/** A document in which one of the staff goes by another id, wherever they are named. Linear in the document. */
export function renamePerson(document: StudioDocument, from: string, to: string): StudioDocument {
  const by = <Entry extends { readonly by: string }>(entry: Entry): Entry =>
    entry.by === from ? { ...entry, by: to } : entry;
  const { people, sections, plans, logs, attendance, notes, checks } = document;
  return {
    ...document,
    ...(people && { people: people.map(one => (one.id === from ? { ...one, id: to } : one)) }),
    ...(sections && {
      sections: sections.map(section => ({
        ...section,
        staff: section.staff.map(one => (one.person === from ? { ...one, person: to } : one)),
      })),
    }),
    ...(plans && { plans: plans.map(by) }),
    ...(logs && { logs: logs.map(by) }),
    ...(attendance && { attendance: attendance.map(by) }),
    ...(notes && { notes: notes.map(by) }),
    ...(checks && { checks: checks.map(check => ({ ...check, marks: check.marks.map(by) })) }),
  };
}
