import { chakra } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useParams } from 'react-router';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { Markdown } from '../../ui/markdown.tsx';
import { Button, Label, Skeleton } from '../../ui/parts.tsx';

/** What a student sees behind a link: the recap and nothing else. */
export function SharePage() {
  const { token = '' } = useParams();
  const shared = useQuery({
    queryKey: ['share', token],
    queryFn: () => call('share.read', { params: { token } }),
  });
  return (
    <chakra.main maxW="44rem" mx="auto" px="5" py="8">
      {shared.data ? (
        <>
          <chakra.div display="flex" justifyContent="space-between" alignItems="baseline" mb="4">
            <Label>
              {shared.data.studio}
              {dayBeside(shared.data)}
              {shared.data.corrected && `, corrected ${format(parseISO(shared.data.corrected), 'd MMMM')}`}
            </Label>
            <Button className="no-print" look="quiet" size="small" onClick={() => window.print()}>
              Print
            </Button>
          </chakra.div>
          <Markdown text={shared.data.markdown} />
        </>
      ) : shared.error ? (
        <Failure error={shared.error} retry={() => void shared.refetch()} />
      ) : (
        <Skeleton lines={10} />
      )}
    </chakra.main>
  );
}

/** The day of the lesson, where the text does not begin with it. */
function dayBeside({ date, markdown }: { readonly date: string | null; readonly markdown: string }): string {
  if (!date) return '';
  const day = parseISO(date);
  return markdown.includes(format(day, 'EEEE, d MMMM')) ? '' : `, ${format(day, 'EEEE d MMMM')}`;
}
