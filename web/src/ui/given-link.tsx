import { chakra } from '@chakra-ui/react';
import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import { Notice } from './notice.tsx';
import { Button } from './parts.tsx';
import { QrCode } from './qr-code.tsx';
import { TextField } from './text-field.tsx';

interface GivenLinkProps {
  readonly link: { readonly token: string; readonly expires: string };
  /** True for one that may be opened again and again until then. */
  readonly lasts?: boolean;
  /** Before the secret. */
  readonly path: string;
  readonly title: string;
}

/** A link that is told once, to be given on by hand: no mail is sent. */
export function GivenLink({ link: { token, expires }, lasts = false, path, title }: GivenLinkProps) {
  const address = `${window.location.origin}${path}${token}`;
  const [isCopied, setCopied] = useState(false);
  // Where the browser does not let it, as without TLS, the address is there to be marked.
  const canCopy = 'clipboard' in navigator;
  const copy = () =>
    navigator.clipboard.writeText(address).then(
      () => setCopied(true),
      () => undefined,
    );
  return (
    <Notice tone="ready" title={title}>
      <p>
        Give it to them by hand; it works {lasts ? '' : 'once, '}until {format(parseISO(expires), 'd MMMM')},
        and is not shown again.
      </p>
      {lasts && <QrCode text={address} />}
      <chakra.div display="flex" gap="2" alignItems="end" mt="1">
        <chakra.div flex="1" maxW="40rem">
          <TextField
            label="Link"
            autoFocus
            readOnly
            value={address}
            onFocus={event => event.target.select()}
          />
        </chakra.div>
        {canCopy && <Button onClick={() => void copy()}>{isCopied ? 'Copied' : 'Copy'}</Button>}
      </chakra.div>
    </Notice>
  );
}
