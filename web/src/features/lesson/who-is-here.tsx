import { chakra } from '@chakra-ui/react';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Label } from '../../ui/parts.tsx';
import { useClass, useCourse } from '../course/course-context.ts';
import { areNamesHidden, studentCount } from '../course/course-view.ts';
import { type StudentHere, useAttendance } from './use-attendance.ts';

const Person = chakra('button', {
  base: {
    display: 'flex',
    justifyContent: 'space-between',
    gap: '2',
    width: '100%',
    minHeight: '2.5rem',
    alignItems: 'center',
    textAlign: 'left',
    fontSize: 'sm',
    px: '2',
    border: '0',
    borderBottom: '1px solid',
    borderColor: 'line',
    bg: 'transparent',
    color: 'ink',
    cursor: 'pointer',
    '&[aria-pressed=true]': { bg: 'readyTint', fontWeight: '600' },
  },
});

/** The students of the class: one tap says who is here. */
export function WhoIsHere() {
  const { studio } = useCourse();
  const { section } = useClass();
  const { students, say } = useAttendance();
  const roles = { ...(studio.studio.roles ?? { lead: 'leader', follow: 'follower' }), solo: 'dancer' };
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
  if (students.length === 0) return null;
  const isPaired = students.some(({ role }) => role !== 'solo');
  return (
    <Disclosure
      title={
        <>
          {here.length} of {students.length} here
          {isPaired && here.length > 0 ? `: ${count('lead')} lead, ${count('follow')} follow` : ''}
        </>
      }
    >
      <chakra.ul listStyleType="none" p="0" maxH="24rem" overflowY="auto">
        {students.map(student => (
          <li key={student.id}>
            <Person
              type="button"
              aria-pressed={student.here === true}
              onClick={() => say(student, !student.here)}
            >
              <span>{student.name}</span>
              <Label>
                {roles[student.role]}, {stateOf(student)}
              </Label>
            </Person>
          </li>
        ))}
      </chakra.ul>
    </Disclosure>
  );
}

function stateOf({ here, isDisputed }: StudentHere): string {
  if (isDisputed) return 'said both';
  return here === undefined ? 'not said' : here ? 'here' : 'not here';
}
