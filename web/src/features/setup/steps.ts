// From nothing to a planned, published course: which steps are done, and which comes next.
import type { CourseSummary } from '@map-step/contract';
import type { Dance, Level } from '@map-step/core';

export interface SetUpState {
  readonly dances: readonly Pick<Dance, 'id' | 'name'>[];
  readonly levels: readonly Pick<Level, 'id' | 'dance' | 'name'>[];
  /** Figures of the first dance. */
  readonly figures: number;
  readonly courses: readonly CourseSummary[];
  readonly people: number;
}

export interface SetUpStep {
  readonly id: 'dance' | 'level' | 'figures' | 'course' | 'plan' | 'class' | 'students' | 'people';
  readonly title: string;
  readonly why: string;
  readonly isDone: boolean;
  /** Where it is done; undefined while an earlier step is missing. */
  readonly to: string | undefined;
}

/** The steps in the order of the work; each can be done again at any time. */
export function setUpSteps({ dances, levels, figures, courses, people }: SetUpState): readonly SetUpStep[] {
  const level = levels[0];
  const dance = dances.find(({ id }) => id === level?.dance) ?? dances[0];
  const hasFigures = figures > 0 || courses.some(({ items }) => items > 0);
  const course = courses.find(({ published }) => !published) ?? courses[0];
  const sections = courses.flatMap(one => one.sections);
  const section = sections.find(({ students }) => students === 0) ?? sections[0];
  const atDance = dance && `/dances/${dance.id}`;
  return [
    {
      id: 'dance',
      title: 'A dance',
      why: 'How it is counted, its holds, its floor.',
      isDone: dances.length > 0,
      to: '/dances/new',
    },
    {
      id: 'level',
      title: 'Its levels',
      why: 'From beginners on, in their order.',
      isDone: levels.length > 0,
      to: atDance && `${atDance}?part=levels`,
    },
    {
      id: 'figures',
      title: 'First figures',
      why: 'Basics, patterns and turns with their steps.',
      isDone: hasFigures,
      to: level && atDance ? `${atDance}?part=figures` : undefined,
    },
    {
      id: 'course',
      title: 'A course',
      why: 'So many lessons, and what belongs in them.',
      isDone: courses.length > 0,
      to: hasFigures && dance ? `/courses/new?dance=${dance.id}` : undefined,
    },
    {
      id: 'plan',
      title: 'Its plan',
      why: 'Which figure in which lesson; then teachers see it.',
      isDone: courses.some(({ published }) => published),
      to: course && `/courses/${course.id}/map`,
    },
    {
      id: 'class',
      title: 'A class',
      why: 'Its evenings, its room, who teaches it.',
      isDone: sections.length > 0,
      to: courses[0] && `/classes/new?course=${courses[0].id}`,
    },
    {
      id: 'students',
      title: 'Its students',
      why: 'By their names and roles.',
      isDone: sections.some(({ students }) => students > 0),
      to: section && `/classes/${section.id}?part=students`,
    },
    {
      id: 'people',
      title: 'Your teachers',
      why: 'Each gets a link to come in by.',
      isDone: people > 1,
      to: '/people',
    },
  ];
}

/** The first step that is not done; undefined when the studio stands. */
export function nextStep(steps: readonly SetUpStep[]): SetUpStep | undefined {
  return steps.find(({ isDone, to }) => !isDone && to !== undefined);
}
