import { chakra } from '@chakra-ui/react';
import type { RecapAnswer } from '@map-step/contract';
import { keptPlacing, sectionsMissing, withSection } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { Notice } from '../../ui/notice.tsx';
import { Button } from '../../ui/parts.tsx';
import { draftRecapsInWorker } from '../../workers/planner.ts';
import { combinationsQuery } from '../combine/combination-queries.ts';
import { useClass, useCourse, usePlan } from '../course/course-context.ts';
import type { RecapEditor } from './use-recap.ts';

/** Where the log was corrected after the recap was drafted: the passages that it would have now. */
export function LogSaysNow({ recap, editor }: { recap: RecapAnswer; editor: RecapEditor }) {
  const { studio, material, materialStamp, answer } = useCourse();
  const { section } = useClass();
  const { saved } = usePlan();
  const { lesson, audience } = recap;
  const { data: combinations } = useQuery(combinationsQuery(answer.course.id));
  const { data: drafts } = useQuery({
    queryKey: [
      'draft-anew',
      recap.section,
      lesson,
      section?.logs.length,
      section?.notes.length,
      materialStamp,
      combinations,
    ],
    queryFn: () =>
      draftRecapsInWorker(material, {
        studio: studio.studio,
        localRules: studio.localRules ?? undefined,
        course: answer.course,
        published: answer.published ? keptPlacing(answer.published) : saved,
        lesson,
        logs: (section?.logs ?? []).filter(log => log.lesson <= lesson),
        notes: section?.notes ?? [],
        attendance: section?.attendance ?? [],
        students: section?.students ?? [],
        members: section?.section.students ?? [],
        dates: section?.section.dates ?? [],
        combinations: combinations ?? [],
        recaps: (section?.recaps ?? []).filter(other => other.lesson < lesson),
      }),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  });
  const missing = drafts
    ? sectionsMissing(drafts[audience], editor.text).filter(({ title }) =>
        /^(New|Finished|Begun):/.test(title),
      )
    : [];
  if (missing.length === 0) return null;
  return (
    <Notice tone="now" title="The log tells what this text does not:">
      {missing.map(passage => (
        <chakra.div key={passage.title} display="flex" gap="2" alignItems="baseline" mt="1">
          <span>{passage.title}</span>
          <Button size="small" onClick={() => editor.write(withSection(editor.text, passage))}>
            Add this passage
          </Button>
        </chakra.div>
      ))}
    </Notice>
  );
}
