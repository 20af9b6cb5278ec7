import { chakra } from '@chakra-ui/react';
import type { Role } from '@map-step/core';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useClass, useCourse } from '../course/course-context.ts';
import { areNamesHidden, studentCount } from '../course/course-view.ts';
import type { LessonAttendance, StudentHere } from './use-attendance.ts';
import { WalkIn } from './walk-in.tsx';

const Person = chakra('button', {
  base: {
    display: 'flex',
    justifyContent: 'space-between',
    gap: '2',
    flex: '1 1 auto',
    minHeight: '2.75rem',
    alignItems: 'center',
    textAlign: 'left',
    fontSize: 'sm',
    px: '2',
    border: '0',
    bg: 'transparent',
    color: 'ink',
    cursor: 'pointer',
    '&[aria-pressed=true]': { bg: 'readyTint', fontWeight: '600' },
  },
});

const OTHER: Readonly<Record<Role, Role>> = { lead: 'follow', follow: 'lead', solo: 'solo' };

/** The students of the class: all here with one tap, then who is not, who came late, who dances the other role. */
export function WhoIsHere({ attendance: { students, say } }: { attendance: LessonAttendance }) {
  const { section } = useClass();
  const here = students.filter(student => student.here);
  const count = (role: 'lead' | 'follow') => here.filter(student => student.role === role).length;
  if (section && areNamesHidden(section))
    return (
      <Label display="block" py="2" borderY="1px solid" borderColor="line">
        {studentCount(section)} students
        {section.counts.solo === 0 ? `: ${section.counts.lead} lead, ${section.counts.follow} follow` : ''}.
        Their names are for the staff of this class on their days.
      </Label>
    );
  if (students.length === 0) return section && <WalkIn section={section.section.id} say={say} />;
  const isPaired = students.some(({ role }) => role !== 'solo');
  const unsaid = students.filter(student => student.here === undefined);
  return (
    <Disclosure
      title={
        <>
          {here.length} of {students.length} here
          {isPaired && here.length > 0 ? `: ${count('lead')} lead, ${count('follow')} follow` : ''}
        </>
      }
    >
      {unsaid.length > 0 && (
        <Button
          width="full"
          onClick={() => {
            for (const student of unsaid) say(student, { here: true });
          }}
        >
          {unsaid.length === students.length ? 'All are here' : 'All others are here'}
        </Button>
      )}
      <chakra.ul listStyleType="none" p="0" maxH="28rem" overflowY="auto">
        {students.map(student => (
          <PersonRow key={student.id} student={student} say={said => say(student, said)} />
        ))}
      </chakra.ul>
      {section && <WalkIn section={section.section.id} say={say} />}
    </Disclosure>
  );
}

interface PersonRowProps {
  readonly student: StudentHere;
  say(said: Parameters<LessonAttendance['say']>[1]): void;
}

function PersonRow({ student, say }: PersonRowProps) {
  const { studio } = useCourse();
  const roles = { ...(studio.studio.roles ?? { lead: 'leader', follow: 'follower' }), solo: 'dancer' };
  return (
    <chakra.li display="flex" flexWrap="wrap" alignItems="center" borderBottom="1px solid" borderColor="line">
      <Person type="button" aria-pressed={student.here === true} onClick={() => say({ here: !student.here })}>
        <span>{student.name}</span>
        <Label>
          {roles[student.role]}
          {student.role === student.ownRole ? '' : ' today'}, {stateOf(student)}
        </Label>
      </Person>
      {student.here && (
        <Button
          look="quiet"
          size="small"
          aria-pressed={student.isLate}
          aria-label={`${student.name} came late`}
          onClick={() => say({ late: !student.isLate })}
        >
          late
        </Button>
      )}
      {student.here && student.role !== 'solo' && (
        <Button
          look="quiet"
          size="small"
          aria-label={`${student.name} dances the other role today`}
          onClick={() => say({ role: OTHER[student.role] })}
        >
          other role
        </Button>
      )}
    </chakra.li>
  );
}

function stateOf({ here, isLate, isDisputed }: StudentHere): string {
  if (isDisputed) return 'said both';
  return here === undefined ? 'not said' : !here ? 'not here' : isLate ? 'here, late' : 'here';
}
