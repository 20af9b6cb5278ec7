import { chakra } from '@chakra-ui/react';
import { freeId, RHYTHM_TEMPLATES } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { flushSync } from 'react-dom';
import { Controller } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { Failure } from '../../ui/failure.tsx';
import { OneOf } from '../../ui/one-of.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { UnsavedGuard } from '../../ui/unsaved-guard.tsx';
import { useForm } from '../../ui/use-form.ts';
import { StudioPage } from '../shell/studio-page.tsx';
import { framesQuery, useCreateEntry } from './setup-queries.ts';

const TEMPLATES = RHYTHM_TEMPLATES.map(({ id, words, example }) => ({
  value: id,
  words: (
    <>
      {words} <Label>{example}</Label>
    </>
  ),
}));

const newDance = z.object({
  name: z.string().trim().min(1, 'Give it the name that the house calls it by.').max(200),
  template: z.string(),
});

/** A name and a kind of rhythm; all the rest of a dance is then there to be changed. */
export function NewDancePage() {
  const { data: frames } = useQuery(framesQuery);
  const navigate = useNavigate();
  const create = useCreateEntry('dances');
  const { register, control, handleSubmit, formState, reset } = useForm(newDance, {
    name: '',
    template: RHYTHM_TEMPLATES[0]?.id ?? '',
  });
  const make = handleSubmit(async given => {
    const template = RHYTHM_TEMPLATES.find(({ id }) => id === given.template);
    if (!template) return;
    const id = freeId(given.name, taken => frames?.dances.some(one => one.id === taken) ?? false, 'dance');
    await create.mutateAsync({ ...template.dance, id, name: given.name }).then(
      () => {
        flushSync(() => reset());
        void navigate(`/dances/${id}?part=levels`);
      },
      () => undefined,
    );
  });
  return (
    <StudioPage title="A new dance">
      <chakra.form onSubmit={make} noValidate display="grid" gap="4" maxW="34rem" justifyItems="start">
        <UnsavedGuard isDirty={formState.isDirty} />
        {create.isError && <Failure error={create.error} />}
        <chakra.div width="full">
          <TextField
            label="What the house calls it"
            autoFocus
            fault={formState.errors.name?.message}
            {...register('name')}
          />
        </chakra.div>
        <Controller
          control={control}
          name="template"
          render={({ field }) => (
            <OneOf
              title="Its rhythm is most like"
              value={field.value}
              among={TEMPLATES}
              set={field.onChange}
            />
          )}
        />
        <Button type="submit" look="next" size="large" disabled={create.isPending || !frames}>
          Make this dance
        </Button>
      </chakra.form>
    </StudioPage>
  );
}
