import { chakra } from '@chakra-ui/react';
import { Link, useLocation } from 'react-router';
import { Label } from '../../ui/parts.tsx';
import { useCourseCommands, useIsSavingCourse } from '../course/course-commands.ts';
import { useClass, useCourse } from '../course/course-context.ts';
import { CourseRefusal } from '../course/course-refusal.tsx';
import { CourseItems } from './course-items.tsx';
import { CourseLessons } from './course-lessons.tsx';
import { CourseWeights } from './course-weights.tsx';
import { HowItGoes } from './how-it-goes.tsx';
import { HowItIsPlanned } from './how-it-is-planned.tsx';

/** All that the planner keeps to: lessons and their minutes, dates, figures with their rules, weights. */
export function SettingsPage() {
  const { answer, me } = useCourse();
  const { section } = useClass();
  const { search } = useLocation();
  const commands = useCourseCommands();
  const isSaving = useIsSavingCourse();
  const isDirector = me.role === 'director';
  return (
    <chakra.article display="grid" gap="6" maxW="72rem">
      <chakra.div display="flex" gap="4" alignItems="baseline" flexWrap="wrap">
        <chakra.h2 fontSize="2xl">Lessons, dates and rules</chakra.h2>
        <Link to={{ pathname: `/courses/${answer.course.id}/map`, search }}>Back to the map</Link>
        <Link to={{ pathname: `/courses/${answer.course.id}/sheet`, search }}>The level’s sheet</Link>
        <Label aria-live="polite">{isSaving ? 'saving' : 'saved'}</Label>
      </chakra.div>
      {!isDirector && <Label>The director changes these; you may look.</Label>}
      <CourseRefusal commands={commands} />
      <chakra.fieldset disabled={!isDirector} display="grid" gap="6" border="0" p="0" minW="0">
        <HowItGoes commands={commands} isDisabled={!isDirector} />
        <CourseLessons commands={commands} />
        <CourseItems commands={commands} />
        <HowItIsPlanned commands={commands} />
        <CourseWeights commands={commands} />
      </chakra.fieldset>
      {isDirector && (
        <Link to={section ? `/classes/${section.section.id}` : `/classes/new?course=${answer.course.id}`}>
          {section ? 'Evenings, room, staff and students of this class' : 'Make a class of this course'}
        </Link>
      )}
      {isDirector && (
        <Link to={{ pathname: `/courses/${answer.course.id}/next`, search }}>
          Roll this course over to the next term
        </Link>
      )}
    </chakra.article>
  );
}
