/** What every command is: arguments in, the text to print out; bad input is refused with its reasons. */
export type Run = (args: readonly string[]) => Promise<string>;

/** Bad input, with the reasons a user needs: printed on standard error, exit code 2. */
export class Refusal extends Error {}

export function refuse(...reasons: string[]): never {
  throw new Refusal(reasons.join('\n'));
}

export interface Answered {
  readonly code: 0 | 2;
  readonly stdout: string;
  readonly stderr: string;
}

/** What a process that runs the command prints and ends with. */
export async function answered(run: Run, args: readonly string[]): Promise<Answered> {
  try {
    return { code: 0, stdout: await run(args), stderr: '' };
  } catch (error) {
    if (error instanceof Refusal) return { code: 2, stdout: '', stderr: `${error.message}\n` };
    throw error;
  }
}

/** The arguments as flags and files; those that are not known are refused with the usage. */
export function parsed<T>(parse: () => T, usage: string): T {
  try {
    return parse();
  } catch (error) {
    return refuse((error as Error).message, usage);
  }
}

/** The one file a command reads. */
export function oneFile(positionals: readonly string[], usage: string): string {
  const [file, ...more] = positionals;
  return file === undefined || more.length > 0 ? refuse(usage) : file;
}

export const asJson = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;
