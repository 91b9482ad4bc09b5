/** A refusal with a sentence for the person at the keyboard; ends the command with code 1 and no stack. */
export class Refusal extends Error {}

const started = Date.now()

/** One line of progress with the seconds since the start. */
export function say(text) {
  process.stdout.write(`[${((Date.now() - started) / 1000).toFixed(1).padStart(5)} s] ${text}\n`)
}

/** Runs a command's main function: a refusal prints its sentence, anything else its stack; both exit with 1. */
export async function run(main) {
  try {
    process.exitCode = (await main()) ?? 0
  } catch (error) {
    process.stderr.write(error instanceof Refusal ? `\n${error.message}\n` : `\n${error?.stack ?? error}\n`)
    process.exitCode = 1
  }
}
