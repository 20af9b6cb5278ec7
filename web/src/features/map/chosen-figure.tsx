import { chakra } from '@chakra-ui/react';
import { figureElements } from '@map-step/core';
import { Link, useLocation } from 'react-router';
import { Button, Label } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import type { MoveFigure } from './figure-on-map.tsx';

/** What the chosen figure needs and costs, where it lies. */
export function ChosenFigure({ id, move }: { id: string; move: MoveFigure | undefined }) {
  const { library, draft, answer } = useCourseView();
  const { search } = useLocation();
  const item = draft.problem?.items.find(entry => entry.id === id);
  const figure = library.readings.get(id)?.figure;
  if (!item || !figure) return null;
  const lesson = draft.placed[id];
  const here = lesson === undefined ? undefined : draft.judgement?.lessons[lesson - 1]?.minutes[id];
  const value = answer.course.items.find(({ pattern }) => pattern === id)?.value;
  const names = (ids: readonly string[]) =>
    ids.map(other => library.patterns.get(other)?.name ?? other).join(', ');
  const fresh = figureElements(figure, library.elements).filter(element =>
    isFirstHere(element.id, id, draft),
  );
  return (
    <chakra.section borderTop="1px solid" borderColor="line" pt="2">
      <chakra.h2 fontSize="md">{figure.pattern.name}</chakra.h2>
      <chakra.p fontSize="sm">
        {value}
        {item.needs.length > 0 && `, needs ${names(item.needs)}`}
      </chakra.p>
      <chakra.p fontSize="sm">
        {item.assembly / 10} min to put together
        {here !== undefined && here > item.assembly && (
          <>
            {' '}
            and {(here - item.assembly) / 10} min for what is new with it:{' '}
            {fresh.map(({ name }) => name).join(', ')}
          </>
        )}
      </chakra.p>
      <chakra.div display="flex" gap="2" mt="1" flexWrap="wrap" alignItems="center">
        {move && lesson !== undefined && (
          <>
            <Button size="small" onClick={() => move(id, lesson - 1)} disabled={lesson <= 1}>
              Earlier
            </Button>
            <Button size="small" onClick={() => move(id, lesson + 1)}>
              Later
            </Button>
            <Button size="small" onClick={() => move(id, null)}>
              Leave out
            </Button>
          </>
        )}
        {move && lesson === undefined && <Label>Drag it into a lesson, or press →</Label>}
        <Link to={`/courses/${answer.course.id}/material/${id}${search}`}>Step sheet</Link>
      </chakra.div>
    </chakra.section>
  );
}

/** True when no figure of an earlier lesson, or earlier in this one, brought the element. */
function isFirstHere(element: string, id: string, draft: ReturnType<typeof useCourseView>['draft']): boolean {
  if (draft.problem?.known?.includes(element)) return false;
  const lesson = draft.placed[id] ?? Number.POSITIVE_INFINITY;
  const order = draft.judgement?.lessons[lesson - 1]?.introduce ?? [];
  return !draft.problem?.items.some(other => {
    const there = draft.placed[other.id] ?? Number.POSITIVE_INFINITY;
    const isBefore = there < lesson || (there === lesson && order.indexOf(other.id) < order.indexOf(id));
    return other.id !== id && isBefore && other.elements.includes(element);
  });
}
