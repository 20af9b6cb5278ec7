import { chakra } from '@chakra-ui/react';
import {
  figureElements,
  figureName,
  itemReasons,
  type Library,
  lookAlikesOf,
  whatItTakes,
} from '@map-step/core';
import { useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { Part } from '../../../ui/group.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';
import type { DraftPlan } from '../../course/course-view.ts';
import { ItemRules } from './item-rules.tsx';
import type { MapMoves } from './use-moves.ts';
import { effectInWords } from './words.ts';

interface FigureProps {
  readonly id: string;
  readonly draft: DraftPlan;
  /** Undefined for who may only look. */
  readonly moves: MapMoves | undefined;
}

/** What the chosen figure needs and costs, why it lies where it lies, and the rules it keeps. */
export function ChosenFigure({ id, draft, moves }: FigureProps) {
  const { answer, library, over } = useCourse();
  const chosen = { id, draft, library, moves };
  const { search } = useLocation();
  const item = draft.problem?.items.find(entry => entry.id === id);
  const figure = library.readings.get(id)?.figure;
  if (!item || !figure) return null;
  const lesson = draft.placed[id];
  const here = lesson === undefined ? undefined : draft.judgement?.lessons[lesson - 1]?.minutes[id];
  const names = (ids: readonly string[]) => ids.map(other => figureName(library, other)).join(', ');
  const fresh = figureElements(figure, library.elements).filter(element =>
    isFirstHere(element.id, id, draft),
  );
  return (
    <Part label="The chosen figure" title={figure.pattern.name}>
      <p>
        {item.value}
        {item.needs.length > 0 && `, needs ${names(item.needs)}`}
      </p>
      <p>
        {item.assembly / 10} min to put together
        {here !== undefined && here > item.assembly && (
          <>
            {' '}
            and {(here - item.assembly) / 10} min for what is new with it:{' '}
            {fresh.map(({ name }) => name).join(', ')}
          </>
        )}
      </p>
      <LooksLike {...chosen} />
      {lesson === undefined ? (
        <BringBack {...chosen} />
      ) : lesson <= over && lesson === draft.problem?.taught?.items[id] ? (
        <p>Lesson {lesson} is over: it stands there.</p>
      ) : (
        <Reasons {...chosen} />
      )}
      {moves && <ItemRules id={id} lesson={lesson} isSplit={item.split === true} />}
      <Link to={`/courses/${answer.course.id}/material/${id}${search}`}>Step sheet</Link>
    </Part>
  );
}

interface ChosenProps extends FigureProps {
  readonly library: Library;
}

const Choices = chakra('div', { base: { display: 'grid', gap: '1.5', my: '1.5' } });

/** What blurs with it, and whether that lies as the course wants it. */
function LooksLike({ id, draft, library }: ChosenProps) {
  const { problem, placed } = draft;
  const others = problem ? lookAlikesOf(problem, placed, id) : [];
  if (others.length === 0) return null;
  const words = others.map(other => {
    const { lesson } = other;
    return `${figureName(library, other.id)} (${lesson === undefined ? 'left out' : `lesson ${lesson}`})`;
  });
  return (
    <p>
      Looks like {words.join(', ')}; the course wants them {problem?.apart ? 'apart' : 'side by side'}.
    </p>
  );
}

/** Why not one lesson earlier, why not one later; a button beside each makes the move all the same. */
function Reasons({ id, draft, library, moves }: ChosenProps) {
  const { problem, placed, judgement } = draft;
  const reasons = useMemo(
    () => (problem ? itemReasons(problem, placed, id, judgement) : {}),
    [problem, placed, id, judgement],
  );
  const lesson = placed[id] ?? 0;
  const rows = [
    ['Earlier', lesson - 1, reasons.earlier],
    ['Later', lesson + 1, reasons.later],
  ] as const;
  return (
    <Choices>
      {rows.map(
        ([word, to, effect]) =>
          effect && (
            <chakra.div key={word} display="flex" gap="2" alignItems="start">
              {moves && (
                <Button size="small" flex="none" onClick={() => moves.move({ [id]: to })}>
                  {word}
                </Button>
              )}
              <span>
                Lesson {to} {effectInWords(effect, library)}.
              </span>
            </chakra.div>
          ),
      )}
      {moves && (
        <Button size="small" justifySelf="start" onClick={() => moves.move({ [id]: null })}>
          Leave out
        </Button>
      )}
    </Choices>
  );
}

/** What it would take to bring a figure back that is left out. */
function BringBack({ id, draft, library, moves }: ChosenProps) {
  const { problem, placed } = draft;
  const takes = useMemo(
    () => (problem ? whatItTakes(problem, placed, id) : undefined),
    [problem, placed, id],
  );
  if (!takes) return <Label>No lesson may have it: look at its rules.</Label>;
  const { lesson, needs, over, overIn } = takes;
  const missing = [
    ...needs.map(need => `${figureName(library, need)} before it`),
    ...(over > 0 ? [`${over / 10} minutes more in lesson ${overIn}`] : []),
  ];
  return (
    <Choices>
      <p>
        {missing.length === 0
          ? `There is room in lesson ${lesson}.`
          : `The least is missing in lesson ${lesson}: ${missing.join(' and ')}.`}
      </p>
      {moves && (
        <Button size="small" justifySelf="start" onClick={() => moves.move({ [id]: lesson })}>
          Bring it back into lesson {lesson}
        </Button>
      )}
    </Choices>
  );
}

/** True when no figure of an earlier lesson, or earlier in this one, brought the element. */
function isFirstHere(element: string, id: string, draft: DraftPlan): boolean {
  if (draft.problem?.known?.includes(element)) return false;
  const lesson = draft.placed[id] ?? Number.POSITIVE_INFINITY;
  const order = draft.judgement?.lessons[lesson - 1]?.introduce ?? [];
  return !draft.problem?.items.some(other => {
    const there = draft.placed[other.id] ?? Number.POSITIVE_INFINITY;
    const isBefore = there < lesson || (there === lesson && order.indexOf(other.id) < order.indexOf(id));
    return other.id !== id && isBefore && other.elements.includes(element);
  });
}
