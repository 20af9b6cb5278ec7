import { chakra } from '@chakra-ui/react';
import { CAUTIONS, type PatternMark } from '@map-step/core';
import { Controller } from 'react-hook-form';
import { z } from 'zod';
import { Choice, optionsOf } from '../../../ui/choice.tsx';
import { Button } from '../../../ui/parts.tsx';
import { TextField } from '../../../ui/text-field.tsx';
import { UnsavedGuard } from '../../../ui/unsaved-guard.tsx';
import { useForm } from '../../../ui/use-form.ts';
import { MARK_WORDS } from './mark-sign.tsx';
import type { SheetPlace } from './sheet-place.ts';
import type { FigureEditing } from './use-figure-draft.ts';

interface NoteFormProps {
  readonly editing: FigureEditing;
  readonly place: SheetPlace;
  add(mark: PatternMark): void;
  close(): void;
}

const WHOLE = 'whole';
const KINDS = optionsOf(MARK_WORDS);
const CODES = Object.keys(CAUTIONS).map(code => ({ value: code, words: code }));
const line = z.string().trim().max(500);

const noteForm = z
  .object({
    kind: z.enum(['cue', 'signal', 'fault', 'caution', 'hold']),
    event: z.string(),
    text: line,
    cure: line,
    rescue: line,
    code: z.string(),
  })
  .refine(({ kind, text }) => kind === 'caution' || text !== '', {
    path: ['text'],
    message: 'Say it in a few words.',
  });

/** A note on a count or on the whole figure; a fault with its cure, a caution with what it is about. */
export function NoteForm({ editing, place, add, close }: NoteFormProps) {
  const part = editing.reading.figure.parts.find(({ role }) => role === place.role);
  const event = part?.steps[place.step]?.time?.event;
  const form = useForm(noteForm, {
    kind: 'cue' as PatternMark['kind'],
    event: event === undefined ? WHOLE : String(event),
    text: '',
    cure: '',
    rescue: '',
    code: CODES[0]?.value ?? '',
  });
  const { control, register, formState, watch } = form;
  const kind = watch('kind');
  const counts = part?.rhythm.events ?? [];
  const submit = form.handleSubmit(values => add(markOf(values, place.role)));
  return (
    <chakra.form
      onSubmit={submit}
      noValidate
      display="grid"
      gap="2"
      onKeyDown={pressed => pressed.key === 'Escape' && !pressed.defaultPrevented && close()}
      aria-label="A note"
    >
      <UnsavedGuard isDirty={formState.isDirty && !formState.isSubmitSuccessful} />
      <Controller
        control={control}
        name="kind"
        render={({ field }) => (
          <Choice label="Kind" value={field.value} among={KINDS} set={field.onChange} takesFocus />
        )}
      />
      <Controller
        control={control}
        name="event"
        render={({ field }) => (
          <Choice
            label="On count"
            value={field.value}
            among={[
              { value: WHOLE, words: 'the whole figure' },
              ...counts.map(({ label }, index) => ({
                value: String(index),
                words: `${label} (count ${index + 1} of ${counts.length})`,
              })),
            ]}
            set={field.onChange}
          />
        )}
      />
      <TextField label="In words" fault={formState.errors.text?.message} {...register('text')} />
      {kind === 'fault' && (
        <>
          <TextField label="Cure in practice" {...register('cure')} />
          <TextField label="Rescue on the floor" {...register('rescue')} />
        </>
      )}
      {kind === 'caution' && (
        <Controller
          control={control}
          name="code"
          render={({ field }) => (
            <Choice label="Caution about" value={field.value} among={CODES} set={field.onChange} />
          )}
        />
      )}
      <chakra.div display="flex" gap="2">
        <Button type="submit" look="next" size="small">
          Keep this note
        </Button>
        <Button size="small" onClick={close}>
          Leave it
        </Button>
      </chakra.div>
    </chakra.form>
  );
}

function markOf(values: z.output<typeof noteForm>, role: PatternMark['role'] & string): PatternMark {
  const { kind, event, text, cure, rescue, code } = values;
  return {
    ...(event !== WHOLE && { event: Number(event), role }),
    kind,
    text,
    ...(kind === 'caution' && { code }),
    ...(kind === 'fault' && cure !== '' && { cure }),
    ...(kind === 'fault' && rescue !== '' && { rescue }),
  };
}
