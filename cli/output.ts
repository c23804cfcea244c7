import { existsSync, lstatSync, readlinkSync, realpathSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { BadInput } from './bad-input'

/** Where a path leads, through links, also where nothing is there yet. */
function target(path: string): string {
  let at = resolve(path)
  for (let k = 0; k < 40 && lstatSync(at, { throwIfNoEntry: false })?.isSymbolicLink(); k++)
    at = resolve(dirname(at), readlinkSync(at))
  return existsSync(at) ? realpathSync(at) : at
}

/**
 * Writes a file whole or not at all: beside its place, then renamed onto it. Only a regular file or a new name is
 * written; a link stays one, and what it leads to is written. Throws BadInput for a device or a folder, and for a file
 * that the command reads.
 * @param inputs files that must not be written over
 */
export function writeWhole(path: string, text: string | Uint8Array, inputs: readonly (string | undefined)[]): void {
  const refuse = (why: string): never => {
    throw new BadInput([`${path}: ${why}; allowed: a new name or a regular file in a folder that may be written to`])
  }
  let beside = ''
  try {
    const at = target(path)
    const there = statSync(at, { throwIfNoEntry: false })
    if (there && !there.isFile()) refuse(there.isDirectory() ? 'is a folder' : 'is not a regular file')
    if (inputs.some(i => i !== undefined && target(i) === at))
      refuse('is read by this command, and would be written over')
    beside = `${at}.part-${process.pid}`
    writeFileSync(beside, text, { flag: 'wx' })
    renameSync(beside, at)
  } catch (error) {
    if (beside !== '') rmSync(beside, { force: true })
    if (error instanceof BadInput) throw error
    refuse(`cannot be written (${(error as NodeJS.ErrnoException).code ?? 'error'})`)
  }
}
