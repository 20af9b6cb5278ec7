import { chakra } from '@chakra-ui/react';
import { COST_WEIGHTS, type CostWeights } from '@map-step/core';
import { Link, useLocation } from 'react-router';
import { Button } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import type { CourseEdit } from '../course/use-course-edit.ts';
import { NumberField } from './number-field.tsx';

const WORDS: Readonly<Record<keyof CostWeights, string>> = {
  must: 'for each must that is left out',
  should: 'for each should that is left out',
  could: 'for each could that is left out',
  level: 'for each minute that a lesson is fuller than its share',
  largest: 'for each such minute of the fullest lesson, on top',
  lookalike: 'for each pair of look-alikes in the wrong lessons',
  mix: 'for each kind of figure that a lesson is short of two',
  moved: 'for each figure that a published plan had elsewhere',
};

/** What the planner avoids, and how much; the house's own numbers are changed for this course. */
export function CourseWeights({ editing }: { editing: CourseEdit }) {
  const { answer } = useCourseView();
  const { search } = useLocation();
  const own = answer.course.weights ?? {};
  const put = (field: keyof CostWeights, value: number | undefined) => {
    const { [field]: _, ...rest } = own;
    const next = value === undefined || value === COST_WEIGHTS[field] ? rest : { ...rest, [field]: value };
    editing.edit(`Points ${WORDS[field]}`, { weights: Object.keys(next).length > 0 ? next : null });
  };
  return (
    <chakra.section aria-label="What it costs">
      <chakra.h3 fontSize="lg" mb="1">
        What the planner avoids, in points
      </chakra.h3>
      <chakra.div display="grid" gap="1">
        {(Object.keys(WORDS) as (keyof CostWeights)[]).map(field => (
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
