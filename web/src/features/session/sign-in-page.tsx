import { chakra } from '@chakra-ui/react';
import type { SessionAnswer } from '@map-step/contract';
import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { EntrancePage } from './entrance-page.tsx';
import { PasswordForm } from './password-form.tsx';
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
    <EntrancePage>
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
        <>
          <PasswordForm
            onSubmit={(email, password) => signIn.mutate({ account: { email, password } })}
            isBusy={signIn.isPending}
          />
          <chakra.p mt="4" color="quiet" maxW="26rem">
            No account, or a password forgotten? The director of your studio makes you a link.
            {session.founding === 'open' && (
              <>
                {' '}
                <Link to="/found">Make a studio of your own</Link>
              </>
            )}
          </chakra.p>
        </>
      )}
    </EntrancePage>
  );
}

/** Loaded where it is asked for: once in the life of a server. */
const SetupForm = lazy(async () => ({ default: (await import('./setup-form.tsx')).SetupForm }));
