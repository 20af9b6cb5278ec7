import { chakra } from '@chakra-ui/react';
import { useCourseView } from '../course/course-view.ts';
import { lessonMinutes } from '../course/lesson-minutes.ts';
import { MinutesBar } from '../course/minutes-bar.tsx';

const show = (minutes: number) => (Number.isInteger(minutes) ? String(minutes) : minutes.toFixed(1));

/** The minutes of each lesson, stacked to scale against its length. */
export function MinutesProfile() {
  const { answer, draft } = useCourseView();
  const { lessons } = answer.course;
  return (
    <chakra.section
      aria-label="Minutes of each lesson"
      borderTop="2px solid"
      borderColor="ink"
      pt="2"
      pb="1"
      bg="paper"
      position={{ lg: 'sticky' }}
      bottom="0"
      zIndex="3"
      minW={`${lessons.length * 4.25}rem`}
    >
      <chakra.h2 fontSize="xs" fontWeight="600" color="quiet" pl="1.5" pb="1">
        Minutes of each lesson
      </chakra.h2>
      <chakra.div display="grid" gridTemplateColumns={`repeat(${lessons.length}, minmax(0, 1fr))`}>
        {lessons.map((lesson, index) => {
          const minutes = lessonMinutes(lesson, draft.judgement?.lessons[index]);
          return (
            <chakra.div
              key={`minutes-${index + 1}`}
              px="1.5"
              display="grid"
              gridTemplateColumns="1.4rem 1fr"
              gap="2"
              alignItems="end"
            >
              <chakra.div height="5.5rem">
                <MinutesBar minutes={minutes} direction="column" />
              </chakra.div>
              <chakra.div fontSize="xs" lineHeight="1.3" fontVariantNumeric="tabular-nums">
                <Line word="fixed" value={minutes.fixed} />
                <Line word="review" value={minutes.review} />
                <Line word="new" value={minutes.new} isStrong />
                <chakra.div
                  color={minutes.free < 0 ? 'stop' : 'quiet'}
                  fontWeight={minutes.free < 0 ? '700' : '400'}
                >
                  {minutes.free < 0 ? `${show(-minutes.free)} min over` : `${show(minutes.free)} min free`}
                </chakra.div>
              </chakra.div>
            </chakra.div>
          );
        })}
      </chakra.div>
    </chakra.section>
  );
}

function Line({ word, value, isStrong = false }: { word: string; value: number; isStrong?: boolean }) {
  return (
    <chakra.p fontWeight={isStrong ? '700' : '400'}>
      {show(value)} {word}
    </chakra.p>
  );
}
