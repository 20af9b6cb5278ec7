import { chakra } from '@chakra-ui/react';
import { COST_WEIGHTS, lastIntroducing, lessonShares, taughtLessons } from '@map-step/core';
import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import { useCourse, usePlan } from '../course/course-context.ts';
import { points } from '../map/plan/words.ts';

/** What the points of a plan mean, told without formulas and with this course's own numbers. */
export function CostPage() {
  const { answer } = useCourse();
  const { draft } = usePlan();
  const { search } = useLocation();
  const weights = { ...COST_WEIGHTS, ...answer.course.weights };
  const { problem, judgement } = draft;
  const shares = problem ? lessonShares(problem) : [];
  // Lessons that are over are not judged.
  const judged = (judgement?.lessons ?? []).filter((_, index) => (shares[index] ?? 0) > 0);
  const total = judged.reduce((sum, lesson) => sum + lesson.new, 0) / 10;
  const fullest = judgement?.lessons
    .map((lesson, index) => ({ lesson: index + 1, over: lesson.new / 10 - (shares[index] ?? 0) * total }))
    .filter(({ lesson }) => (shares[lesson - 1] ?? 0) > 0)
    .sort((a, b) => b.over - a.over)[0];
  const last = problem ? lastIntroducing(problem) : 0;
  const firstShare = (shares[problem ? taughtLessons(problem) : 0] ?? 0) * total;
  const lastShare = (shares[last - 1] ?? 0) * total;
  return (
    <chakra.article maxW="44rem" display="grid" gap="5">
      <chakra.div>
        <chakra.h2 fontSize="2xl">What the points mean</chakra.h2>
        <p>
          A plan costs points for everything that makes it harder to teach. Fewer is better, and 0 is perfect.
          This plan costs <strong>{points(judgement?.cost.total ?? 0)} points</strong>.
        </p>
      </chakra.div>
      <Term title="Figures left out" cost={judgement?.cost.left}>
        By far the dearest. A must that does not fit costs {weights.must} points, a should {weights.should}, a
        could {weights.could}: the planner leaves out {Math.floor(weights.should / (weights.could || 1))}{' '}
        coulds before it leaves out one should, and no more.
      </Term>
      <Term title="Lessons fuller than their share" cost={judgement?.cost.level}>
        The {points(total)} new minutes that are to come are spread over {judged.length}{' '}
        {judged.length === 1 ? 'lesson' : 'lessons'}
        {judged.length > 1 &&
          `: a little more in the first (${points(firstShare)} minutes) than in the last (${points(lastShare)}), because people are fresh and reviews are few`}
        . Two minutes above its share cost nothing. Every minute beyond that costs {weights.level}{' '}
        {weights.level === 1 ? 'point' : 'points'}, and in the fullest lesson {weights.largest} more.{' '}
        {fullest && fullest.over > 0 && (
          <>
            The fullest here is lesson {fullest.lesson}, {points(fullest.over)} minutes above its share.
          </>
        )}
      </Term>
      <Term title="Look-alikes" cost={judgement?.cost.lookalikes}>
        {answer.course.lookalikes === 'apart'
          ? `Two figures that blur should not be new on the same evening: such a pair costs ${weights.lookalike} points.`
          : `Two figures that blur are taught side by side here: a pair more than one lesson apart costs ${weights.lookalike} points.`}
      </Term>
      <Term title="Mixed lessons" cost={judgement?.cost.mix}>
        A lesson with only patterns, or only turns, tires. Each lesson should bring two of the three kinds:
        basics, patterns and turns. Each kind it is short of costs {weights.mix} points.
      </Term>
      <Term title="From easy to hard" cost={judgement?.cost.order}>
        Put in a row, always the easiest figure whose needs are taught, each has its place. One lesson before
        or after it costs nothing; every lesson beyond costs {weights.order} points.
      </Term>
      <Term title="Dead ends" cost={judgement?.cost.stuck}>
        What a class has had it should be able to dance, into and out again. Every lesson in which a figure
        has no way in, or none out, costs {weights.stuck} points.
      </Term>
      <Term title="Shown a lesson ahead" cost={judgement?.cost.ahead}>
        {answer.course.ahead
          ? `A hold, a rhythm or a turn of three minutes or more may be shown a lesson before its first figure, where that evens the evenings out. Each costs ${weights.ahead} ${weights.ahead === 1 ? 'point' : 'points'}, so it is done only where it wins more.`
          : 'This course shows nothing ahead: what is new with a figure comes with it.'}
      </Term>
      <Term title="Moved since it was published" cost={judgement?.cost.moved}>
        People have prepared for the published plan. Every figure that now lies elsewhere costs{' '}
        {weights.moved} points, so the planner moves one only where that wins more.
      </Term>
      <HardRules />
      <Link to={{ pathname: `/courses/${answer.course.id}/map`, search }}>Back to the map</Link>
    </chakra.article>
  );
}

function HardRules() {
  return (
    <chakra.div>
      <chakra.h3 fontSize="lg">What no plan may break</chakra.h3>
      <chakra.ul pl="5">
        <li>New minutes and reviews fit into the lesson.</li>
        <li>What a figure needs comes before it, or in the same lesson before it.</li>
        <li>Pins, “not before” and “not after” hold, and what has been taught stays.</li>
        <li>The last lesson brings nothing new: it puts together and checks.</li>
        <li>At most one new quality in a lesson.</li>
        <li>A gate is taught early enough to be reviewed before the check.</li>
      </chakra.ul>
    </chakra.div>
  );
}

function Term({ title, cost, children }: { title: string; cost: number | undefined; children: ReactNode }) {
  return (
    <section>
      <chakra.h3 fontSize="lg" display="flex" justifyContent="space-between" gap="4">
        {title}
        <chakra.span fontVariantNumeric="tabular-nums">{points(cost ?? 0)} points now</chakra.span>
      </chakra.h3>
      <p>{children}</p>
    </section>
  );
}
