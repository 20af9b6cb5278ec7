import { chakra } from '@chakra-ui/react';
import { useMutation } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { GivenLink } from '../../ui/given-link.tsx';
import { Button, Label } from '../../ui/parts.tsx';

/** A link by which somebody makes a studio of their own on this server. */
export function FoundingLink() {
  const invite = useMutation({ mutationFn: () => call('founding.invite') });
  return (
    <chakra.section aria-label="Another studio" display="grid" gap="2" justifyItems="start">
      <chakra.h2 fontSize="lg">Another studio</chakra.h2>
      <Label>
        Somebody may make a studio of their own on this server; neither sees anything of the other.
      </Label>
      {invite.isError && <Failure error={invite.error} />}
      {invite.data ? (
        <GivenLink link={invite.data} path="/found/" title="A link for one new studio" />
      ) : (
        <Button disabled={invite.isPending} onClick={() => invite.mutate()}>
          Make a link for a new studio
        </Button>
      )}
    </chakra.section>
  );
}
