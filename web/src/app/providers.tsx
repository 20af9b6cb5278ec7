import { ChakraProvider } from '@chakra-ui/react';
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { isAboutSession, isPassing } from '../api/client.ts';
import { sendWhatWaits } from '../api/commands.ts';
import { keepAnswers } from '../api/kept-answers.ts';
import { keeping, sessionQuery } from '../features/session/session-queries.ts';
import { system } from '../theme/system.ts';

const RETRY_MS = 2000;
const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;
const styles = createCache({ key: 'ms', ...(nonce && { nonce }) });

/** A read that fails because nobody answers is tried again until somebody does. */
const client = new QueryClient({
  queryCache: new QueryCache({ onError: askWhoIsHere }),
  mutationCache: new MutationCache({ onError: askWhoIsHere }),
  defaultOptions: {
    queries: {
      retry: (_, error) => isPassing(error),
      retryDelay: RETRY_MS,
      staleTime: 5000,
      networkMode: 'always',
    },
    mutations: {
      retry: (count, error) => isPassing(error) && count < 5,
      retryDelay: RETRY_MS,
      networkMode: 'always',
    },
  },
});

keepAnswers(client, keeping);
window.addEventListener('pagehide', () => sendWhatWaits(client));

function askWhoIsHere(error: Error): void {
  if (isAboutSession(error)) void client.invalidateQueries({ queryKey: sessionQuery.queryKey });
}

export function Providers({ children }: { children: ReactNode }) {
  return (
    <CacheProvider value={styles}>
      <ChakraProvider value={system}>
        <QueryClientProvider client={client}>{children}</QueryClientProvider>
      </ChakraProvider>
    </CacheProvider>
  );
}
