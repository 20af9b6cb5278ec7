import { chakra } from '@chakra-ui/react';
import {
  type Figure,
  figureName,
  type LevelPlace,
  type LevelPlaces,
  type LevelWay,
  levelPlaces,
  stuckAmong,
} from '@map-step/core';
import { useMemo, useState } from 'react';
import { Label } from '../../../ui/parts.tsx';
import { useCourse, usePlace, usePlan } from '../../course/course-context.ts';
import { FigureLink } from '../../course/figure-link.tsx';
import { placeName } from './place-words.ts';
import { PlacesDrawing } from './places-drawing.tsx';

/** The level as places and what leads between them, by the lesson that is looked at; the chosen place tells its figures. */
export function LevelDrawing({ level }: { level: string }) {
  const { library, answer } = useCourse();
  const { draft } = usePlan();
  const { lesson } = usePlace();
  const upTo = useMemo(() => figuresUpTo(library, level), [library, level]);
  const drawn = useMemo(() => levelPlaces(upTo), [upTo]);
  const isPlanned = answer.course.level === level;
  // One over two lessons is danced when it is joined; what lies below the level is known.
  const lessonOf = ({ pattern: { id, level: own } }: Figure) => {
    if (!isPlanned || own !== level) return 0;
    const split = draft.problem?.items.find(item => item.id === id)?.split ? 1 : 0;
    return (draft.placed[id] ?? Number.POSITIVE_INFINITY) + split;
  };
  const had = upTo.filter(figure => lessonOf(figure) <= lesson).toSorted((a, b) => lessonOf(a) - lessonOf(b));
  const stuck = stuckAmong(had, upTo).map(({ pattern }) => pattern.id);
  const [chosen, choose] = useState<string>();
  const { places } = drawn;
  if (places.length < 2) return null;
  const place = places.find(({ id }) => id === chosen) ?? places[0];
  const hadIds = new Set(had.map(({ pattern }) => pattern.id));
  return (
    <section aria-label="What leads where">
      <chakra.h3 fontSize="lg">
        What leads where{isPlanned && <Label> with what is taught by lesson {lesson}</Label>}
      </chakra.h3>
      {stuck.length > 0 && (
        <chakra.p color="caution" fontWeight="650">
          Dead ends by then: {stuck.map(id => figureName(library, id)).join(', ')}.
        </chakra.p>
      )}
      <PlacesDrawing drawn={drawn} had={hadIds} stuck={new Set(stuck)} chosen={place?.id} choose={choose} />
      {place && <FromHere place={place} drawn={drawn} had={hadIds} />}
    </section>
  );
}

/** The figures of a level and of those below it. */
function figuresUpTo(library: ReturnType<typeof useCourse>['library'], level: string): readonly Figure[] {
  const own = library.levels.get(level);
  return [...library.readings.values()].flatMap(({ figure, faults }) => {
    const other = library.levels.get(figure.pattern.level ?? '');
    const isBelow = own && other && other.dance === own.dance && other.order <= own.order;
    return isBelow && faults.length === 0 && !figure.pattern.retired ? [figure] : [];
  });
}

interface FromHereProps {
  readonly place: LevelPlace;
  readonly drawn: LevelPlaces;
  readonly had: ReadonlySet<string>;
}

/** What stays in a place, and what leads on from it and where. */
function FromHere({ place, drawn: { places, ways }, had }: FromHereProps) {
  const nameOf = (id: string) => {
    const found = places.find(other => other.id === id);
    return found ? placeName(found) : id;
  };
  const on = ways.filter(({ from }) => from === place.id);
  return (
    <chakra.div mt="2" fontSize="sm">
      <p>
        <Label>Stay here: </Label>
        <Figures ids={place.stay} had={had} />
      </p>
      {on.map(({ to, figures }: LevelWay) => (
        <p key={to}>
          <Label>→ {nameOf(to)}: </Label>
          <Figures ids={figures} had={had} />
        </p>
      ))}
    </chakra.div>
  );
}

function Figures({ ids, had }: { ids: readonly string[]; had: ReadonlySet<string> }) {
  if (ids.length === 0) return 'nothing';
  return ids.map((id, index) => (
    <span key={id}>
      {index > 0 && ', '}
      <FigureLink id={id} />
      {!had.has(id) && <Label> later</Label>}
    </span>
  ));
}
