import type { Approach, Pattern } from '../model/document.ts';

export interface TeachingLayer {
  readonly title: string;
  readonly weight: number;
}

const WITH_PARTNER: readonly TeachingLayer[] = [
  { title: 'With a partner, no music', weight: 2 },
  { title: 'With music, changing partners', weight: 3 },
];
const ALONE: readonly TeachingLayer[] = [{ title: 'With music', weight: 4 }];

/** The published layers of each school, before the figure is danced to music. */
const SCHOOL_LAYERS: Readonly<Record<Approach, readonly TeachingLayer[]>> = {
  'steps-first': [
    { title: 'Steps, without music', weight: 3 },
    { title: 'Its rhythm', weight: 1 },
    { title: 'Counted aloud', weight: 1 },
  ],
  'rhythm-first': [
    { title: 'Hear it and clap it', weight: 2 },
    { title: 'Steps on that rhythm', weight: 3 },
  ],
  'whole-part-whole': [
    { title: 'Shown whole', weight: 1 },
    { title: 'Taken apart', weight: 3 },
    { title: 'Joined again', weight: 1 },
  ],
  'one-change': [
    { title: 'The figure you know', weight: 1 },
    { title: 'What changes, alone', weight: 2 },
    { title: 'Old and new in turn', weight: 2 },
  ],
};

/** The layers in which a new item is opened, in order: a drill in its grades, a figure as its school does. */
export function teachingLayers(
  pattern: Pattern,
  approach: Approach,
  isPair: boolean,
): readonly TeachingLayer[] {
  if (pattern.grades?.length) return pattern.grades.map(title => ({ title, weight: 1 }));
  return [...SCHOOL_LAYERS[approach], ...(isPair ? WITH_PARTNER : ALONE)];
}
