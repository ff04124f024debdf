/** Words to whoever runs a command. */

export function say(text) {
  process.stdout.write(`· ${text}\n`);
}

/** Ends the command with a sentence that helps. */
export function giveUp(text) {
  process.stderr.write(`\n${text}\n`);
  process.exit(1);
}
