import { chakra } from '@chakra-ui/react';
import { format } from 'date-fns';
import { useDeferredValue, useState } from 'react';
import { Button, Field, Label, Notice, TextArea } from '../../../ui/parts.tsx';
import { useIsSavingCourse } from '../../course/course-commands.ts';
import { placedOf, useCourseView } from '../../course/course-view.ts';
import { differences } from './differences.ts';
import type { Placing } from './use-placing.ts';

/** Makes the plan the one that the classes follow, with a note to the staff; or keeps it by a name for later. */
export function PublishPlan({ publish, keep }: Pick<Placing, 'publish' | 'keep'>) {
  const { answer, saved, draft, today } = useCourseView();
  // With the words beside it, not before them.
  const isSaving = useDeferredValue(useIsSavingCourse(answer.course.id));
  const [opened, open] = useState<'publish' | 'keep'>();
  const changed = Object.keys(differences(placedOf(answer.published), saved)).length;
  const hasBroken = (draft.judgement?.broken.length ?? 0) > 0;
  const submit = (data: FormData) => {
    const [name, note] = [String(data.get('name')), String(data.get('note') ?? '')];
    if (opened === 'keep') keep(name, note);
    else publish(name, note);
    open(undefined);
  };
  return (
    <chakra.section className="part" display="grid" gap="2">
      <p>
        {answer.published
          ? `Published: ${answer.published.name}, ${format(new Date(answer.published.at), 'd MMM')}. `
          : 'Not published yet. '}
        {answer.published &&
          (changed === 0
            ? 'The classes follow this plan.'
            : `${changed} ${changed === 1 ? 'figure differs' : 'figures differ'} from it.`)}
      </p>
      {hasBroken && <Notice tone="now" title="Mend what is broken before you publish." />}
      {opened ? (
        <chakra.form action={submit} display="grid" gap="2">
          <chakra.label>
            <Label>Name of this version</Label>
            <Field name="name" defaultValue={`Plan of ${today}`} required maxLength={200} />
          </chakra.label>
          <chakra.label>
            <Label>{opened === 'publish' ? 'Note to the staff' : 'Note'}</Label>
            <TextArea name="note" rows={2} maxLength={2000} />
          </chakra.label>
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
          <Button
            onClick={() => open('publish')}
            disabled={hasBroken || isSaving || (changed === 0 && answer.published !== null)}
          >
            Publish this plan …
          </Button>
          <Button look="quiet" onClick={() => open('keep')} disabled={isSaving}>
            Keep by a name …
          </Button>
        </chakra.div>
      )}
    </chakra.section>
  );
}
