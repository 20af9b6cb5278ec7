import { chakra } from '@chakra-ui/react';
import { useParams } from 'react-router';
import { useIsSaving } from '../../api/use-commands.ts';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Skeleton } from '../../ui/parts.tsx';
import { HistoryList } from '../history/history-list.tsx';
import { StudioPage } from '../shell/studio-page.tsx';
import { DanceFrame } from './dance-frame.tsx';
import { DanceLists } from './dance-lists.tsx';
import { EntryRefusal } from './entry-refusal.tsx';
import { FirstFigures } from './first-figures.tsx';
import { Levels } from './levels.tsx';
import { useEntry } from './use-entry.ts';
import { usePart } from './use-part.tsx';

const PARTS = [
  { value: 'frame', words: 'The dance' },
  { value: 'levels', words: 'Levels' },
  { value: 'figures', words: 'Figures' },
] as const;

/** All of a dance that figures are written in, its levels, and the first of its figures. */
export function DancePage() {
  const { dance: id = '' } = useParams();
  const { data, error, commands, key } = useEntry('dances', id);
  const isSaving = useIsSaving(key);
  const { part, beside } = usePart('Of the dance', PARTS, isSaving);
  return (
    <StudioPage title={data?.body.name ?? 'A dance'} beside={beside}>
      {!data && (error ? <Failure error={error} /> : <Skeleton />)}
      {data && (
        <chakra.div display="grid" gap="6">
          <EntryRefusal of={key} commands={commands} />
          {part === 'frame' && (
            <>
              <DanceFrame dance={data.body} commands={commands} />
              <DanceLists dance={data.body} commands={commands} />
              <Disclosure title="Changes of this dance" size="small">
                <HistoryList history={data.history} takeBack={commands.takeBack} />
              </Disclosure>
            </>
          )}
          {part === 'levels' && <Levels dance={data.body} />}
          {part === 'figures' && <FirstFigures dance={data.body} />}
        </chakra.div>
      )}
    </StudioPage>
  );
}
