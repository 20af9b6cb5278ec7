import { figureName, type Json } from '@map-step/core';
import { RefusalNotice } from '../history/refusal-notice.tsx';
import type { CourseCommands } from './course-commands.ts';
import { useCourse } from './course-context.ts';
import { keys } from './course-queries.ts';

const FIELD_WORDS: Readonly<Record<string, string>> = {
  name: 'Name',
  lessons: 'Lessons and their minutes',
  approach: 'How it is taught',
  format: 'Lessons build on each other or stand alone',
  lookalikes: 'Look-alikes',
  roles: 'Roles that everybody learns',
  weights: 'What the planner avoids',
  dances: 'Dances',
  level: 'Level',
};

/** A change of the course that was not taken: where two people differ each field is decided. */
export function CourseRefusal({ commands }: { commands: CourseCommands }) {
  const { answer, library } = useCourse();
  const nameOf = (field: string) => {
    const [list = '', id = ''] = field.split('/');
    if (list === 'placed') return figureName(library, id);
    return list === 'items' ? `Rules of ${figureName(library, id)}` : (FIELD_WORDS[field] ?? field);
  };
  return (
    <RefusalNotice
      of={keys.course(answer.course.id)}
      commands={commands}
      nameOf={nameOf}
      wordsOf={(value, field) => wordsOf(value, field)}
    />
  );
}

function wordsOf(value: Json, field: string): string {
  const [list] = field.split('/');
  if (list === 'placed') return placeInWords(value);
  if (list === 'items') return rulesInWords(value);
  if (Array.isArray(value)) return list === 'lessons' ? `${value.length} lessons` : value.join(', ');
  if (value !== null && typeof value === 'object') return rulesInWords(value);
  return value === null ? 'nothing' : String(value);
}

function placeInWords(value: Json): string {
  return value !== null && typeof value === 'object' && 'lesson' in value
    ? `lesson ${String(value.lesson)}`
    : 'left out';
}

function rulesInWords(value: Json): string {
  if (value === null || typeof value !== 'object') return 'not in the course';
  const rules = Object.entries(value).filter(([rule]) => rule !== 'pattern');
  return rules.map(([rule, set]) => (set === true ? rule : `${rule} ${String(set)}`)).join(', ');
}
