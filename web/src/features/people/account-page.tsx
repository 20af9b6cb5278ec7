import { chakra } from '@chakra-ui/react';
import { passwordBody } from '@map-step/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useNavigate } from 'react-router';
import { ApiError, call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, Label, Skeleton } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { useForm } from '../../ui/use-form.ts';
import { useEnterStudio } from '../session/session-queries.ts';
import { StudioPage } from '../shell/studio-page.tsx';
import { accountQuery } from './people-queries.ts';
import { ROLE_WORDS } from './role-words.ts';

/** One's own account: the studios, the password, and where one is signed in. */
export function AccountPage() {
  const { data: account, error } = useQuery(accountQuery);
  return (
    <StudioPage title="Your account" beside={account?.email && <Label>{account.email}</Label>}>
      {!account && (error ? <Failure error={error} /> : <Skeleton />)}
      {account?.email === null && (
        <p>In the demo nobody has an account: everybody comes in with one click.</p>
      )}
      {account?.email && (
        <chakra.div display="grid" gap="6" maxW="44rem">
          {account.studios.length > 1 && <Studios studios={account.studios} />}
          <NewPassword />
          <Sessions sessions={account.sessions} />
        </chakra.div>
      )}
    </StudioPage>
  );
}

type Account = Awaited<ReturnType<NonNullable<typeof accountQuery.queryFn>>>;

function Studios({ studios }: Pick<Account, 'studios'>) {
  const enter = useEnterStudio();
  const navigate = useNavigate();
  return (
    <chakra.section aria-label="Your studios">
      <chakra.h2 fontSize="lg">Your studios</chakra.h2>
      {enter.isError && <Failure error={enter.error} />}
      <chakra.ul listStyleType="none" p="0">
        {studios.map(({ studio, name, role, isHere }) => (
          <chakra.li key={studio} display="flex" gap="3" alignItems="center" py="1">
            <span>{name}</span>
            <Label>{ROLE_WORDS[role]}</Label>
            {isHere ? (
              <Label>you are here</Label>
            ) : (
              <Button
                size="small"
                disabled={enter.isPending}
                onClick={() => enter.mutate(studio, { onSuccess: () => void navigate('/') })}
              >
                Go there
              </Button>
            )}
          </chakra.li>
        ))}
      </chakra.ul>
    </chakra.section>
  );
}

function NewPassword() {
  const { register, handleSubmit, formState, setError, reset } = useForm(passwordBody, {
    old: '',
    fresh: '',
  });
  const change = useMutation({
    mutationFn: (body: { old: string; fresh: string }) => call('account.password', { body }),
  });
  const client = useQueryClient();
  const send = handleSubmit(async body => {
    await change.mutateAsync(body).then(
      () => {
        reset();
        return client.invalidateQueries({ queryKey: accountQuery.queryKey });
      },
      (error: unknown) => {
        if (error instanceof ApiError && error.body.problems?.some(({ at }) => at === '/old'))
          setError('old', { type: 'server', message: error.message }, { shouldFocus: true });
      },
    );
  });
  const { errors } = formState;
  return (
    <chakra.section aria-label="Password">
      <chakra.h2 fontSize="lg">Password</chakra.h2>
      {change.isError && !errors.old && <Failure error={change.error} />}
      {change.data && (
        <Notice
          tone="ready"
          title={change.data.ended > 0 ? 'Changed; you are signed out everywhere else.' : 'Changed.'}
        />
      )}
      <chakra.form onSubmit={send} noValidate display="grid" gap="3" maxW="24rem" justifyItems="start">
        <TextField
          label="The password until now"
          type="password"
          autoComplete="current-password"
          fault={errors.old?.message}
          {...register('old')}
        />
        <TextField
          label="The new one, at least 10 characters"
          type="password"
          autoComplete="new-password"
          fault={errors.fresh?.message}
          {...register('fresh')}
        />
        <Button type="submit" look="next" disabled={change.isPending}>
          Change the password
        </Button>
      </chakra.form>
      <Label>Forgotten? The director makes you a link for a new one.</Label>
    </chakra.section>
  );
}

function Sessions({ sessions }: Pick<Account, 'sessions'>) {
  const client = useQueryClient();
  const end = useMutation({
    mutationFn: (session: string) => call('account.end', { params: { session } }),
    onSuccess: () => client.invalidateQueries({ queryKey: accountQuery.queryKey }),
  });
  return (
    <chakra.section aria-label="Where you are signed in">
      <chakra.h2 fontSize="lg">Where you are signed in</chakra.h2>
      {end.isError && <Failure error={end.error} />}
      <chakra.ul listStyleType="none" p="0">
        {sessions.map(({ id, device, since, isThis }) => (
          <chakra.li key={id} display="flex" gap="3" alignItems="center" py="1">
            <span>{device}</span>
            <Label>{since ? `since ${format(parseISO(since), "d MMM 'at' HH:mm")}` : ''}</Label>
            {isThis ? (
              <Label>here</Label>
            ) : (
              <Button size="small" disabled={end.isPending} onClick={() => end.mutate(id)}>
                End it
              </Button>
            )}
          </chakra.li>
        ))}
      </chakra.ul>
    </chakra.section>
  );
}
