import { chakra } from '@chakra-ui/react';
import { PATHS } from '@map-step/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, ButtonLink } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';

/** What is kept of a student: as a file for them, or made nobody’s. */
export function StudentData({ student, name }: { student: string; name: string }) {
  const client = useQueryClient();
  const erase = useMutation({
    mutationFn: () => call('student.erase', { params: { student } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['section'] }),
  });
  return (
    <chakra.section aria-label="What is kept" display="grid" gap="3" justifyItems="start">
      <chakra.h2 fontSize="lg">What is kept of {name}</chakra.h2>
      <p>Their name, classes, who was here when, marks, what they were told, and what was noted of them.</p>
      <ButtonLink href={PATHS['student.export'].path.replace(':student', student)} download>
        Give it out as a file
      </ButtonLink>
      {erase.isError && <Failure error={erase.error} />}
      {erase.data ? (
        <Notice tone="ready" title="Erased. Every count stays as it was.">
          {erase.data.changed.length > 0 && (
            <p>The name was taken out of: {erase.data.changed.join(', ')}.</p>
          )}
          {erase.data.mentions.length > 0 && (
            <p>
              The given name still stands in: {erase.data.mentions.join('; ')}. It may be somebody else’s:
              look at these.
            </p>
          )}
        </Notice>
      ) : (
        <>
          <p>
            Erasing puts a nobody in their place, everywhere and for good: so many came and so many passed as
            before, and nothing names them.
          </p>
          <EraseForGood name={name} isBusy={erase.isPending} erase={() => erase.mutate()} />
        </>
      )}
    </chakra.section>
  );
}

function EraseForGood({ name, isBusy, erase }: { name: string; isBusy: boolean; erase(): void }) {
  const [typed, setTyped] = useState('');
  return (
    <chakra.div display="flex" gap="2" alignItems="end">
      <TextField
        label={`To erase, write the name: ${name}`}
        value={typed}
        onChange={event => setTyped(event.target.value)}
      />
      <Button flexShrink="0" disabled={isBusy || typed.trim() !== name} onClick={erase}>
        Erase for good
      </Button>
    </chakra.div>
  );
}
