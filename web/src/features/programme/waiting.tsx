// What waits to be done: lessons to write down, classes off their plan, plans nobody sees, figures worth a look.
import { chakra } from '@chakra-ui/react';
import type { TodayAnswer } from '@map-step/contract';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button, Label } from '../../ui/parts.tsx';
import { promiseInWords } from '../course/promise-words.ts';
import { comingFaultsQuery } from './today-queries.ts';
import { dayInWords, drifts, namesInWords, type OpenLesson, toWrite } from './todays-work.ts';

const SHOWN = 5;
const day = (date: string) => format(parseISO(date), 'EEE d MMM');

interface WaitingProps {
  readonly answer: TodayAnswer;
  readonly me: string;
  readonly isDirector: boolean;
}

/** Everything that waits; what does not, takes no room. */
export function Waiting({ answer, me, isDirector }: WaitingProps) {
  return (
    <>
      <Rows title="Still to write down">
        {toWrite(answer, me, isDirector).map(open => (
          <li key={`${open.of.id} ${open.lesson}`}>
            <Link to={pageOf(open)}>
              {open.of.name}, lesson {open.lesson}
            </Link>{' '}
            <Label>
              {day(open.date)} · {MISSING[open.missing]}
            </Label>
          </li>
        ))}
      </Rows>
      <Rows title="Off their plan">
        {drifts(answer).map(one => {
          const named = (ids: readonly string[]) => namesInWords(ids.map(id => answer.figures[id] ?? id));
          const { behind, ahead } = one.standing;
          return (
            <li key={one.id}>
              <Link to={`/courses/${one.course}/map?class=${one.id}`}>
                {one.name}, {weekday(one.dates[0])} {one.start}
              </Link>{' '}
              <Label>
                {[
                  behind.length > 0 && `has not reached ${named(behind)}`,
                  ahead.length > 0 && `has had ${named(ahead)} already`,
                ]
                  .filter(Boolean)
                  .join('; ')}
              </Label>
            </li>
          );
        })}
      </Rows>
      <Rows title="Plans that teachers do not see">
        {answer.plans.map(plan => (
          <li key={plan.course}>
            <Link to={`/courses/${plan.course}/${plan.state === 'empty' ? 'settings' : 'map'}`}>
              {plan.name}
            </Link>{' '}
            <Label>
              {[
                planInWords(plan),
                plan.begins && `next evening ${dayInWords(plan.begins, answer.today, day)}`,
              ]
                .filter(Boolean)
                .join(' · ')}
            </Label>
          </li>
        ))}
      </Rows>
      <ComingFaults today={answer.today} />
    </>
  );
}

function ComingFaults({ today }: { today: string }) {
  const { data } = useQuery(comingFaultsQuery);
  return (
    <>
      <Rows title="Promised, and not in the plan any more">
        {(data?.promises ?? []).map(({ course, section, className, figure, name, lesson, comes }) => (
          <li key={`${section} ${figure}`}>
            <Link to={`/courses/${course}/map?class=${section}`}>
              {className}: {name}
            </Link>{' '}
            <Label>
              promised for lesson {lesson} · {promiseInWords({ now: comes ?? undefined, isOver: false })}
            </Label>
          </li>
        ))}
      </Rows>
      <Rows title="Worth a look before it is taught">
        {(data?.faults ?? []).map(({ course, section, figure, name, message, date, lesson }) => (
          <li key={`${section} ${figure} ${message}`}>
            <Link to={`/courses/${course}/material/${figure}?class=${section}&lesson=${lesson}`}>{name}</Link>{' '}
            <Label>
              {message} · {dayInWords(date, today, day)}
            </Label>
          </li>
        ))}
      </Rows>
    </>
  );
}

/** So many rows, and the rest for whoever asks; nothing at all where there are none. */
function Rows({ title, children }: { title: string; children: readonly ReactNode[] }) {
  const [isWhole, setWhole] = useState(false);
  if (children.length === 0) return null;
  return (
    <chakra.section aria-label={title}>
      <chakra.h2 fontSize="lg">{title}</chakra.h2>
      <chakra.ul listStyleType="none" p="0" display="grid" gap="1">
        {isWhole ? children : children.slice(0, SHOWN)}
      </chakra.ul>
      {children.length > SHOWN && (
        <Button look="quiet" size="small" aria-expanded={isWhole} onClick={() => setWhole(!isWhole)}>
          {isWhole ? 'Fewer' : `${children.length - SHOWN} more`}
        </Button>
      )}
    </chakra.section>
  );
}

const MISSING: Readonly<Record<OpenLesson['missing'], string>> = {
  log: 'not logged',
  recap: 'no recap published',
  both: 'neither logged nor recapped',
};

function pageOf({ of, lesson, missing }: OpenLesson): string {
  return `/courses/${of.course}/${missing === 'recap' ? 'recap' : 'lesson'}?class=${of.id}&lesson=${lesson}`;
}

function planInWords({ state, moved }: TodayAnswer['plans'][number]): string {
  switch (state) {
    case 'empty':
      return 'has no figures yet';
    case 'unplanned':
      return 'is not planned yet';
    case 'unpublished':
      return 'is planned and was never published';
    case 'changed':
      return `${moved === 1 ? 'one figure lies' : `${moved} figures lie`} elsewhere than was published`;
    default:
      return state satisfies never;
  }
}

function weekday(date: string | undefined): string {
  return date ? format(parseISO(date), 'EEEE') : '';
}
