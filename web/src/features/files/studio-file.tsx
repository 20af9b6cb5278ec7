import { chakra } from '@chakra-ui/react';
import { type ImportResult, PATHS } from '@map-step/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type ChangeEvent, useRef, useState } from 'react';
import { call } from '../../api/client.ts';
import { Choice } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, ButtonLink } from '../../ui/parts.tsx';
import { keys } from '../course/course-queries.ts';
import { changesInWords, List, TakeBack } from './import-parts.tsx';
import { JobProgress } from './job-progress.tsx';

/** The studio as a file, in and out: what a file would do is told before anything is written. */
export function StudioFile() {
  const client = useQueryClient();
  const file = useRef<HTMLInputElement>(null);
  const [job, setJob] = useState<string>();
  const [text, setText] = useState('');
  const begin = useMutation({
    mutationFn: ({ text: body, do: act, others = [] }: Order) =>
      call('studio.import', { body, query: { do: act, ...(others.length > 0 && { others }) } }),
    onSuccess: answer => {
      client.setQueryData(keys.job(answer.id), answer);
      setJob(answer.id);
    },
  });
  const onChoose = async (event: ChangeEvent<HTMLInputElement>) => {
    const chosen = event.target.files?.[0];
    event.target.value = '';
    if (!chosen) return;
    const read = await chosen.text();
    setText(read);
    begin.mutate({ text: read, do: 'preview' });
  };
  return (
    <chakra.section aria-label="The studio as a file" display="grid" gap="3">
      <chakra.h2 fontSize="lg">The studio as a file</chakra.h2>
      <chakra.div display="flex" gap="3" flexWrap="wrap">
        <Button onClick={() => file.current?.click()} disabled={begin.isPending}>
          {begin.isPending ? 'Sending the file …' : 'Import a Map Step file'}
        </Button>
        <ButtonLink href={PATHS['studio.export'].path} download>
          Export everything
        </ButtonLink>
        <input
          ref={file}
          type="file"
          accept=".json,application/json"
          hidden
          onChange={event => void onChoose(event)}
          aria-label="File to import"
        />
      </chakra.div>
      {begin.isError && <Failure error={begin.error} />}
      {job && (
        <JobProgress
          id={job}
          done={result =>
            'changedCount' in result && (
              <Outcome
                result={result}
                job={job}
                isPending={begin.isPending}
                write={others => begin.mutate({ text, do: 'take', others })}
              />
            )
          }
        />
      )}
    </chakra.section>
  );
}

interface Order {
  readonly text: string;
  readonly do: 'preview' | 'take';
  readonly others?: readonly string[];
}

interface OutcomeProps {
  readonly result: ImportResult;
  readonly job: string;
  readonly isPending: boolean;
  /** Those of the file who are others than the people of the same id here. */
  write(others: readonly string[]): void;
}

/** What a file would do, or did. */
function Outcome({ result, job, isPending, write }: OutcomeProps) {
  const { written, added, changed, changedCount, unchanged, asked } = result;
  const [others, setOthers] = useState<readonly string[]>([]);
  const counts = Object.entries(added).map(([kind, count]) => counted(kind, count));
  const words = [
    counts.length > 0 ? `new: ${counts.join(', ')}` : 'nothing new',
    `${changedCount} changed`,
    `${unchanged} the same already`,
  ].join('; ');
  return (
    <>
      <Notice tone={written ? 'ready' : 'now'} title={written ? `Imported: ${words}` : `This file: ${words}`}>
        {written ? (
          <TakeBack job={job} />
        ) : (
          <>
            {asked.length > 0 && <WhoIsWho asked={asked} others={others} setOthers={setOthers} />}
            <Button look="next" mt="2" disabled={isPending} onClick={() => write(others)}>
              {changedCount > 0
                ? `Bring it in, with ${changedCount === 1 ? 'the change' : `the ${changedCount} changes`}`
                : 'Bring it in'}
            </Button>
          </>
        )}
      </Notice>
      {changed.length > 0 && (
        <List title="Changed" total={changedCount} shown={changed.length}>
          {changed.map(({ kind, id, fields }) => (
            <li key={`${kind} ${id}`}>
              {id} of the {kind}: {changesInWords(fields)}
            </li>
          ))}
        </List>
      )}
    </>
  );
}

interface WhoIsWhoProps {
  readonly asked: ImportResult['asked'];
  readonly others: readonly string[];
  setOthers(others: readonly string[]): void;
}

const WHO = [
  { value: 'same', words: 'the same person' },
  { value: 'other', words: 'somebody else' },
] as const;

/** People who sign in here and are called otherwise in the file: a file renames none of them. */
function WhoIsWho({ asked, others, setOthers }: WhoIsWhoProps) {
  return (
    <chakra.div display="grid" gap="2" mt="2">
      <p>No file renames who signs in here. Say who is meant:</p>
      {asked.map(({ person, here, file }) => (
        <Choice
          key={person}
          label={`${file.name} of the file and ${here.name} here are`}
          width="26rem"
          value={others.includes(person) ? 'other' : 'same'}
          among={WHO}
          set={chosen => {
            const rest = others.filter(one => one !== person);
            setOthers(chosen === 'other' ? [...rest, person] : rest);
          }}
        />
      ))}
    </chakra.div>
  );
}

/** `1 room`, `3 rooms`, `1 person`: the file's lists are named in the plural. */
function counted(list: string, count: number): string {
  const one = ONE_OF[list] ?? list.replace(/s$/, '');
  return `${count} ${count === 1 ? one : list}`;
}

const ONE_OF: Readonly<Record<string, string>> = {
  people: 'person',
  dances: 'dance',
  classes: 'class',
  staff: 'of the staff',
  attendance: 'attendance',
};
