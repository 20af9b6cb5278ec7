const FOLDER = import.meta.url.endsWith('.js') ? './' : '../dist/';

/** The built code of a thread. A server that runs from source has it from the last build. */
export function builtThread(name: 'compute-thread' | 'job-thread'): URL {
  return new URL(`${FOLDER}${name}.js`, import.meta.url);
}
