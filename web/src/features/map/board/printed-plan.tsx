import { chakra } from '@chakra-ui/react';
import { figureName } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { GridTable, TableCell, TableRow } from '../../../ui/table.tsx';
import type { ClassContent, CourseContent, PlanContent } from '../../course/course-context.ts';
import { useElementName } from '../../course/use-elements.ts';

interface PrintedProps extends Pick<CourseContent, 'library' | 'studio' | 'today'> {
  readonly course: string;
  readonly draft: PlanContent['draft'];
  readonly section: ClassContent['section'];
}

const HEADS = ['Lesson', 'New', 'Reviewed', 'New, min', 'Review, min', 'Room, min'];

/** The plan on paper: a row a lesson, with what is new, what is reviewed and the minutes. */
export function PrintedPlan(props: PrintedProps) {
  const { course, draft, library, section, studio, today } = props;
  const nameOf = (id: string) => figureName(library, id);
  const elementName = useElementName();
  const aheadOf = ({ id }: { readonly id: string }) => `${elementName(id)} for next time`;
  const left = draft.judgement?.left ?? [];
  return (
    <chakra.section className="only-print">
      <chakra.p mb="2">
        {studio.studio.name} · {course} · as of {format(parseISO(today), 'd MMMM yyyy')}
      </chakra.p>
      <GridTable look="ruled" heads={HEADS}>
        {draft.judgement?.lessons.map((lesson, index) => {
          const date = section?.section.dates[index];
          return (
            <TableRow key={`lesson-${index + 1}`}>
              <TableCell>
                {index + 1}
                {date && `, ${format(parseISO(date), 'd MMM')}`}
              </TableCell>
              <TableCell>
                {[...lesson.introduce.map(nameOf), ...lesson.prepare.map(aheadOf)].join(', ') ||
                  'nothing new'}
              </TableCell>
              <TableCell>{lesson.reviews.map(({ id }) => nameOf(id)).join(', ')}</TableCell>
              <TableCell>{lesson.new / 10}</TableCell>
              <TableCell>{lesson.review / 10}</TableCell>
              <TableCell>{lesson.capacity / 10}</TableCell>
            </TableRow>
          );
        })}
      </GridTable>
      {left.length > 0 && <chakra.p mt="2">Left out: {left.map(nameOf).join(', ')}</chakra.p>}
    </chakra.section>
  );
}
