import { chakra } from '@chakra-ui/react';
import type { LinkAnswer } from '@map-step/contract';
import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import { Notice } from '../../ui/notice.tsx';
import { Button } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';

interface GivenLinkProps {
  readonly link: LinkAnswer;
  /** Before the secret. */
  readonly path: string;
  readonly title: string;
}

/** A link that is told once, to be given on by hand: no mail is sent. */
export function GivenLink({ link: { token, expires }, path, title }: GivenLinkProps) {
  const address = `${window.location.origin}${path}${token}`;
  const [isCopied, setCopied] = useState(false);
  const copy = () =>
    navigator.clipboard.writeText(address).then(
      () => setCopied(true),
      // Where the browser does not let it, the address is there to be marked.
      () => undefined,
    );
  return (
    <Notice tone="ready" title={title}>
      <p>
        Give it to them by hand; it works once, until {format(parseISO(expires), 'd MMMM')}, and is not shown
        again.
      </p>
      <chakra.div display="flex" gap="2" alignItems="end" mt="1">
        <chakra.div flex="1" maxW="40rem">
          <TextField label="Link" readOnly value={address} onFocus={event => event.target.select()} />
        </chakra.div>
        <Button onClick={() => void copy()}>{isCopied ? 'Copied' : 'Copy'}</Button>
      </chakra.div>
    </Notice>
  );
}
