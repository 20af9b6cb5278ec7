import { chakra } from '@chakra-ui/react';
import type { PlannedLesson } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { Check, TriangleAlert } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { Spoken } from '../../ui/parts.tsx';
import { useCourseView } from './course-view.ts';
import { lessonMinutes } from './lesson-minutes.ts';
import { MinutesBar } from './minutes-bar.tsx';

const Bead = chakra('button', {
  base: {
    display: 'grid',
    gap: '1',
    px: '1.5',
    pt: '0.5',
    pb: '1.5',
    minWidth: '4rem',
    bg: 'transparent',
    border: '0',
    borderBottom: '3px solid',
    borderColor: 'line',
    textAlign: 'left',
    cursor: 'pointer',
    _hover: { bg: 'panel' },
    '&[aria-current]': { bg: 'panel', borderColor: 'ink' },
  },
  variants: { when: { today: { borderColor: 'now' }, other: {} } },
});

/** The rail of lessons on top of every room: where the course is in time. */
export function Barre() {
  const { answer, section, lesson, goTo, classPlan, draft, today } = useCourseView();
  const { pathname } = useLocation();
  const showsDraft = /\/(map|material)/.test(pathname) || !classPlan;
  const judged = showsDraft ? draft.judgement : classPlan.answer;
  const behind = classPlan?.progress.lessons ?? 0;
  const broken = new Set(judged?.broken.flatMap(rule => rule.lesson ?? []));
  const rail = useRef<HTMLElement>(null);
  useEffect(() => {
    const bead = rail.current?.querySelectorAll('button')[lesson - 1];
    if (rail.current && bead) rail.current.scrollLeft = bead.offsetLeft - rail.current.clientWidth / 2;
  }, [lesson]);
  return (
    <chakra.nav ref={rail} aria-label="Lessons" overflowX="auto" position="relative">
      <chakra.div
        display="grid"
        gridTemplateColumns={`repeat(${answer.course.lessons.length}, minmax(5.4rem, 1fr))`}
      >
        {answer.course.lessons.map((courseLesson, index) => {
          const number = index + 1;
          const date = section?.section.dates[index];
          return (
            <Bead
              key={`lesson-${number}`}
              type="button"
              when={date === today ? 'today' : 'other'}
              aria-current={number === lesson ? 'step' : undefined}
              onClick={() => goTo(number)}
            >
              <chakra.span display="flex" alignItems="baseline" gap="1.5">
                <chakra.span fontFamily="title" fontSize="lg" fontWeight="700">
                  {number}
                </chakra.span>
                <chakra.span fontSize="xs" color="quiet" whiteSpace="nowrap">
                  {date === today ? 'today' : date ? format(parseISO(date), 'd MMM') : ''}
                </chakra.span>
                <chakra.span
                  ml="auto"
                  alignSelf="center"
                  display="flex"
                  color={broken.has(number) ? 'stop' : 'ready'}
                >
                  {broken.has(number) ? (
                    <TriangleAlert size={15} aria-hidden />
                  ) : number <= behind ? (
                    <Check size={15} strokeWidth={3} aria-hidden />
                  ) : null}
                </chakra.span>
              </chakra.span>
              <BeadMinutes
                planned={judged?.lessons[index]}
                minutes={lessonMinutes(courseLesson, judged?.lessons[index])}
              />
              <Spoken>
                Lesson {number}
                {number <= behind ? ', taught' : ''}
                {broken.has(number) ? ', a rule is broken here' : ''}
              </Spoken>
            </Bead>
          );
        })}
      </chakra.div>
    </chakra.nav>
  );
}

function BeadMinutes({
  planned,
  minutes,
}: {
  planned: PlannedLesson | undefined;
  minutes: ReturnType<typeof lessonMinutes>;
}) {
  return (
    <>
      <MinutesBar minutes={minutes} direction="row" />
      <Spoken>
        {planned
          ? `${minutes.new} new, ${minutes.review} review, ${minutes.fixed} fixed of ${minutes.length} minutes`
          : ''}
      </Spoken>
    </>
  );
}
