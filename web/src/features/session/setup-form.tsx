import { chakra } from '@chakra-ui/react';
import { type SetupBody, setupBody } from '@map-step/contract';
import { Button } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { useForm } from '../../ui/use-form.ts';

interface SetupFormProps {
  onSubmit(setup: SetupBody): void;
  readonly isBusy: boolean;
}

/** The first studio of a server, and its director. */
export function SetupForm({ onSubmit, isBusy }: SetupFormProps) {
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  const { register, handleSubmit, formState } = useForm(setupBody, {
    studio: '',
    name: '',
    email: '',
    password: '',
    timezone: timeZone,
  });
  const faultOf = (field: keyof SetupBody) => formState.errors[field]?.message;
  return (
    <>
      <chakra.h2 fontSize="lg" mb="3">
        Start your studio
      </chakra.h2>
      <chakra.form onSubmit={handleSubmit(onSubmit)} noValidate display="grid" gap="4" maxW="26rem">
        <TextField label="Name of the studio" autoFocus fault={faultOf('studio')} {...register('studio')} />
        <TextField
          label="Your name (you are its programme director)"
          autoComplete="name"
          fault={faultOf('name')}
          {...register('name')}
        />
        <TextField
          label="E-mail"
          type="email"
          autoComplete="username"
          fault={faultOf('email')}
          {...register('email')}
        />
        <TextField
          label="Password, at least 10 characters"
          type="password"
          autoComplete="new-password"
          fault={faultOf('password')}
          {...register('password')}
        />
        <Button type="submit" look="next" size="large" disabled={isBusy}>
          Start the studio
        </Button>
      </chakra.form>
    </>
  );
}
