// In which layers a block is taught, each of at least a minute.
import { figuresBelow } from '../library/figures-below.ts';
import { figuresBeside, LEAST_SHARE, mostShared } from '../likeness/most-shared.ts';
import { RECALL_AIM } from '../memory/recall.ts';
import type { Quality } from '../model/document.ts';
import type { Draft } from './draft-blocks.ts';
import { layersWithin, qualityOfEvening, teachingLayers } from './layers.ts';
import type { LessonBlock, LessonLayer, LessonSource } from './lesson-blocks.ts';
import { shareOut } from './shares.ts';

/** A recall in which a quality is practised keeps at least so many minutes for its figures. */
const LEAST_BESIDE_QUALITY = 2;

/** The layers of a new figure, and of a recall the quality that is practised on what is solid; none of other blocks. */
export function blockLayers(
  source: LessonSource,
  { kind, patterns, minutes }: Pick<LessonBlock, 'kind' | 'patterns' | 'minutes'>,
  drafts: readonly Draft[],
): readonly LessonLayer[] {
  if (kind === 'recall') return qualityLayer(source, patterns, minutes);
  const [id] = patterns;
  return kind === 'new' && id !== undefined ? newLayers(source, id, minutes, drafts) : [];
}

function newLayers(
  source: LessonSource,
  id: string,
  minutes: number,
  drafts: readonly Draft[],
): readonly LessonLayer[] {
  const { library, course } = source;
  const pattern = library.patterns.get(id);
  if (!pattern) return [];
  const layers = teachingLayers(pattern, {
    approach: course.approach,
    isPair: library.dances.get(pattern.dance)?.roles !== 'solo',
    bothRoles: course.roles === 'both',
    known: knownLike(source, id, drafts),
  });
  const within = layersWithin(layers, minutes);
  const parts = shareOut(
    minutes * 6,
    within.map(({ weight }) => weight),
  );
  return within.map(({ title }, index) => ({ title, seconds: (parts[index] ?? 0) * 10 }));
}

/** The name of the figure that the class knows by then and that one is most like; of a quality one that it is practised on. */
function knownLike(
  { library, course, taught = [] }: LessonSource,
  id: string,
  drafts: readonly Draft[],
): string | undefined {
  const tonight = drafts.flatMap(({ kind, patterns }) => (kind === 'new' ? patterns.slice(0, 1) : []));
  const known = [
    ...figuresBelow(library, course.level).map(below => below.id),
    ...taught,
    ...tonight.slice(0, Math.max(0, tonight.indexOf(id))),
  ];
  if (library.patterns.get(id)?.kind === 'quality')
    return known.flatMap(other => library.patterns.get(other) ?? []).find(({ kind }) => kind === 'basic')
      ?.name;
  const figure = library.readings.get(id)?.figure;
  const found = figure && mostShared(figure, figuresBeside(figure, known, library));
  return found && found.share > LEAST_SHARE ? found.other.pattern.name : undefined;
}

/** One quality an evening, on a figure that is solid and danced again; none beside a quality that is itself introduced. */
function qualityLayer(
  source: LessonSource,
  reviewed: readonly string[],
  minutes: number,
): readonly LessonLayer[] {
  const { planned, library, recall = new Map<string, number>(), aim = RECALL_AIM } = source;
  const isNew = Object.keys(planned.minutes).some(id => library.patterns.get(id)?.kind === 'quality');
  const solid = reviewed
    .filter(id => (recall.get(id) ?? 1) >= aim)
    .flatMap(id => library.patterns.get(id) ?? []);
  const quality = isNew ? undefined : qualityOfEvening(solid, library.dances);
  const on = quality && solid.find(({ tracks = [] }) => tracks.some(track => track.quality === quality.id));
  if (!quality || !on || minutes <= LEAST_BESIDE_QUALITY) return [];
  return [
    { title: 'Danced again', seconds: (minutes - 1) * 60 },
    { title: titleOf(quality, on.name), seconds: 60 },
  ];
}

function titleOf({ name }: Quality, figure: string): string {
  return `${name}, on ${figure}`;
}
