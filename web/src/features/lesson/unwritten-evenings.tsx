import { chakra } from '@chakra-ui/react';
import type { LogEntry } from '@map-step/contract';
import { figureName } from '@map-step/core';
import { useMutation } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { Link } from 'react-router';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button } from '../../ui/parts.tsx';
import { useClass, useCourse, useMayTeach, usePlace } from '../course/course-context.ts';
import { useSectionRefresh } from '../course/course-queries.ts';

/** Evenings before this one of which nobody wrote: taken as planned until somebody says how they went. */
export function UnwrittenEvenings() {
  const { classPlan } = useClass();
  const { lesson } = usePlace();
  const unwritten = classPlan?.progress.unwritten.filter(before => before < lesson) ?? [];
  return unwritten.map(before => <UnwrittenEvening key={before} lesson={before} />);
}

function UnwrittenEvening({ lesson }: { lesson: number }) {
  const { library, me } = useCourse();
  const { section, classPlan } = useClass();
  const { goTo } = usePlace();
  const mayTeach = useMayTeach();
  const writing = useAsPlanned(lesson);
  const { supposed = {} } = classPlan ?? {};
  const figures = Object.keys(supposed).filter(id => supposed[id] === lesson);
  const date = section?.section.dates[lesson - 1];
  const day = date ? ` (${format(parseISO(date), 'EEEE d MMMM')})` : '';
  const names = figures.map(id => figureName(library, id)).join(', ');
  return (
    <Notice tone="now" title={`Nothing was written of lesson ${lesson}${day}`}>
      <p>It is taken as planned until somebody says how it went: {names || 'nothing new'}.</p>
      {writing.error && <Failure error={writing.error} />}
      {mayTeach && (
        <chakra.div display="flex" flexWrap="wrap" gap="2" mt="2" alignItems="center">
          <Button onClick={() => writing.mutate(figures)} disabled={writing.isPending}>
            It went as planned
          </Button>
          <Button onClick={() => goTo(lesson)}>Write lesson {lesson} down</Button>
          {me.role === 'director' ? (
            <Link to={`/classes/${section?.section.id}?part=off`}>It was not held: call it off</Link>
          ) : (
            <span>Was it not held? The director calls it off.</span>
          )}
        </chakra.div>
      )}
    </Notice>
  );
}

/** Writes of an evening that all its figures were danced, and drafts its recaps. */
function useAsPlanned(lesson: number) {
  const { section } = useClass();
  const id = section?.section.id ?? '';
  const refresh = useSectionRefresh(id);
  return useMutation({
    mutationFn: (figures: readonly string[]) => {
      const at = new Date().toISOString();
      const logs = figures.map(
        (pattern): LogEntry => ({ id: crypto.randomUUID(), lesson, pattern, result: 'solid', at }),
      );
      return call('lesson.finish', { params: { section: id, lesson }, body: { logs } });
    },
    onSuccess: refresh.replace,
  });
}
