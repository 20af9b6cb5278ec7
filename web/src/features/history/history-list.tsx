import { chakra } from '@chakra-ui/react';
import type { HistoryEntry } from '@map-step/contract';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { Button, Label } from '../../ui/parts.tsx';
import { personName, studioQuery } from '../studio/studio-queries.ts';

interface HistoryListProps {
  readonly history: readonly HistoryEntry[];
  /** Undefined for who may only read. */
  readonly takeBack: ((entry: HistoryEntry) => void) | undefined;
}

/** Who changed what and when, the newest first; each change can be taken back, and so can that. */
export function HistoryList({ history, takeBack }: HistoryListProps) {
  const { data: studio } = useQuery(studioQuery);
  if (history.length === 0) return <Label>Nothing has been changed yet.</Label>;
  return (
    <chakra.ul listStyleType="none" p="0" fontSize="sm" maxH="20rem" overflowY="auto">
      {history.map(entry => (
        <chakra.li
          key={entry.id}
          display="flex"
          gap="2"
          alignItems="center"
          justifyContent="space-between"
          borderBottom="1px solid"
          borderColor="line"
          py="1"
        >
          <span>
            <chakra.span textDecoration={entry.undone ? 'line-through' : undefined}>
              {entry.undoes ? `Taken back: ${entry.what}` : entry.what}
            </chakra.span>{' '}
            <Label>
              {personName(studio, entry.by)}, {format(new Date(entry.at), 'd MMM, HH:mm')}
            </Label>
          </span>
          {takeBack && !entry.undone && !['publish', 'keep'].includes(entry.kind) && (
            <Button look="quiet" size="small" onClick={() => takeBack(entry)}>
              {entry.undoes ? 'Put back' : 'Take back'}
            </Button>
          )}
        </chakra.li>
      ))}
    </chakra.ul>
  );
}
