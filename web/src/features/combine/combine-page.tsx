import { chakra } from '@chakra-ui/react';
import type { EveningFigures } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Empty, Skeleton, TwoColumns } from '../../ui/parts.tsx';
import { useShortcuts } from '../../ui/shortcuts.ts';
import { useCourse, usePlace } from '../course/course-context.ts';
import { AskPanel } from './ask-panel.tsx';
import { combinationsQuery, eveningQuery } from './combination-queries.ts';
import { FoundHeading } from './found-heading.tsx';
import { KeptHeading } from './kept-heading.tsx';
import { KeptList } from './kept-list.tsx';
import { NoneFound } from './none-found.tsx';
import { SequenceView } from './sequence-view.tsx';
import { useAnswers } from './use-answers.ts';
import { useAsking } from './use-asking.ts';
import { useCombining } from './use-combining.ts';
import { useFiguresHad } from './use-figures-had.ts';
import { useFoundHands, useKeptHands } from './use-hands.ts';

/** What is danced together in a lesson: found from what the class has had, changed by hand, kept. */
export function CombinePage() {
  const had = useFiguresHad();
  const { lesson } = usePlace();
  const { combination } = useParams();
  if (!had) return <Empty title="No dance yet">This course has no dance.</Empty>;
  return <CombineRoom key={`${had.dance.id} ${lesson} ${combination}`} had={had} asked={combination} />;
}

function CombineRoom({ had, asked }: { had: EveningFigures; asked: string | undefined }) {
  const { answer: course, material, materialStamp } = useCourse();
  const { lesson } = usePlace();
  const asking = useAsking(had);
  const combining = useCombining();
  const kept = useQuery(combinationsQuery(course.course.id));
  const ofLesson = kept.data?.findLast(one => one.lesson === lesson)?.id;
  const id = combining.answer ? undefined : (asked ?? ofLesson);
  const evening = useQuery({
    ...eveningQuery(material, materialStamp, had),
    enabled: kept.isSuccess && id === undefined && !combining.answer,
  });
  const answers = useAnswers(combining.answer, evening.data);
  const found = useFoundHands(answers.shown);
  const keptHands = useKeptHands(id);
  const hands = id === undefined ? found : keptHands.hands;
  const [chosen, choose] = useState<number>();
  useShortcuts({
    find: asking.request && (() => asking.request && combining.start(asking.request)),
    'next-answer': answers.count > 1 ? answers.next : undefined,
    undo: hands?.undo,
    redo: hands?.redo,
  });
  const none = combining.answer?.combined.why;
  return (
    <TwoColumns>
      <chakra.div display="grid" gap="5" minW="0">
        <AskPanel had={had} asking={asking} combining={combining} />
        <KeptList combinations={kept.data ?? []} open={id} />
      </chakra.div>
      <chakra.article minW="0" display="grid" gap="3" alignContent="start">
        {combining.error && <Failure error={combining.error} />}
        {none && (
          <NoneFound
            why={none}
            asking={asking}
            again={() => asking.request && combining.start(asking.request)}
          />
        )}
        {!none && id !== undefined && <KeptHeading kept={keptHands} id={id} />}
        {!none && id === undefined && hands && (
          <FoundHeading had={had} hands={hands} answers={answers} combining={combining} />
        )}
        {!none && hands && <SequenceView {...{ had, hands, chosen, choose }} />}
        {!hands && !none && (
          <Waiting
            isWaiting={kept.isPending || evening.isFetching || (keptHands.error === null && id !== undefined)}
          />
        )}
      </chakra.article>
    </TwoColumns>
  );
}

function Waiting({ isWaiting }: { isWaiting: boolean }) {
  if (isWaiting) return <Skeleton />;
  return (
    <Empty title="Nothing to put together yet">
      What this class has had so far does not lead back to where it begins. Say what may be danced, and press
      “Find sequences”.
    </Empty>
  );
}
