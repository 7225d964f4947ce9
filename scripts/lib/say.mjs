/** One line to the person at the terminal. */
export const say = (sentence) => console.log(`yarnix: ${sentence}`);

/** Stops the command with one clear sentence and no stack. */
export class Refusal extends Error {}

/** Runs a command's main function; a Refusal ends it with its sentence and exit code 1. */
export async function runMain(main) {
  try {
    await main();
  } catch (error) {
    console.error(error instanceof Refusal ? `yarnix: ${error.message}` : error);
    process.exit(1);
  }
}
