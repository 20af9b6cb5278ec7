import { chakra } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useCommands, useIsSaving } from '../../api/use-commands.ts';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Skeleton } from '../../ui/parts.tsx';
import { HistoryList } from '../history/history-list.tsx';
import { sessionQuery } from '../session/session-queries.ts';
import { StudioPage } from '../shell/studio-page.tsx';
import { Cautions } from './cautions.tsx';
import { ElementMinutes } from './element-minutes.tsx';
import { decisionsAggregate } from './entry-document.ts';
import { EntryRefusal } from './entry-refusal.tsx';
import { Holidays } from './holidays.tsx';
import { Rooms } from './rooms.tsx';
import { StudioWays } from './studio-ways.tsx';
import { usePart } from './use-part.tsx';

const PARTS = [
  { value: 'ways', words: 'Ways' },
  { value: 'rooms', words: 'Rooms' },
  { value: 'holidays', words: 'Holidays' },
  { value: 'cautions', words: 'Cautions' },
  { value: 'minutes', words: 'Minutes' },
] as const;

/** What the studio decides for all that is planned and taught in it, each with what it affects. */
export function StudioDecisionsPage() {
  const { data: session } = useQuery(sessionQuery);
  const { data, error } = useQuery({ queryKey: decisionsAggregate.key, queryFn: decisionsAggregate.read });
  const commands = useCommands(decisionsAggregate, session?.person?.id ?? '');
  const isSaving = useIsSaving(decisionsAggregate.key);
  const { part, beside } = usePart('Of the studio', PARTS, isSaving);
  return (
    <StudioPage title="Studio" beside={beside}>
      {!data && (error ? <Failure error={error} /> : <Skeleton />)}
      {data && (
        <chakra.div display="grid" gap="5">
          <EntryRefusal of={decisionsAggregate.key} commands={commands} />
          {part === 'ways' && <StudioWays studio={data.body} commands={commands} />}
          {part === 'rooms' && <Rooms />}
          {part === 'holidays' && <Holidays studio={data.body} commands={commands} />}
          {part === 'cautions' && <Cautions studio={data.body} commands={commands} />}
          {part === 'minutes' && <ElementMinutes />}
          <Disclosure title="Changes of the studio" size="small">
            <HistoryList history={data.history} takeBack={commands.takeBack} />
          </Disclosure>
        </chakra.div>
      )}
    </StudioPage>
  );
}
