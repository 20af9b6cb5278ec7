// How the ways of a course are called, as what can be chosen of each.
import type { Course, ItemValue, Layer, PatternKind } from '@map-step/core';
import { optionsOf } from '../../ui/choice.tsx';

export const APPROACHES = optionsOf({
  'steps-first': 'steps first',
  'rhythm-first': 'rhythm first',
  'whole-part-whole': 'whole, part, whole',
  'one-change': 'one change at a time',
} satisfies Record<Course['approach'], string>);

export const FORMATS = optionsOf({
  series: 'build on each other',
  open: 'stand alone (open class)',
} satisfies Record<Course['format'], string>);

export const LOOK_ALIKES = optionsOf({
  apart: 'kept apart',
  together: 'taught side by side',
} satisfies Record<Course['lookalikes'], string>);

export const ROLES = optionsOf({ one: 'one role', both: 'both roles' } satisfies Record<
  NonNullable<Course['roles']>,
  string
>);

export const GOALS = optionsOf({
  social: 'dancing out',
  show: 'a show',
  examination: 'an examination',
} satisfies Record<NonNullable<Course['goal']>, string>);

/** What a check looks at, in the order in which it is taught. */
export const LAYERS = optionsOf({
  steps: 'steps',
  timing: 'timing',
  partner: 'partner',
  technique: 'technique',
  tempo: 'at speed',
} satisfies Record<Layer, string>);

/** What a figure is. */
export const KINDS = optionsOf({
  basic: 'Basic',
  pattern: 'Pattern',
  turn: 'Turn',
  drill: 'Drill',
  quality: 'Quality',
} satisfies Record<PatternKind, string>);

export const VALUES = optionsOf({ must: 'must', should: 'should', could: 'could' } satisfies Record<
  ItemValue,
  string
>);
