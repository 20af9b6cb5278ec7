import { chakra } from '@chakra-ui/react';
import type { AccountsAnswer } from '@map-step/contract';
import type { Person } from '@map-step/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { call } from '../../api/client.ts';
import { Choice, optionsOf } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { GivenLink } from '../../ui/given-link.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { TakeAway } from '../../ui/take-away.tsx';
import { EntryRefusal } from '../setup/entry-refusal.tsx';
import { useRemoveEntry } from '../setup/setup-queries.ts';
import { useEntry } from '../setup/use-entry.ts';
import { accountQuery, accountsQuery } from './people-queries.ts';
import { ROLE_WORDS } from './role-words.ts';

const ROLES = optionsOf(ROLE_WORDS);

interface PersonRowProps {
  readonly person: Person;
  readonly isDirector: boolean;
  readonly isMe: boolean;
}

/** A person with their role, and for the director how they come in. */
export function PersonRow({ person, isDirector, isMe }: PersonRowProps) {
  return (
    <chakra.li
      display="grid"
      gridTemplateColumns={{ base: '1fr', md: '14rem minmax(0, 1fr)' }}
      gap="3"
      py="2"
      borderTop="1px solid"
      borderColor="line"
      alignItems="center"
    >
      <span>
        {person.name} {isMe && <Label>you</Label>}
      </span>
      {isDirector ? <Managed person={person} isMe={isMe} /> : <Label>{ROLE_WORDS[person.role]}</Label>}
    </chakra.li>
  );
}

function Managed({ person, isMe }: { person: Person; isMe: boolean }) {
  const { id, name } = person;
  const client = useQueryClient();
  const { data: own } = useQuery(accountQuery);
  // In the demo everybody comes in with one click.
  const { data } = useQuery({ ...accountsQuery, enabled: typeof own?.email === 'string' });
  const { data: stored, commands, key } = useEntry('people', id);
  const remove = useRemoveEntry();
  const readAgain = () => client.invalidateQueries({ queryKey: accountsQuery.queryKey });
  const params = { person: id };
  const invite = useMutation({ mutationFn: () => call('person.invite', { params }), onSuccess: readAgain });
  const withdraw = useMutation({
    mutationFn: () => call('person.withdraw', { params }),
    onSuccess: () => {
      invite.reset();
      return readAgain();
    },
  });
  const end = useMutation({ mutationFn: () => call('person.endAccount', { params }), onSuccess: readAgain });
  const account = data?.accounts.find(one => one.person === id);
  const isBusy = invite.isPending || withdraw.isPending || end.isPending;
  const error = invite.error ?? withdraw.error ?? end.error ?? remove.error;
  return (
    <chakra.div display="grid" gap="2">
      <EntryRefusal of={key} commands={commands} />
      {error && <Failure error={error} />}
      <chakra.div display="flex" gap="3" alignItems="center" flexWrap="wrap">
        <Choice
          label={`Role of ${name}`}
          hidesLabel
          width="13rem"
          value={stored?.body.role ?? person.role}
          among={ROLES}
          set={role => commands.edit(`${name}: ${ROLE_WORDS[role]}`, now => ({ ...now, role }))}
        />
        {account && <Label>{accountInWords(account)}</Label>}
        {account && !invite.data && (
          <Button size="small" disabled={isBusy} onClick={() => invite.mutate()}>
            {account.email === null ? 'Make a link to come in by' : 'Make a link for a new password'}
          </Button>
        )}
        {account?.invited && (
          <Button look="quiet" size="small" disabled={isBusy} onClick={() => withdraw.mutate()}>
            Withdraw the link
          </Button>
        )}
        {account?.email && !isMe && (
          <Button look="quiet" size="small" disabled={isBusy} onClick={() => end.mutate()}>
            End the account
          </Button>
        )}
        {!isMe && account?.email === null && (
          <TakeAway of={name} take={() => remove.mutate({ kind: 'people', entry: id })} />
        )}
      </chakra.div>
      {invite.data && <GivenLink link={invite.data} path="/come/" title={`A link for ${name}`} />}
    </chakra.div>
  );
}

function accountInWords({ email, invited, sessions }: AccountsAnswer['accounts'][number]): string {
  const link = invited ? `a link holds until ${format(parseISO(invited), 'd MMM')}` : undefined;
  if (email === null) return link ?? 'cannot come in yet';
  const where =
    sessions === 0 ? 'signed in nowhere' : sessions === 1 ? 'signed in once' : `signed in ${sessions} times`;
  return [email, where, link].filter(Boolean).join(' · ');
}
