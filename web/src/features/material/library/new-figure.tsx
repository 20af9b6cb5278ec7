import { chakra } from '@chakra-ui/react';
import { type Dance, freeId, type Pattern, type PatternKind } from '@map-step/core';
import { useState } from 'react';
import { flushSync } from 'react-dom';
import { Controller } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { ownerOf } from '../../../api/outbox.ts';
import { Choice } from '../../../ui/choice.tsx';
import { Button } from '../../../ui/parts.tsx';
import { TextField } from '../../../ui/text-field.tsx';
import { UnsavedGuard } from '../../../ui/unsaved-guard.tsx';
import { useForm } from '../../../ui/use-form.ts';
import { useCourse } from '../../course/course-context.ts';
import { KINDS } from '../../course/course-words.ts';
import { useDrafts } from '../../history/draft-store.ts';
import { figureDrafts } from '../figure/use-figure-draft.ts';

/** The address of the page about a level stands where a figure's would. */
const LEVEL_PAGE = 'level';

const newFigure = z.object({
  name: z.string().trim().min(1, 'Give it the name that the house calls it by.').max(200),
  kind: z.enum(['basic', 'pattern', 'turn', 'drill', 'quality']),
  dance: z.string(),
});

/** A name and a kind, then an empty sheet. */
export function NewFigure({ close }: { close: () => void }) {
  const { form, begin, dances } = useNewFigure(close);
  const { register, control, formState } = form;
  return (
    <chakra.form
      onSubmit={begin}
      noValidate
      display="grid"
      gap="1.5"
      aria-label="New figure"
      onKeyDown={pressed => pressed.key === 'Escape' && !pressed.defaultPrevented && close()}
    >
      <UnsavedGuard isDirty={formState.isDirty} />
      <TextField
        label="What the house calls it"
        autoFocus
        fault={formState.errors.name?.message}
        {...register('name')}
      />
      <Controller
        control={control}
        name="kind"
        render={({ field }) => <Choice label="Kind" value={field.value} among={KINDS} set={field.onChange} />}
      />
      {dances.length > 1 && (
        <Controller
          control={control}
          name="dance"
          render={({ field }) => (
            <Choice
              label="Dance"
              value={field.value}
              among={dances.map(({ id, name }) => ({ value: id, words: name }))}
              set={field.onChange}
            />
          )}
        />
      )}
      <chakra.div display="flex" gap="2">
        <Button type="submit" look="next" size="small">
          Open an empty sheet
        </Button>
        <Button size="small" onClick={close}>
          Leave it
        </Button>
      </chakra.div>
    </chakra.form>
  );
}

/** The form of a figure that is begun, and what opening its sheet does. */
function useNewFigure(close: () => void) {
  const { library, answer, me } = useCourse();
  const navigate = useNavigate();
  const owner = ownerOf(me);
  const drafts = useDrafts(figureDrafts, owner);
  const dances = answer.course.dances.flatMap(id => library.dances.get(id) ?? []);
  const [warned, warn] = useState<string>();
  const form = useForm(newFigure, {
    name: '',
    kind: 'pattern' as PatternKind,
    dance: dances[0]?.id ?? '',
  });
  const begin = form.handleSubmit(({ name, kind, dance: danceId }) => {
    const dance = library.dances.get(danceId);
    if (!dance) return;
    const twin = [...library.patterns.values()].find(
      one => one.dance === danceId && one.name.toLowerCase() === name.toLowerCase(),
    );
    if (twin && warned !== name) {
      warn(name);
      const message = `There is a ${twin.name} in ${dance.name} already. Open it once more for another of this name.`;
      form.setError('name', { type: 'twin', message }, { shouldFocus: true });
      return;
    }
    const isTaken = (id: string) => id === LEVEL_PAGE || library.patterns.has(id) || id in drafts;
    const id = freeId(name, isTaken, 'figure');
    figureDrafts.keep(owner, id, {
      base: null,
      now: emptyFigure({ id, name, kind, dance, level: answer.course.level }),
      what: 'Written',
      past: [],
      future: [],
    });
    // Else the page would be held back, as one that is left with something written.
    flushSync(() => form.reset());
    close();
    void navigate(`/courses/${answer.course.id}/material/${id}`);
  });
  return { form, begin, dances };
}

interface NewFigureText {
  readonly id: string;
  readonly name: string;
  readonly kind: PatternKind;
  readonly dance: Dance;
  readonly level: string | undefined;
}

function emptyFigure({ id, name, kind, dance, level }: NewFigureText): Pattern {
  const hold = dance.holds[0]?.id;
  return {
    id,
    dance: dance.id,
    name,
    kind,
    ...(level && { level }),
    ...(hold && { entry: [hold], exit: 'same' }),
  };
}
