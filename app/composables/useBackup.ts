import { type Fault } from '../../core/design'
import { faultLine } from '../../core/design/validate'
import { saveText } from './saveText'

/** The format of backups, loaded when one is made or taken in. */
const format = () => import('../../formats/backup-json')

const linesOf = (faults: readonly Fault[]) => faults.slice(0, 5).map(faultLine)

/** When the last backup was made, and when a reminder was put off, ms. */
const MADE = 'tierra-backup-at'
const REMINDED = 'tierra-backup-reminded-at'
/** Somebody who works is reminded so often, ms. */
const FORTNIGHT_MS = 14 * 86_400_000

const remembered = (key: string): number | null => {
  const text = localStorage.getItem(key)
  return text === null || !Number.isFinite(Number(text)) ? null : Number(text)
}
const remember = (key: string) => localStorage.setItem(key, String(Date.now()))

/** One file that holds everything, made and taken in again. */
export function useBackup() {
  const keeping = useKeeping()
  const notices = useNotices()

  /** Saves everything as one file. */
  async function make(): Promise<void> {
    const { backupFileName, writeBackup } = await format()
    const now = new Date()
    const { designs, unreadable } = await keeping.everything()
    saveText(backupFileName(now), writeBackup(designs, unreadable, now))
    remember(MADE)
    void askToPersist()
  }

  /** Takes a backup in. What is there already is never overwritten. */
  async function restore(file: File): Promise<boolean> {
    const no = (lines: string[]) => {
      notices.tell('error', `${file.name} was not taken in; nothing has changed.`, { lines })
      return false
    }
    const [{ LARGEST_BACKUP, readBackup }, { packBook }] = await Promise.all([
      format(),
      import('../../core/season/book'),
    ])
    if (file.size > LARGEST_BACKUP) return no([`It is larger than ${LARGEST_BACKUP / 1e6} MB.`])
    const read = readBackup(await file.text())
    if (!read.ok) return no([read.message])
    const back: string[] = []
    const filled: string[] = []
    const matched = new Set<string>()
    let there = 0
    const apart: string[] = []
    const putAside = async (what: string, name: string, why: string[], raw: unknown) => {
      await keeping.putAside({ what, name, why, raw })
      apart.push(`${what} of “${name}”. ${why[0] ?? ''}`)
    }
    for (const { design, rawStudies, book, pinned, leftOut } of read.designs) {
      const its = { pinned, studies: rawStudies ?? undefined, book: book ? packBook(book) : undefined }
      const how = await keeping.putBack(design, its, matched)
      if (how === 'there') there++
      else (how === 'new' ? back : filled).push(design.name)
      for (const { what, raw, faults } of leftOut) await putAside(what, design.name, linesOf(faults), raw)
    }
    for (const { name, faults, raw } of read.refused) await putAside('a design', name, linesOf(faults), raw)
    for (const { what, name, why, raw } of read.strange) await putAside(what, name, why, raw)
    const lines = [
      ...back.map(name => `“${name}”`),
      ...filled.map(name => `What “${name}” lacked was filled in.`),
      ...(there > 0 ? [`${there} ${there === 1 ? 'was' : 'were'} there already, just the same.`] : []),
      ...apart.map(words => `Cannot be read, and stands apart in the list: ${words}`),
    ]
    const count = back.length + filled.length
    notices.tell(
      apart.length > 0 ? 'warning' : 'info',
      `${count} of ${read.designs.length + read.refused.length} designs are taken in.`,
      { lines, seconds: 30 },
    )
    return true
  }

  /** Reminds somebody whose designs have been changed and lie nowhere else. */
  async function remind(): Promise<void> {
    await keeping.refresh()
    const own = keeping.list.filter(k => k.revision > 1)
    if (own.length === 0) return
    const since = Math.max(remembered(MADE) ?? 0, remembered(REMINDED) ?? 0)
    if (since === 0) {
      // The fortnight begins with the first work that could be lost.
      remember(REMINDED)
      return
    }
    if (Date.now() - since < FORTNIGHT_MS || !own.some(k => k.updatedAt > (remembered(MADE) ?? 0))) return
    remember(REMINDED)
    const made = remembered(MADE)
    const days = made === null ? null : Math.round((Date.now() - made) / 86_400_000)
    const told = days === null ? 'there is no backup of them' : `the last backup is ${days} days old`
    notices.tell('warning', `Your designs are kept in this browser alone; ${told}.`, {
      seconds: 60,
      action: { label: 'Back up now', run: () => void make() },
    })
  }

  return { make, restore, remind }
}

/** Asks the browser to keep what is stored even when it wants room. Where it can't be asked, nothing happens. */
export async function askToPersist(): Promise<boolean> {
  try {
    return (await navigator.storage?.persist?.()) ?? false
  } catch {
    return false
  }
}
