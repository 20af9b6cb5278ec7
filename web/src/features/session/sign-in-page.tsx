import { chakra } from '@chakra-ui/react';
import type { SessionAnswer } from '@map-step/contract';
import type { FormEvent, ReactNode } from 'react';
import { Failure } from '../../ui/failure.tsx';
import { Button, Field, Label } from '../../ui/parts.tsx';
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
        <SetupForm onSubmit={setup => signIn.mutate({ setup })} isBusy={signIn.isPending} />
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

function PasswordForm({
  onSubmit,
  isBusy,
}: {
  onSubmit: (email: string, password: string) => void;
  isBusy: boolean;
}) {
  return (
    <Form
      action="Sign in"
      isBusy={isBusy}
      onSubmit={values => onSubmit(values.email ?? '', values.password ?? '')}
    >
      <Labelled name="email" label="E-mail" type="email" autoComplete="username" />
      <Labelled name="password" label="Password" type="password" autoComplete="current-password" />
    </Form>
  );
}

function SetupForm({
  onSubmit,
  isBusy,
}: {
  onSubmit: (setup: {
    studio: string;
    name: string;
    email: string;
    password: string;
    timezone: string;
  }) => void;
  isBusy: boolean;
}) {
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  return (
    <>
      <chakra.h2 fontSize="lg" mb="3">
        Start your studio
      </chakra.h2>
      <Form
        action="Start the studio"
        isBusy={isBusy}
        onSubmit={({ studio = '', name = '', email = '', password = '' }) =>
          onSubmit({ studio, name, email, password, timezone: timeZone })
        }
      >
        <Labelled name="studio" label="Name of the studio" />
        <Labelled name="name" label="Your name (you are its programme director)" autoComplete="name" />
        <Labelled name="email" label="E-mail" type="email" autoComplete="username" />
        <Labelled
          name="password"
          label="Password, at least 10 characters"
          type="password"
          autoComplete="new-password"
        />
      </Form>
    </>
  );
}

function Form({
  action,
  isBusy,
  onSubmit,
  children,
}: {
  action: string;
  isBusy: boolean;
  onSubmit: (values: Partial<Record<string, string>>) => void;
  children: ReactNode;
}) {
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    onSubmit(Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>);
  };
  return (
    <chakra.form onSubmit={submit} display="grid" gap="4" maxW="26rem">
      {children}
      <Button type="submit" look="next" size="large" disabled={isBusy}>
        {action}
      </Button>
    </chakra.form>
  );
}

function Labelled({
  name,
  label,
  type = 'text',
  autoComplete,
}: {
  name: string;
  label: string;
  type?: string;
  autoComplete?: string;
}) {
  return (
    <chakra.label display="grid" gap="1">
      <Label>{label}</Label>
      <Field name={name} type={type} required autoComplete={autoComplete} />
    </chakra.label>
  );
}
