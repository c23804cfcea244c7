import { faultWords } from '../../core/design'
import { saveText } from './saveText'

/** The format of backups, loaded when one is made or taken in. */
const format = () => import('../../formats/backup-json')

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
    saveText(backupFileName(now), writeBackup(await keeping.everything(), now))
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
    let same = 0
    for (const { design, studies, book } of read.designs) {
      const id = await keeping.putBack(design)
      if (id === null) {
        same++
        continue
      }
      back.push(design.name)
      if (studies) await keeping.keepStudies(id, studies)
      if (book) await keeping.keepBook(id, packBook(book))
    }
    const lines = [
      ...back.map(name => `“${name}”`),
      ...(same > 0 ? [`${same} ${same === 1 ? 'was' : 'were'} there already, just the same.`] : []),
      ...read.refused.map(r => `“${r.name}” was left out. ${r.faults[0] ? faultWords(r.faults[0]) : ''}`),
    ]
    const kind = read.refused.length > 0 ? 'warning' : 'info'
    notices.tell(kind, `${back.length} of ${read.designs.length + read.refused.length} designs are taken in.`, {
      lines,
      seconds: 30,
    })
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
