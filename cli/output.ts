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

function refused(path: string, why: string): BadInput {
  return new BadInput([`${path}: ${why}; allowed: a new name or a regular file in a folder that may be written to`])
}

/** An error of the file system in a sentence. */
const asRefused = (path: string, error: unknown): BadInput =>
  error instanceof BadInput
    ? error
    : refused(path, `cannot be written (${(error as NodeJS.ErrnoException).code ?? 'error'})`)

/**
 * Where a file will be written: a regular file or a new name; a link stays one, and what it leads to is written.
 * Throws BadInput for a device or a folder, for a folder that is not there, and for a file that the command reads. A
 * command whose work takes long asks before it begins.
 * @param inputs files that must not be written over
 */
export function writableAt(path: string, inputs: readonly (string | undefined)[]): string {
  try {
    const at = target(path)
    const there = statSync(at, { throwIfNoEntry: false })
    if (there && !there.isFile()) throw refused(path, there.isDirectory() ? 'is a folder' : 'is not a regular file')
    if (!existsSync(dirname(at))) throw refused(path, 'cannot be written, as its folder is not there')
    if (inputs.some(i => i !== undefined && target(i) === at))
      throw refused(path, 'is read by this command, and would be written over')
    return at
  } catch (error) {
    throw asRefused(path, error)
  }
}

/** Writes a file whole or not at all: beside its place (see `writableAt`), then renamed onto it. */
export function writeWhole(path: string, text: string | Uint8Array, inputs: readonly (string | undefined)[]): void {
  let beside = ''
  try {
    const at = writableAt(path, inputs)
    beside = `${at}.part-${process.pid}`
    writeFileSync(beside, text, { flag: 'wx' })
    renameSync(beside, at)
  } catch (error) {
    if (beside !== '') rmSync(beside, { force: true })
    throw asRefused(path, error)
  }
}
