import { chakra } from '@chakra-ui/react';
import { format, parseISO } from 'date-fns';
import { Check, CircleQuestionMark, TriangleAlert } from 'lucide-react';
import { memo, useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { Spoken } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlace, usePlan } from './course-context.ts';
import { type LessonMinutes, lessonMinutes } from './lesson-minutes.ts';
import { MinutesBar } from './minutes-bar.tsx';

/** Several change at one move: what stands in them are plain elements, dressed by their bead. */
const Bead = chakra('button', {
  base: {
    display: 'grid',
    gap: '1',
    px: '1.5',
    pt: '0.5',
    pb: '1.5',
    minWidth: '0',
    bg: 'transparent',
    border: '0',
    borderBottom: '3px solid',
    borderColor: 'line',
    textAlign: 'left',
    cursor: 'pointer',
    _hover: { bg: 'panel' },
    '&[aria-current]': { bg: 'panel', borderColor: 'ink' },
    '& > .head': { display: 'flex', alignItems: 'baseline', gap: '1.5' },
    '& > .head > strong': { fontFamily: 'title', fontSize: 'lg', fontWeight: '700' },
    '& > .head > small': { fontSize: 'xs', color: 'quiet', whiteSpace: 'nowrap' },
    '& > .head > span': { ml: 'auto', alignSelf: 'center', display: 'flex', color: 'ready' },
    '& > .head > .broken': { color: 'stop' },
    '& > .head > .unwritten': { color: 'quiet' },
  },
  variants: { isToday: { true: { borderColor: 'now' } } },
});

const STATES = {
  broken: { icon: <TriangleAlert size={15} aria-hidden />, words: ', a rule is broken here' },
  taught: { icon: <Check size={15} strokeWidth={3} aria-hidden />, words: ', taught' },
  unwritten: { icon: <CircleQuestionMark size={15} aria-hidden />, words: ', nothing was written of it' },
  ahead: { icon: null, words: '' },
} as const;

/** The rail of lessons on top of every room: where the course is in time. */
export function Barre() {
  const { answer, today } = useCourse();
  const { section, classPlan } = useClass();
  const { lesson, goTo } = usePlace();
  const { draft } = usePlan();
  const { pathname } = useLocation();
  const showsDraft = /\/(map|material)/.test(pathname) || !classPlan;
  const judged = showsDraft ? draft.judgement : classPlan.answer;
  const behind = classPlan?.progress.lessons ?? 0;
  const unwritten = new Set(classPlan?.progress.unwritten);
  const broken = new Set(judged?.broken.flatMap(rule => rule.lesson ?? []));
  const rail = useRef<HTMLElement>(null);
  useEffect(() => {
    const bead = rail.current?.querySelectorAll('button')[lesson - 1];
    if (rail.current && bead) rail.current.scrollLeft = bead.offsetLeft - rail.current.clientWidth / 2;
  }, [lesson]);
  const stateOf = (number: number) => {
    if (broken.has(number)) return 'broken';
    if (unwritten.has(number)) return 'unwritten';
    return number <= behind ? 'taught' : 'ahead';
  };
  return (
    <chakra.nav ref={rail} aria-label="Lessons" overflowX="auto" position="relative">
      <chakra.div
        display="grid"
        style={{ gridTemplateColumns: `repeat(${answer.course.lessons.length}, minmax(0, 1fr))` }}
        minW={{
          base: `${answer.course.lessons.length * 5.4}rem`,
          lg: `${answer.course.lessons.length * 4.25}rem`,
        }}
      >
        {answer.course.lessons.map((courseLesson, index) => {
          const number = index + 1;
          const date = section?.section.dates[index];
          return (
            <LessonBead
              key={`lesson-${number}`}
              number={number}
              date={date === undefined ? '' : date === today ? 'today' : format(parseISO(date), 'd MMM')}
              state={stateOf(number)}
              isOpen={number === lesson}
              isPlanned={judged !== undefined}
              goTo={goTo}
              {...lessonMinutes(courseLesson, judged?.lessons[index])}
            />
          );
        })}
      </chakra.div>
    </chakra.nav>
  );
}

interface LessonBeadProps extends LessonMinutes {
  readonly number: number;
  /** Empty where there is none yet. */
  readonly date: string;
  readonly state: keyof typeof STATES;
  readonly isOpen: boolean;
  readonly isPlanned: boolean;
  goTo(lesson: number): void;
}

/** Drawn again only when something of it has changed: a move changes the plan of every bead's lesson but the minutes of few. */
const LessonBead = memo(function LessonBead(props: LessonBeadProps) {
  const { number, date, state, isOpen, isPlanned, goTo, ...minutes } = props;
  return (
    <Bead
      type="button"
      isToday={date === 'today'}
      aria-current={isOpen ? 'step' : undefined}
      onClick={() => goTo(number)}
    >
      <span className="head">
        <strong>{number}</strong>
        <small>{date}</small>
        <span className={state}>{STATES[state].icon}</span>
      </span>
      <MinutesBar minutes={minutes} direction="row" />
      <Spoken>
        {isPlanned &&
          `${minutes.new} new, ${minutes.review} review, ${minutes.fixed} fixed of ${minutes.length} minutes `}
        Lesson {number}
        {STATES[state].words}
      </Spoken>
    </Bead>
  );
});
