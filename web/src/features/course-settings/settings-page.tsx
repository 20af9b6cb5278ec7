import { chakra } from '@chakra-ui/react';
import type { Course, Json } from '@map-step/core';
import { Link, useLocation } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Label, Select } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import { type CourseEdit, useCourseEdit } from '../course/use-course-edit.ts';
import { ClassDates } from './class-dates.tsx';
import { CopyCourse } from './copy-course.tsx';
import { CourseItems } from './course-items.tsx';
import { CourseLessons } from './course-lessons.tsx';
import { CourseWeights } from './course-weights.tsx';

const CHOICES = [
  {
    field: 'approach',
    word: 'How it is taught',
    options: {
      'steps-first': 'steps first',
      'rhythm-first': 'rhythm first',
      'whole-part-whole': 'whole, part, whole',
      'one-change': 'one change at a time',
    },
  },
  {
    field: 'format',
    word: 'Lessons',
    options: { series: 'build on each other', open: 'stand alone (open class)' },
  },
  {
    field: 'lookalikes',
    word: 'Look-alikes',
    options: { apart: 'kept apart', together: 'taught side by side' },
  },
  { field: 'roles', word: 'Everybody learns', options: { one: 'one role', both: 'both roles' } },
] as const satisfies readonly {
  field: keyof Course;
  word: string;
  options: Readonly<Record<string, string>>;
}[];

/** All that the planner keeps to: lessons and their minutes, dates, figures with their rules, weights. */
export function SettingsPage() {
  const { answer, me, section } = useCourseView();
  const { search } = useLocation();
  const editing = useCourseEdit();
  const isDirector = me.role === 'director';
  return (
    <chakra.article display="grid" gap="6" maxW="72rem">
      <chakra.div display="flex" gap="4" alignItems="baseline" flexWrap="wrap">
        <chakra.h2 fontSize="2xl">Lessons, dates and rules</chakra.h2>
        <Link to={{ pathname: `/courses/${answer.course.id}/map`, search }}>Back to the map</Link>
        <Label aria-live="polite">{editing.isSaving ? 'saving' : 'saved'}</Label>
      </chakra.div>
      {!isDirector && <Label>The director changes these; you may look.</Label>}
      {editing.error && <Failure error={editing.error} retry={editing.dismiss} />}
      <chakra.fieldset disabled={!isDirector} display="grid" gap="6" border="0" p="0" minW="0">
        <chakra.section display="flex" gap="4" flexWrap="wrap" aria-label="How the course goes">
          {CHOICES.map(choice => (
            <Choice key={choice.field} {...choice} editing={editing} />
          ))}
        </chakra.section>
        <CourseLessons editing={editing} />
        <CourseItems editing={editing} />
        <CourseWeights editing={editing} />
      </chakra.fieldset>
      {isDirector && section && <ClassDates key={section.section.id} id={section.section.id} />}
      {isDirector && <CopyCourse />}
    </chakra.article>
  );
}

interface ChoiceProps {
  readonly field: keyof Course;
  readonly word: string;
  readonly options: Readonly<Record<string, string>>;
  readonly editing: CourseEdit;
}

function Choice({ field, word, options, editing }: ChoiceProps) {
  const { course } = useCourseView().answer;
  const value = course[field];
  return (
    <chakra.label display="grid" minW="12rem">
      <Label>{word}</Label>
      <Select
        value={typeof value === 'string' ? value : 'one'}
        onChange={event =>
          editing.edit(`${word}: ${options[event.target.value]}`, { [field]: event.target.value as Json })
        }
      >
        {Object.entries(options).map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </Select>
    </chakra.label>
  );
}
