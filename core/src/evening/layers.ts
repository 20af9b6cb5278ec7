import type { Approach, Dance, Pattern, Quality } from '../model/document.ts';

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

const OTHER_ROLE: TeachingLayer = { title: 'Again, each in the other role', weight: 2 };

/** In what way an evening opens its figures. */
export interface TeachingWays {
  readonly approach: Approach;
  readonly isPair: boolean;
  /** True where everybody learns both roles. */
  readonly bothRoles: boolean;
  /** The one quality of the evening, where this figure is danced with it. */
  readonly quality?: string;
}

/** The layers in which a new item is opened, in order: a drill in its grades, a figure as its school does. */
export function teachingLayers(pattern: Pattern, ways: TeachingWays): readonly TeachingLayer[] {
  const { approach, isPair, bothRoles, quality } = ways;
  if (pattern.grades?.length) return pattern.grades.map(title => ({ title, weight: 1 }));
  return [
    ...SCHOOL_LAYERS[approach],
    ...(isPair ? WITH_PARTNER : ALONE),
    ...(isPair && bothRoles ? [OTHER_ROLE] : []),
    ...(quality === undefined ? [] : [{ title: `How it is done: ${quality}`, weight: 1 }]),
  ];
}

/** The quality that most of these figures are danced with; ties by the order in which their dances name them. */
export function qualityOfEvening(
  patterns: readonly Pattern[],
  dances: ReadonlyMap<string, Dance>,
): Quality | undefined {
  const qualities = [...new Set(patterns.map(({ dance }) => dance))].flatMap(
    id => dances.get(id)?.qualities ?? [],
  );
  const count = ({ id }: Quality) =>
    patterns.filter(({ tracks = [] }) => tracks.some(({ quality }) => quality === id)).length;
  return qualities.reduce<Quality | undefined>(
    (best, quality) => (count(quality) > (best ? count(best) : 0) ? quality : best),
    undefined,
  );
}
