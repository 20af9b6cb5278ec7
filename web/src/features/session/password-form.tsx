import { chakra } from '@chakra-ui/react';
import { Button } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';

interface PasswordFormProps {
  onSubmit(email: string, password: string): void;
  readonly isBusy: boolean;
}

export function PasswordForm({ onSubmit, isBusy }: PasswordFormProps) {
  const submit = (data: FormData) => onSubmit(String(data.get('email')), String(data.get('password')));
  return (
    <chakra.form action={submit} display="grid" gap="4" maxW="26rem">
      <TextField label="E-mail" name="email" type="email" autoComplete="username" required />
      <TextField label="Password" name="password" type="password" autoComplete="current-password" required />
      <Button type="submit" look="next" size="large" disabled={isBusy}>
        Sign in
      </Button>
    </chakra.form>
  );
}
