import { chakra } from '@chakra-ui/react';
import { type ImportAnswer, ROUTES } from '@map-step/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type ChangeEvent, useRef } from 'react';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { Button, ButtonLink, Notice } from '../../ui/parts.tsx';
import { sessionQuery } from '../session/session-queries.ts';

/** The studio as a file, in and out. An import adds; it never overwrites. */
export function ImportAndExport() {
  const client = useQueryClient();
  const file = useRef<HTMLInputElement>(null);
  const load = useMutation({
    mutationFn: async (chosen: File) => call<ImportAnswer>('studio.import', { text: await chosen.text() }),
    onSuccess: () =>
      client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== sessionQuery.queryKey[0] }),
  });
  const onChoose = (event: ChangeEvent<HTMLInputElement>) => {
    const chosen = event.target.files?.[0];
    if (chosen) load.mutate(chosen);
    event.target.value = '';
  };
  const counts = Object.entries(load.data?.added ?? {}).map(([kind, count]) => `${count} ${kind}`);
  return (
    <chakra.section borderTop="1px solid" borderColor="line" mt="6" pt="4" display="grid" gap="3">
      <chakra.h2 fontSize="lg">The studio as a file</chakra.h2>
      <chakra.div display="flex" gap="3" flexWrap="wrap">
        <Button onClick={() => file.current?.click()} disabled={load.isPending}>
          {load.isPending ? 'Importing …' : 'Import a mapstep/1 file'}
        </Button>
        <ButtonLink href={ROUTES['studio.export'].path} download>
          Export everything
        </ButtonLink>
        <input
          ref={file}
          type="file"
          accept=".json,application/json"
          hidden
          onChange={onChoose}
          aria-label="File to import"
        />
      </chakra.div>
      {load.isError && <Failure error={load.error} />}
      {load.data && (
        <Notice
          tone="ready"
          title={
            counts.length ? `Imported: ${counts.join(', ')}` : 'Everything in this file was there already.'
          }
        />
      )}
    </chakra.section>
  );
}
