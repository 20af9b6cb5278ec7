/** Under which this tab remembers for which build it was loaded again. */
const KEY = 'map-step-reloaded';

/**
 * A page of an earlier version asks for a part that the server has no longer: it is loaded again, once a build, since a
 * second time would be no better.
 */
export function reloadWhenPartsAreGone(build: string, reload = () => window.location.reload()): () => void {
  const onGone = (event: Event) => {
    if (sessionStorage.getItem(KEY) === build) return;
    sessionStorage.setItem(KEY, build);
    event.preventDefault();
    reload();
  };
  window.addEventListener('vite:preloadError', onGone);
  return () => window.removeEventListener('vite:preloadError', onGone);
}
