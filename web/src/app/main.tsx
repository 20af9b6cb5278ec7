import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/bricolage-grotesque/wght.css';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { HeadingContext } from '../features/course/use-address.ts';
import { applySavedTheme } from '../features/shell/use-theme.ts';
import { keepFocus } from '../ui/keep-focus.ts';
import { reloadWhenPartsAreGone } from './parts-gone.ts';
import { Providers } from './providers.tsx';
import { router } from './router.tsx';

applySavedTheme();
reloadWhenPartsAreGone(import.meta.env.VITE_BUILD ?? '');
document.documentElement.classList.toggle('hovers', window.matchMedia('(hover: hover)').matches);
const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');
keepFocus(root);
const heading = () => router.state.navigation.location ?? router.state.location;
createRoot(root).render(
  <Providers>
    <HeadingContext value={heading}>
      <RouterProvider router={router} />
    </HeadingContext>
  </Providers>,
);
// The files it keeps are loaded after those that this page needs.
if (import.meta.env.PROD && 'serviceWorker' in navigator)
  window.addEventListener('load', () => {
    // A browser that will not have it works as without: only with a server.
    void navigator.serviceWorker.register('/service-worker.js').catch(() => undefined);
  });
