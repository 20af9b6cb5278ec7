import { chakra } from '@chakra-ui/react';
import { COST_WEIGHTS, type CostWeights, type Course } from '@map-step/core';
import { Link, useLocation } from 'react-router';
import { optionsOf } from '../../ui/choice.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button } from '../../ui/parts.tsx';
import type { CourseCommands } from '../course/course-commands.ts';
import { useCourse } from '../course/course-context.ts';

const WORDS: Readonly<Record<keyof CostWeights, string>> = {
  must: 'for each must that is left out',
  should: 'for each should that is left out',
  could: 'for each could that is left out',
  level: 'for each minute that a lesson is fuller than its share',
  largest: 'for each such minute of the fullest lesson, on top',
  lookalike: 'for each pair of look-alikes in the wrong lessons',
  mix: 'for each kind of figure that a lesson is short of two',
  order: 'for each lesson beyond one by which a figure lies off its place from easy to hard',
  stuck: 'for each evening in which a figure cannot be danced on',
  ahead: 'for each hold, rhythm or turn that is shown a lesson ahead',
  moved: 'for each figure that a published plan had elsewhere',
};

const FIELDS = optionsOf(WORDS);

/** The course with its own points for something, or with the house's. */
export function withWeight(course: Course, field: keyof CostWeights, value: number | undefined): Course {
  const { weights, ...rest } = course;
  const { [field]: _, ...others } = weights ?? {};
  const isOwn = value !== undefined && value !== COST_WEIGHTS[field];
  const next = isOwn ? { ...others, [field]: value } : others;
  return Object.keys(next).length > 0 ? { ...rest, weights: next } : rest;
}

/** What the planner avoids, and how much; the house's own numbers are changed for this course. */
export function CourseWeights({ commands }: { commands: CourseCommands }) {
  const { answer } = useCourse();
  const { search } = useLocation();
  const own = answer.course.weights ?? {};
  const put = (field: keyof CostWeights, value: number | undefined) =>
    commands.edit(`Points ${WORDS[field]}`, course => withWeight(course, field, value));
  return (
    <chakra.section aria-label="What it costs">
      <chakra.h3 fontSize="lg" mb="1">
        What the planner avoids, in points
      </chakra.h3>
      <chakra.div display="grid" gap="1">
        {FIELDS.map(({ value: field }) => (
          <chakra.div key={field} display="flex" gap="2" alignItems="center" fontSize="sm">
            <NumberField
              label={`Points ${WORDS[field]}`}
              value={own[field] ?? COST_WEIGHTS[field]}
              max={1_000_000}
              width="6rem"
              save={value => put(field, value)}
            />
            <span>{WORDS[field]}</span>
            {own[field] !== undefined && (
              <Button look="quiet" size="small" onClick={() => put(field, undefined)}>
                Back to {COST_WEIGHTS[field]}
              </Button>
            )}
          </chakra.div>
        ))}
      </chakra.div>
      <Link to={{ pathname: `/courses/${answer.course.id}/cost`, search }}>What the points mean</Link>
    </chakra.section>
  );
}
