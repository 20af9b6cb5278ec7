import type { AnswerOf, FoundStudent } from '@map-step/contract';
import { queryOptions, skipToken, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call } from '../../api/client.ts';
import { studentInWords } from '../course/class-words.ts';
import { foundQuery } from '../course/student-queries.ts';
import type { PaletteEntry } from './entries.ts';

const LEAST_LETTERS = 2;

function figuresQuery(named: string) {
  return queryOptions({
    queryKey: ['figures-found', named],
    queryFn: named.length < LEAST_LETTERS ? skipToken : () => call('figure.find', { query: { named } }),
  });
}

/** What the server finds by what was typed: figures of every dance and, for who may see them, students. */
export function useFoundEntries(typed: string, seesStudents: boolean): readonly PaletteEntry[] {
  const { data: figures } = useQuery(figuresQuery(typed));
  const { data: students } = useQuery(foundQuery(seesStudents ? typed : ''));
  return useMemo(
    () => [...(figures?.figures ?? []).flatMap(figureEntry), ...(students?.students ?? []).map(studentEntry)],
    [figures, students],
  );
}

function figureEntry({
  id,
  name,
  kind,
  dance,
  course,
}: AnswerOf<'figure.find'>['figures'][number]): PaletteEntry[] {
  if (course === null) return [];
  return [
    {
      key: `figure ${id}`,
      words: name,
      hint: `${kind}, ${dance}`,
      go: { to: `/courses/${course}/material/${id}` },
    },
  ];
}

function studentEntry(student: FoundStudent): PaletteEntry {
  return {
    key: `student ${student.id}`,
    words: student.name,
    hint: `student, ${studentInWords(student)}`,
    go: { to: `/students/${student.id}` },
  };
}
