import { chakra } from '@chakra-ui/react';
import type { TermAnswer } from '@map-step/contract';
import {
  printAsked,
  printSlots,
  printStaff,
  type ReadLines,
  readAsked,
  readSlots,
  readStaff,
  type TimetableRequest,
} from '@map-step/core';
import { useState } from 'react';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { LongTextField } from '../../ui/text-field.tsx';
import { runTimetable } from '../../workers/programmes.ts';
import { useRun } from '../../workers/use-run.ts';
import { LaidOut } from './laid-out.tsx';
import type { TimetableNames } from './timetable-names.ts';

interface TimetableDeskProps extends TimetableNames {
  readonly begun: TimetableRequest;
  readonly courses: TermAnswer['courses'];
  readonly today: string;
}

/** What the timetable is asked, as lines; laid out beside the page, and then moved by hand. */
export function TimetableDesk({ begun, courses, today, ...names }: TimetableDeskProps) {
  const { levels, people, rooms } = names;
  const [asked, setAsked] = useState(() => printAsked(begun.classes, levels));
  const [slots, setSlots] = useState(() => printSlots(begun.slots, rooms));
  const [staff, setStaff] = useState(() => printStaff(begun.staff, people, levels));
  const dances = Object.fromEntries(levels.map(({ id, dance }) => [id, dance]));
  const run = useRun((request: TimetableRequest) => runTimetable(request, dances));
  const read = {
    classes: readAsked(asked, levels),
    slots: readSlots(slots, rooms),
    staff: readStaff(staff, people, levels),
  };
  const request = wholeOf(read);
  return (
    <chakra.div display="grid" gap="3">
      <chakra.div display="grid" gap="3" gridTemplateColumns={{ lg: '1fr 1fr' }}>
        <LongTextField
          label="Classes"
          rows={7}
          value={asked}
          fault={faultOf(read.classes)}
          onChange={event => setAsked(event.target.value)}
        />
        <LongTextField
          label="Rooms"
          rows={7}
          value={slots}
          fault={faultOf(read.slots)}
          onChange={event => setSlots(event.target.value)}
        />
      </chakra.div>
      <LongTextField
        label="Staff: what they may teach, when they can, how many classes at most"
        rows={6}
        value={staff}
        fault={faultOf(read.staff)}
        onChange={event => setStaff(event.target.value)}
      />
      <chakra.div display="flex" gap="3" alignItems="center">
        {run.isRunning ? (
          <Button onClick={run.stop}>Stop</Button>
        ) : (
          <Button look="next" disabled={!request} onClick={() => request && run.start(request)}>
            Lay out the timetable
          </Button>
        )}
        {run.isRunning && <Label role="status">Laying it out …</Label>}
      </chakra.div>
      {run.error && <Failure error={run.error} />}
      {run.found && (
        <LaidOut
          key={run.found.number}
          request={run.found.request}
          timetable={run.found.answer}
          names={names}
          courses={courses}
          today={today}
        />
      )}
    </chakra.div>
  );
}

function faultOf(read: ReadLines<unknown>): string | undefined {
  return read.ok ? undefined : read.faults.join(' ');
}

function wholeOf({
  classes,
  slots,
  staff,
}: { readonly [Part in keyof TimetableRequest]: ReadLines<TimetableRequest[Part][number]> }):
  | TimetableRequest
  | undefined {
  if (!classes.ok || !slots.ok || !staff.ok) return undefined;
  return { classes: classes.value, slots: slots.value, staff: staff.value };
}
