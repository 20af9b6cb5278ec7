import { chakra } from '@chakra-ui/react';
import { format, parseISO } from 'date-fns';
import { memo } from 'react';
import type { CourseView } from '../../course/course-view.ts';

interface PrintedProps extends Pick<CourseView, 'draft' | 'library' | 'section' | 'studio' | 'today'> {
  readonly course: string;
}

/** The plan on paper: a row a lesson, with what is new, what is reviewed and the minutes. */
export const PrintedPlan = memo(function PrintedPlan(props: PrintedProps) {
  const { course, draft, library, section, studio, today } = props;
  const nameOf = (id: string) => library.patterns.get(id)?.name ?? id;
  const left = draft.judgement?.left ?? [];
  return (
    <chakra.section className="only-print">
      <chakra.p mb="2">
        {studio.studio.name} · {course} · as of {format(parseISO(today), 'd MMMM yyyy')}
      </chakra.p>
      <chakra.table
        width="full"
        css={{
          borderCollapse: 'collapse',
          '& th, & td': {
            border: '1px solid',
            borderColor: 'line',
            p: '1.5',
            textAlign: 'left',
            verticalAlign: 'top',
          },
          '& tr': { breakInside: 'avoid' },
        }}
      >
        <thead>
          <tr>
            <th>Lesson</th>
            <th>New</th>
            <th>Reviewed</th>
            <th>New, min</th>
            <th>Review, min</th>
            <th>Room, min</th>
          </tr>
        </thead>
        <tbody>
          {draft.judgement?.lessons.map((lesson, index) => {
            const date = section?.section.dates[index];
            return (
              <tr key={`lesson-${index + 1}`}>
                <td>
                  {index + 1}
                  {date && `, ${format(parseISO(date), 'd MMM')}`}
                </td>
                <td>{lesson.introduce.map(nameOf).join(', ') || 'nothing new'}</td>
                <td>{lesson.reviews.map(({ id }) => nameOf(id)).join(', ')}</td>
                <td>{lesson.new / 10}</td>
                <td>{lesson.review / 10}</td>
                <td>{lesson.capacity / 10}</td>
              </tr>
            );
          })}
        </tbody>
      </chakra.table>
      {left.length > 0 && <chakra.p mt="2">Left out: {left.map(nameOf).join(', ')}</chakra.p>}
    </chakra.section>
  );
});
