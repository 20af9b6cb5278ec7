import { chakra } from '@chakra-ui/react';
import { useParams, useSearchParams } from 'react-router';
import { useIsSaving } from '../../api/use-commands.ts';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Label, Skeleton } from '../../ui/parts.tsx';
import { Segments } from '../../ui/segments.tsx';
import { HistoryList } from '../history/history-list.tsx';
import { StudioPage } from '../shell/studio-page.tsx';
import { DanceFrame } from './dance-frame.tsx';
import { DanceLists } from './dance-lists.tsx';
import { EntryRefusal } from './entry-refusal.tsx';
import { FirstFigures } from './first-figures.tsx';
import { Levels } from './levels.tsx';
import { useEntry } from './use-entry.ts';

const PARTS = [
  { value: 'frame', words: 'The dance' },
  { value: 'levels', words: 'Levels' },
  { value: 'figures', words: 'Figures' },
] as const;
type Part = (typeof PARTS)[number]['value'];

/** All of a dance that figures are written in, its levels, and the first of its figures. */
export function DancePage() {
  const { dance: id = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const part: Part = PARTS.find(({ value }) => value === search.get('part'))?.value ?? 'frame';
  const { data, error, commands, key } = useEntry('dances', id);
  const isSaving = useIsSaving(key);
  return (
    <StudioPage
      title={data?.body.name ?? 'A dance'}
      beside={
        <>
          <Segments
            label="Of the dance"
            value={part}
            among={PARTS}
            set={next => setSearch({ part: next }, { replace: true })}
          />
          <Label aria-live="polite">{isSaving ? 'saving' : 'saved'}</Label>
        </>
      }
    >
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
