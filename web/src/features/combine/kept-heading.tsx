import { chakra } from '@chakra-ui/react';
import { useLocation } from 'react-router';
import { Choice } from '../../ui/choice.tsx';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { LinkButton } from '../../ui/parts.tsx';
import { SavedText } from '../../ui/saved-text.tsx';
import { useCourse } from '../course/course-context.ts';
import { HistoryList } from '../history/history-list.tsx';
import { RefusalNotice } from '../history/refusal-notice.tsx';
import { fieldInWords, valueInWords } from './combination-words.ts';
import type { useKeptHands } from './use-hands.ts';

/** A combination that is kept: its name, its lesson, what was changed in it, and its call sheet. */
export function KeptHeading({ kept, id }: { kept: ReturnType<typeof useKeptHands>; id: string }) {
  const { answer, library } = useCourse();
  const { search } = useLocation();
  const { data, error, commands, mayWrite } = kept;
  if (error) return <Failure error={error} />;
  if (!data) return null;
  const { name, lesson } = data.body;
  const lessons = answer.course.lessons.map((_, index) => ({
    value: String(index + 1),
    words: `Lesson ${index + 1}`,
  }));
  return (
    <chakra.header display="grid" gap="2">
      <chakra.div display="flex" gap="3" alignItems="end" flexWrap="wrap">
        <chakra.div flex="1 1 16rem" maxW="26rem">
          {mayWrite ? (
            <SavedText
              label="Name"
              value={name}
              faultOf={text => (text.trim() === '' ? 'It needs a name' : undefined)}
              save={text => commands.edit('Name', body => ({ ...body, name: text }))}
            />
          ) : (
            <chakra.h2 fontSize="2xl">{name}</chakra.h2>
          )}
        </chakra.div>
        {mayWrite && (
          <Choice
            label="Danced in"
            width="8.5rem"
            value={lesson === undefined ? 'none' : String(lesson)}
            among={[...lessons, { value: 'none', words: 'No lesson' }]}
            set={value =>
              commands.edit(
                value === 'none' ? 'In no lesson' : `Into lesson ${value}`,
                ({ lesson: _, ...body }) => ({
                  ...body,
                  ...(value !== 'none' && { lesson: Number(value) }),
                }),
              )
            }
          />
        )}
        <LinkButton to={{ pathname: `/courses/${answer.course.id}/combine/${id}/call-sheet`, search }}>
          Call sheet
        </LinkButton>
      </chakra.div>
      <RefusalNotice
        of={kept.key}
        commands={commands}
        nameOf={fieldInWords}
        wordsOf={value => valueInWords(value, library)}
      />
      <Disclosure size="small" title="What was changed" isLazy>
        <HistoryList history={data.history} takeBack={mayWrite ? commands.takeBack : undefined} />
      </Disclosure>
    </chakra.header>
  );
}
