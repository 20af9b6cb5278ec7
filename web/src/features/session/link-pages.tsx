// Pages for whoever comes by a link: into a studio, to a new password, or to make a studio of their own.
import { chakra } from '@chakra-ui/react';
import { acceptBody, type InvitationAnswer } from '@map-step/contract';
import { useQuery } from '@tanstack/react-query';
import { useNavigate, useParams } from 'react-router';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { Button, Skeleton } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { useForm } from '../../ui/use-form.ts';
import { EntrancePage } from './entrance-page.tsx';
import { PasswordForm } from './password-form.tsx';
import { useSignIn } from './session-queries.ts';
import { SetupForm } from './setup-form.tsx';

/** By a link that a director gave. */
export function InvitationPage() {
  const { token = '' } = useParams();
  const navigate = useNavigate();
  const signIn = useSignIn();
  const { data, error } = useQuery({
    queryKey: ['invitation', token],
    queryFn: () => call('invitation.read', { params: { token } }),
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    <EntrancePage>
      {!data && (error ? <Failure error={error} /> : <Skeleton lines={3} />)}
      {signIn.isError && <Failure error={signIn.error} />}
      {data && (
        <Accept
          invitation={data}
          isBusy={signIn.isPending}
          onSubmit={body =>
            signIn.mutate({ invitation: token, body }, { onSuccess: () => void navigate('/') })
          }
        />
      )}
    </EntrancePage>
  );
}

interface AcceptProps {
  readonly invitation: InvitationAnswer;
  readonly isBusy: boolean;
  onSubmit(body: { email: string; password: string }): void;
}

function Accept({ invitation: { kind, name, studio }, isBusy, onSubmit }: AcceptProps) {
  const { register, handleSubmit, formState } = useForm(acceptBody, { email: '', password: '' });
  const isNew = kind === 'invitation';
  return (
    <>
      <chakra.h2 fontSize="lg" mb="3">
        {isNew ? `Welcome to ${studio}, ${name}` : `A new password for ${name} at ${studio}`}
      </chakra.h2>
      <chakra.form onSubmit={handleSubmit(onSubmit)} noValidate display="grid" gap="4" maxW="26rem">
        <TextField
          label={isNew ? 'Your e-mail, to sign in with' : 'The e-mail that you sign in with'}
          type="email"
          autoComplete="username"
          autoFocus
          fault={formState.errors.email?.message}
          {...register('email')}
        />
        <TextField
          label={isNew ? 'A password, at least 10 characters' : 'The new password, at least 10 characters'}
          type="password"
          autoComplete="new-password"
          fault={formState.errors.password?.message}
          {...register('password')}
        />
        {isNew && <p>If you have an account on this server already, give its e-mail and password.</p>}
        <Button type="submit" look="next" size="large" disabled={isBusy}>
          {isNew ? 'Come in' : 'Set it and come in'}
        </Button>
      </chakra.form>
    </>
  );
}

/** At a studio's own address. */
export function AddressPage() {
  const { slug = '' } = useParams();
  const navigate = useNavigate();
  const signIn = useSignIn();
  const { data, error } = useQuery({
    queryKey: ['at', slug],
    queryFn: () => call('address.read', { params: { slug } }),
    retry: false,
  });
  return (
    <EntrancePage>
      {!data && (error ? <Failure error={error} /> : <Skeleton lines={3} />)}
      {signIn.isError && <Failure error={signIn.error} />}
      {data && (
        <>
          <chakra.h2 fontSize="lg" mb="3">
            {data.name}
          </chakra.h2>
          <PasswordForm
            isBusy={signIn.isPending}
            onSubmit={(email, password) =>
              signIn.mutate(
                { account: { email, password, at: slug } },
                { onSuccess: () => void navigate('/') },
              )
            }
          />
        </>
      )}
    </EntrancePage>
  );
}

/** Makes one more studio on this server: by a link, or freely where that is so configured. */
export function FoundingPage() {
  const { token } = useParams();
  const navigate = useNavigate();
  const signIn = useSignIn();
  return (
    <EntrancePage>
      {signIn.isError && <Failure error={signIn.error} />}
      <SetupForm
        isBusy={signIn.isPending}
        onSubmit={setup =>
          signIn.mutate(
            { setup: { ...setup, ...(token !== undefined && { invitation: token }) } },
            { onSuccess: () => void navigate('/setup') },
          )
        }
      />
    </EntrancePage>
  );
}
