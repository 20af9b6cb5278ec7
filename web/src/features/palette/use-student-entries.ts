import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { studentInWords } from '../course/class-words.ts';
import { foundQuery } from '../course/student-queries.ts';
import type { PaletteEntry } from './entries.ts';

const NOBODY: readonly PaletteEntry[] = [];

/** Students whose name has what was typed in it: the server looks for them, for there may be thousands. */
export function useStudentEntries(typed: string): readonly PaletteEntry[] {
  const { data } = useQuery(foundQuery(typed));
  return useMemo(() => {
    if (!data || typed.length < 2) return NOBODY;
    const asked = typed.toLowerCase();
    return data.students
      .filter(({ name }) => name.toLowerCase().includes(asked))
      .map(student => ({
        key: `student ${student.id}`,
        words: student.name,
        hint: `student, ${studentInWords(student)}`,
        go: { to: `/students/${student.id}` },
      }));
  }, [data, typed]);
}
