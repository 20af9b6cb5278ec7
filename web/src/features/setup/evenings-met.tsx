import { eveningsBetween } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Label } from '../../ui/parts.tsx';
import { classInWords, dayInWords } from '../course/class-words.ts';
import { termQuery } from '../course/term-queries.ts';

interface EveningsMetProps {
  readonly from: string;
  readonly to: string;
}

/** The evenings of classes that lie on these days, each with the way to move it. */
export function EveningsMet({ from, to }: EveningsMetProps) {
  const { data: term, isPlaceholderData } = useQuery(termQuery(from, to));
  if (!term || isPlaceholderData) return null;
  const met = eveningsBetween(term.classes, from, to);
  if (met.length === 0) return <Label>no evening of a class</Label>;
  return met.map(({ of, date, lesson }) => (
    <Label key={`${of.id} ${lesson}`} display="block">
      <Link to={`/classes/${of.id}`}>{classInWords(of, term.courses)}</Link>, lesson {lesson} on{' '}
      {dayInWords(date)}
    </Label>
  ));
}
