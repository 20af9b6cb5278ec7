import { chakra } from '@chakra-ui/react';
import type { CourseClass, SectionAnswer } from '@map-step/contract';
import { format, parseISO } from 'date-fns';
import { lazy, type ReactNode, Suspense, useState } from 'react';
import { Link, useLocation, useNavigate, useSearchParams } from 'react-router';
import { Choice } from '../../ui/choice.tsx';
import { Label, TwoColumns } from '../../ui/parts.tsx';
import { useShortcuts } from '../../ui/shortcuts.ts';
import { StripLink } from '../shell/strip-link.ts';
import { TopStrip } from '../shell/top-strip.tsx';
import { Barre } from './barre.tsx';
import { useClass, useCourse, usePlace } from './course-context.ts';
import { studentCount } from './course-view.ts';
import { ROOMS } from './rooms.ts';
import { useAddress } from './use-address.ts';

/** Loaded when it is first asked for. */
const KeysHelp = lazy(async () => ({ default: (await import('./keys-help.tsx')).KeysHelp }));

/** The strip, the barre and the rooms, around whatever room is open. */
export function CourseFrame({ children }: { children: ReactNode }) {
  const { answer } = useCourse();
  const { section } = useClass();
  const { goTo, goBy } = usePlace();
  const { search } = useLocation();
  const address = useAddress();
  const navigate = useNavigate();
  const [showsKeys, setShowsKeys] = useState(false);
  const room = (id: string) => () => address.openRoom(`/courses/${answer.course.id}/${id}`);
  useShortcuts({
    'lesson-before': () => goBy(-1),
    'lesson-after': () => goBy(1),
    keys: () => setShowsKeys(true),
    'room-material': room('material'),
    'room-map': room('map'),
    'room-lesson': room('lesson'),
    'room-combine': room('combine'),
    'room-recap': room('recap'),
    'room-check': room('check'),
    'room-programme': () => void navigate('/'),
    ...Object.fromEntries(
      Array.from({ length: 9 }, (_, index) => [`lesson-${index + 1}`, () => goTo(index + 1)]),
    ),
  });
  return (
    <>
      <Rooms course={answer.course.id} search={search} />
      <TwoColumns
        rowGap="0"
        alignItems="stretch"
        px={{ base: '3', lg: '5' }}
        pt="3"
        bg="paper"
        position={{ lg: 'sticky' }}
        top="0"
        zIndex="4"
        className="no-print"
      >
        <CourseTitle
          course={answer.course.id}
          name={answer.course.name}
          sections={answer.sections}
          section={section}
        />
        <Barre />
      </TwoColumns>
      <chakra.main px={{ base: '3', lg: '5' }} pb="8" pt="3">
        {children}
      </chakra.main>
      {showsKeys && (
        <Suspense>
          <KeysHelp isOpen close={() => setShowsKeys(false)} />
        </Suspense>
      )}
    </>
  );
}

function Rooms({ course, search }: { course: string; search: string }) {
  return (
    <TopStrip>
      <chakra.nav aria-label="Rooms" display="flex" alignSelf="stretch" alignItems="stretch" overflowX="auto">
        {ROOMS.map(({ id, word }) => (
          <StripLink key={id} to={{ pathname: `/courses/${course}/${id}`, search }}>
            {word}
          </StripLink>
        ))}
      </chakra.nav>
    </TopStrip>
  );
}

interface CourseTitleProps {
  readonly course: string;
  readonly name: string;
  readonly sections: readonly CourseClass[];
  /** The class that is looked at. */
  readonly section: SectionAnswer | undefined;
}

function CourseTitle({ course, name, sections, section }: CourseTitleProps) {
  const [, setSearch] = useSearchParams();
  const choose = (id: string) =>
    setSearch(before => {
      before.set('class', id);
      before.delete('lesson');
      return before;
    });
  return (
    <chakra.div mb={{ base: '2', lg: '0' }}>
      <chakra.h1 fontSize="xl">
        <Link to={`/courses/${course}/map`} style={{ textDecoration: 'none' }}>
          {name}
        </Link>
      </chakra.h1>
      {sections.length > 1 ? (
        <Choice
          label="Class"
          value={section?.section.id}
          among={sections.map(({ id, dates, start }) => ({
            value: id,
            words: `${dates[0] ? format(parseISO(dates[0]), 'EEEE') : id} ${start}`,
          }))}
          set={choose}
        />
      ) : section ? (
        <Label>
          {section.section.dates[0] ? format(parseISO(section.section.dates[0]), 'EEEE') : ''}{' '}
          {section.section.start}, {studentCount(section)} students
        </Label>
      ) : (
        <Label>No class follows this course yet</Label>
      )}
    </chakra.div>
  );
}
