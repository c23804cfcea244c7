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
