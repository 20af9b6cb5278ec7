import { chakra } from '@chakra-ui/react';
import { judgePlan, keptPlacing, type LevelSheet, levelSheet } from '@map-step/core';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { Markdown } from '../../ui/markdown.tsx';
import { Button, Empty } from '../../ui/parts.tsx';
import { saveFile } from '../../ui/save-file.ts';
import { Segments } from '../../ui/segments.tsx';
import { useCourse, usePlan } from '../course/course-context.ts';

const READERS = [
  { value: 'students', words: 'For students' },
  { value: 'staff', words: 'For the staff' },
] as const;

/** The level on one page, to print or to send: as it was published last, else as it is planned. */
export function LevelSheetPage() {
  const { answer, library, studio } = useCourse();
  const { draft, saved } = usePlan();
  const { search } = useLocation();
  const [audience, read] = useState<LevelSheet['audience']>('students');
  const { course, published } = answer;
  const { placed, ahead } = published ? keptPlacing(published) : saved;
  if (Object.keys(placed).length === 0)
    return (
      <Empty title="Nothing is planned yet">
        <Link to={{ pathname: `/courses/${course.id}/map`, search }}>Plan the level on its map</Link>
      </Empty>
    );
  const lessons = draft.problem && judgePlan(draft.problem, placed, ahead).lessons;
  const text = levelSheet({
    ...{ library, course, placed, audience },
    ...{ studio: studio.studio, localRules: studio.localRules ?? undefined },
    ...(lessons && { lessons }),
  });
  return (
    <chakra.article display="grid" gap="4" maxW="46rem">
      <chakra.div className="no-print" display="flex" gap="2" alignItems="end" flexWrap="wrap">
        <Segments label="Who reads it" value={audience} among={READERS} set={read} />
        <Button look="next" onClick={() => window.print()}>
          Print it, or keep it as PDF
        </Button>
        <Button onClick={() => saveFile(`${course.id}-${audience}.md`, text, 'text/markdown')}>
          Save it as Markdown
        </Button>
      </chakra.div>
      <Markdown text={text} />
    </chakra.article>
  );
}
