import { chakra } from '@chakra-ui/react';
import { countDifferences, keptPlacing } from '@map-step/core';
import { format } from 'date-fns';
import { useState } from 'react';
import { PartFrame } from '../../../ui/group.tsx';
import { Notice } from '../../../ui/notice.tsx';
import { Button, LinkButton } from '../../../ui/parts.tsx';
import { useShortcuts } from '../../../ui/shortcuts.ts';
import { LongTextField, TextField } from '../../../ui/text-field.tsx';
import { type CourseCommands, useIsSavingCourse } from '../../course/course-commands.ts';
import { type PlanContent, useCourse } from '../../course/course-context.ts';

interface PublishPlanProps {
  readonly plan: PlanContent;
  readonly commands: CourseCommands;
}

/** Makes the plan the one that the classes follow, with a note to the staff; or keeps it by a name for later. */
export function PublishPlan({ plan: { saved, draft }, commands }: PublishPlanProps) {
  const { answer, today } = useCourse();
  const isSaving = useIsSavingCourse();
  const [opened, open] = useState<'publish' | 'keep'>();
  const changed = answer.published ? countDifferences(keptPlacing(answer.published), saved) : 0;
  const hasBroken = (draft.judgement?.broken.length ?? 0) > 0;
  const mayPublish = !hasBroken && !isSaving && !(changed === 0 && answer.published !== null);
  useShortcuts({ publish: mayPublish && !opened ? () => open('publish') : undefined });
  const submit = (data: FormData) => {
    const [name, note] = [String(data.get('name')), String(data.get('note') ?? '')];
    if (opened) commands.send({ kind: opened, name, note });
    open(undefined);
  };
  return (
    <PartFrame display="grid" gap="2">
      <p>
        {answer.published
          ? `Published: ${answer.published.name}, ${format(new Date(answer.published.at), 'd MMM')}. `
          : 'Not published yet. '}
        {answer.published &&
          (changed === 0
            ? 'The classes follow this plan.'
            : `${changed} ${changed === 1 ? 'thing differs' : 'things differ'} from it.`)}
      </p>
      {answer.published && answer.sections.length === 0 && (
        <LinkButton ref={focusOn} look="next" to={`/classes/new?course=${answer.course.id}`}>
          Next: a class that takes it
        </LinkButton>
      )}
      {hasBroken && <Notice tone="now" title="Mend what is broken before you publish." />}
      {opened ? (
        <chakra.form action={submit} display="grid" gap="2">
          <TextField
            label="Name of this version"
            name="name"
            autoFocus
            defaultValue={`Plan of ${today}`}
            required
            maxLength={200}
          />
          <LongTextField
            label={opened === 'publish' ? 'Note to the staff' : 'Note'}
            name="note"
            rows={2}
            maxLength={2000}
          />
          <chakra.div display="flex" gap="2">
            <Button type="submit">
              {opened === 'publish' ? 'Publish to the staff' : 'Keep it by this name'}
            </Button>
            <Button look="quiet" onClick={() => open(undefined)}>
              Leave it
            </Button>
          </chakra.div>
        </chakra.form>
      ) : (
        <chakra.div display="flex" gap="2" flexWrap="wrap">
          <Button onClick={() => open('publish')} disabled={!mayPublish}>
            Publish this plan …
          </Button>
          <Button look="quiet" onClick={() => open('keep')} disabled={isSaving}>
            Keep by a name …
          </Button>
        </chakra.div>
      )}
    </PartFrame>
  );
}

/** What comes next has the focus as soon as it is there. */
function focusOn(element: HTMLElement | null): void {
  element?.focus();
}
