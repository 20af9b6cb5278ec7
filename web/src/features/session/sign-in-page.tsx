import { chakra } from '@chakra-ui/react';
import type { SessionAnswer } from '@map-step/contract';
import { lazy, Suspense } from 'react';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { useSignIn } from './session-queries.ts';

const ROLE_WORDS: Readonly<Record<string, string>> = {
  director: 'Programme director',
  teacher: 'Teacher',
  assistant: 'Assistant',
  'stand-in': 'Stand-in',
};

/** Shown to whoever is not signed in: the demo's people, a password, or the first studio of this server. */
export function SignInPage({ session }: { session: SessionAnswer }) {
  const signIn = useSignIn();
  return (
    <chakra.main maxW="58rem" mx="auto" px="5" py={{ base: '8', md: '16' }}>
      <chakra.h1 fontSize="3xl" mb="2">
        Map Step
      </chakra.h1>
      <chakra.p fontSize="lg" color="quiet" mb="8" maxW="36rem">
        Plans the weeks of a dance level, keeps what was really taught, and writes the recap.
      </chakra.p>
      {signIn.isError && (
        <chakra.div mb="5">
          <Failure error={signIn.error} />
        </chakra.div>
      )}
      {session.empty ? (
        <Suspense>
          <SetupForm onSubmit={setup => signIn.mutate({ setup })} isBusy={signIn.isPending} />
        </Suspense>
      ) : session.demo ? (
        <>
          <chakra.h2 fontSize="lg" mb="3">
            {session.demo.studio}: who are you today?
          </chakra.h2>
          <chakra.ul
            listStyleType="none"
            p="0"
            display="grid"
            gap="2"
            gridTemplateColumns={{ sm: '1fr 1fr', lg: 'repeat(3, 1fr)' }}
          >
            {session.demo.people.map(({ id, name, role }) => (
              <li key={id}>
                <Button
                  width="full"
                  size="large"
                  flexDirection="column"
                  alignItems="flex-start"
                  gap="0"
                  py="3"
                  disabled={signIn.isPending}
                  onClick={() => signIn.mutate({ demo: id })}
                >
                  {name}
                  <Label>{ROLE_WORDS[role]}</Label>
                </Button>
              </li>
            ))}
          </chakra.ul>
        </>
      ) : (
        <PasswordForm
          onSubmit={(email, password) => signIn.mutate({ account: { email, password } })}
          isBusy={signIn.isPending}
        />
      )}
    </chakra.main>
  );
}

/** Loaded where it is asked for: once in the life of a server. */
const SetupForm = lazy(async () => ({ default: (await import('./setup-form.tsx')).SetupForm }));

interface PasswordFormProps {
  onSubmit(email: string, password: string): void;
  readonly isBusy: boolean;
}

function PasswordForm({ onSubmit, isBusy }: PasswordFormProps) {
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
