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

/** Where the name of the figure stands on which a layer builds. */
const KNOWN = '…';

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
    { title: `${KNOWN}, which you know`, weight: 1 },
    { title: `What changes from ${KNOWN}, alone`, weight: 2 },
    { title: `${KNOWN} and this in turn`, weight: 2 },
  ],
};

/** A quality has no steps: it is put on what is danced already. */
const OF_A_QUALITY: readonly TeachingLayer[] = [
  { title: 'Shown, and tried slowly', weight: 1 },
  { title: `On ${KNOWN}`, weight: 2 },
  { title: 'With music', weight: 2 },
];

const OTHER_ROLE: TeachingLayer = { title: 'Again, each in the other role', weight: 2 };

/** In what way an evening opens its figures. */
export interface TeachingWays {
  readonly approach: Approach;
  readonly isPair: boolean;
  /** True where everybody learns both roles. */
  readonly bothRoles: boolean;
  /** The name of the figure that the class knows and that it is most like. */
  readonly known?: string | undefined;
}

/** The layers in which a new item is opened, in order: a drill in its grades, a figure as its school does. */
export function teachingLayers(pattern: Pattern, ways: TeachingWays): readonly TeachingLayer[] {
  const { approach, isPair, bothRoles, known } = ways;
  if (pattern.grades?.length) return pattern.grades.map(title => ({ title, weight: 1 }));
  if (pattern.kind === 'quality')
    return OF_A_QUALITY.map(layer => ({
      ...layer,
      title: layer.title.replace(KNOWN, known ?? 'a basic'),
    }));
  // Where nothing that is known is like it there is no one change.
  const school = SCHOOL_LAYERS[approach === 'one-change' && known === undefined ? 'steps-first' : approach];
  return [
    ...school.map(layer => ({ ...layer, title: layer.title.replace(KNOWN, known ?? '') })),
    ...(isPair ? WITH_PARTNER : ALONE),
    ...(isPair && bothRoles ? [OTHER_ROLE] : []),
  ];
}

/** As many of some layers as have a minute each: the lightest are left out first, of equal ones the last. */
export function layersWithin(layers: readonly TeachingLayer[], minutes: number): readonly TeachingLayer[] {
  let left = layers;
  for (;;) {
    const sum = left.reduce((all, { weight }) => all + weight, 0);
    const lightest = Math.min(...left.map(({ weight }) => weight));
    if (left.length < 2 || (lightest / sum) * minutes >= 1) return left;
    const out = left.findLastIndex(({ weight }) => weight === lightest);
    left = left.filter((_, index) => index !== out);
  }
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
