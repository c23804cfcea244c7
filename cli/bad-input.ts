/**
 * Input that can't be used: one line per fault (path, what is wrong, what is allowed). The command ends with exit code
 * 2.
 */
export class BadInput extends Error {
  constructor(
    readonly lines: string[],
    readonly output?: unknown,
  ) {
    super(lines.join('\n'))
  }
}

/** What a command looked for and should not have found: it is printed, and the command ends with exit code 1. */
export class FoundWrong extends Error {
  constructor(readonly output: unknown) {
    super('found wrong')
  }
}
