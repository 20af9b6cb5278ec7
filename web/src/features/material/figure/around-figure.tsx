import { chakra } from '@chakra-ui/react';
import {
  danceOn,
  type Figure,
  type FigureJoin,
  figureLinks,
  figureName,
  figureRoute,
  figureTurn,
  findDanceRoutes,
  type Library,
  linksOnOtherFoot,
  turnInWords,
  turnsToMakeUp,
} from '@map-step/core';
import { useMemo, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { Group } from '../../../ui/group.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';
import { Joins } from './joins.tsx';

/** More are shown when they are asked for. */
const MANY = 6;

/** What may follow a figure and come before it, how it joins on the floor, and the shortest way in and out. */
export function Around({ figure }: { figure: Figure }) {
  const { library } = useCourse();
  const { after, before } = useMemo(() => figureLinks(library, figure), [library, figure]);
  const joins = useMemo(() => danceOn(library).joins(figure), [library, figure]);
  const troubled = new Set(joins.flatMap(({ id, goes }) => (goes === 'well' ? [] : [id])));
  const left = joins.find(join => join.left !== '')?.left;
  const onOther = useMemo(() => linksOnOtherFoot(library, figure), [library, figure]);
  return (
    <Group title="What may stand around it">
      <FigureLinks word="After it" ids={after.filter(id => !troubled.has(id))} />
      {left && <p>It leaves the follower {left}.</p>}
      <FloorJoins
        word="After it only with care: smaller steps there, or a hand let go, else"
        joins={joins.filter(({ goes }) => goes === 'care')}
      />
      <FloorJoins
        word="By foot and hold, but not on the floor"
        joins={joins.filter(({ goes }) => goes === 'fails')}
      />
      <FigureLinks word="Before it" ids={before} />
      {onOther.length > 0 && <FigureLinks word="After it on the other foot" ids={onOther} />}
      <Joins figure={figure} />
      <Route figure={figure} />
      <ShortTurn figure={figure} library={library} />
    </Group>
  );
}

/** A shortest way in from a basic and back to one, as a line of figures. */
function Route({ figure }: { figure: Figure }) {
  const { library } = useCourse();
  const routes = useMemo(() => findDanceRoutes(library), [library]).get(figure.dance.id);
  const way = useMemo(() => routes && figureRoute(figure, routes), [routes, figure]);
  if (!way || figure.pattern.kind === 'basic') return null;
  const line = (ids: readonly string[]) => ids.map(id => figureName(library, id));
  const words = [
    ...(way.in ? ['a basic', ...line(way.in)] : ['no way in yet']),
    figure.pattern.name,
    ...(way.out ? [...line(way.out), 'a basic'] : ['no way back yet']),
  ];
  return (
    <p>
      <Label>The shortest way: </Label>
      {words.join(' → ')}
    </p>
  );
}

/** A turn that came up short is made up by what follows. */
function ShortTurn({ figure, library }: { figure: Figure; library: Library }) {
  const turn = figureTurn(figure);
  if (figure.dance.floor !== 'line' || turn === 0) return null;
  const danced = turn - Math.sign(turn) * 45;
  const next = turnsToMakeUp(library, figure, danced).slice(0, 3);
  if (next.length === 0) return null;
  return (
    <div>
      <Label>When its turn comes up an eighth short, make up in </Label>
      {next.map(({ id, degrees }) => (
        <p key={id}>
          {library.patterns.get(id)?.name}: {degrees === 0 ? 'nothing' : turnInWords(degrees)}
        </p>
      ))}
    </div>
  );
}

/** Figures that follow with care or not at all, each with what happens there. */
function FloorJoins({ word, joins }: { word: string; joins: readonly FigureJoin[] }) {
  const { library, answer } = useCourse();
  const { search } = useLocation();
  if (joins.length === 0) return null;
  return (
    <div>
      <Label>{word}</Label>
      <chakra.ul pl="5" fontSize="sm">
        {joins.map(({ id, there }) => (
          <li key={id}>
            <Link to={{ pathname: `/courses/${answer.course.id}/material/${id}`, search }}>
              {figureName(library, id)}
            </Link>
            : {there}
          </li>
        ))}
      </chakra.ul>
    </div>
  );
}

function FigureLinks({ word, ids }: { word: string; ids: readonly string[] }) {
  const { library, answer } = useCourse();
  const { search } = useLocation();
  const [isOpen, open] = useState(false);
  const shown = isOpen ? ids : ids.slice(0, MANY);
  return (
    <p>
      <Label>
        {word}, {ids.length} of the house’s figures:{' '}
      </Label>
      {ids.length === 0 && 'none'}
      {shown.map((id, index) => (
        <span key={id}>
          {index > 0 && ', '}
          <Link to={{ pathname: `/courses/${answer.course.id}/material/${id}`, search }}>
            {figureName(library, id)}
          </Link>
        </span>
      ))}
      {ids.length > shown.length && (
        <Button look="quiet" size="small" onClick={() => open(true)}>
          and {ids.length - shown.length} more
        </Button>
      )}
    </p>
  );
}
