/** A line for the person at the terminal. */
export function say(text) {
  process.stdout.write(`${text}\n`);
}

/** Ends with a plain sentence instead of a stack trace. */
export function giveUp(text) {
  process.stderr.write(`${text}\n`);
  process.exit(1);
}
