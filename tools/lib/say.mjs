/** One line a step, so that whoever waits knows for what. */
export function say(line) {
  process.stdout.write(`· ${line}\n`);
}

/** Ends with one clear sentence instead of a stack trace. */
export function fail(sentence) {
  process.stderr.write(`\n${sentence}\n`);
  process.exit(1);
}
