import { chakra } from '@chakra-ui/react';
import {
  COST_WEIGHTS,
  easyToHard,
  figureDifficulty,
  figureElements,
  figureName,
  itemReasons,
  type Library,
  lastIntroducing,
  lessonsOutOfOrder,
  lookAlikesOf,
  whatItTakes,
} from '@map-step/core';
import { useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { Part } from '../../../ui/group.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';
import type { DraftPlan } from '../../course/course-view.ts';
import { placeInWords, ratedInWords } from '../../course/difficulty-words.ts';
import { ItemRules } from './item-rules.tsx';
import { TaughtAhead } from './taught-ahead.tsx';
import type { MapMoves } from './use-moves.ts';
import { effectInWords, points } from './words.ts';

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
      <FromEasyToHard {...chosen} />
      <TaughtAhead id={id} draft={draft} moves={moves} />
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

/** Where it would lie if the easiest always came next, and what makes it hard; a window overrules it. */
function FromEasyToHard({ id, draft: { problem, placed }, library, moves }: ChosenProps) {
  const figure = library.readings.get(id)?.figure;
  const item = problem?.items.find(entry => entry.id === id);
  const place = problem && item?.difficulty !== undefined ? easyToHard(problem).get(id) : undefined;
  if (!problem || !item || !figure || place === undefined) return null;
  const weights = { ...COST_WEIGHTS, ...problem.weights };
  const cost = weights.order * lessonsOutOfOrder(problem, item, placed[id]);
  return (
    <p>
      It is {placeInWords(place, lastIntroducing(problem))}
      {cost > 0 && `; in lesson ${placed[id]} that costs ${points(cost)} points`}.{' '}
      <Label>
        {ratedInWords(figureDifficulty(figure, library), figure.pattern)}.
        {moves && ' A window below overrules it, or your own word on its sheet.'}
      </Label>
    </p>
  );
}

/** Why not one lesson earlier, why not one later; a button beside each makes the move all the same. */
function Reasons({ id, draft, library, moves }: ChosenProps) {
  const { placed } = draft;
  const reasons = useMemo(() => {
    const { problem, judgement } = draft;
    return problem ? itemReasons(problem, draft, id, judgement) : {};
  }, [draft, id]);
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
  const takes = useMemo(
    () => (draft.problem ? whatItTakes(draft.problem, draft, id) : undefined),
    [draft, id],
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
