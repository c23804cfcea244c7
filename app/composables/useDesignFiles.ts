import { type Design } from '../../core/design'
import { faultLine } from '../../core/design/validate'
import type * as Weather from '../keeping/weather-files'
import { saveText } from './saveText'

/** What reads and writes files, loaded when the first is asked for. */
const format = () => import('../../formats/design-json')
const weather = () => import('../keeping/weather-files')

/** Export and import of designs, by button and by drop. */
export function useDesignFiles() {
  const notices = useNotices()
  const keeping = useKeeping()
  const bench = useDesign()

  /** A design with all that is kept beside it. */
  async function exportDesign(design: Design): Promise<void> {
    const { designFileName, writeDesign } = await format()
    const { id } = design
    const isHere = id === bench.current.id
    // What is kept of studies, known here or not, and what is newer on the bench.
    const kept = (await keeping.besideOf(id, 'studies')) as object | null | undefined
    const its = isHere ? { ...kept, ...(await import('../stores/kept')).useKept().now() } : kept
    const pinned = isHere ? useYear().pinned : null
    saveText(
      designFileName(design.name),
      writeDesign(design, {
        studies: its && Object.keys(its).length > 0 ? its : null,
        book: await keeping.bookOf(id),
        pinned,
      }),
    )
  }

  const importWeather = async (...of: Parameters<(typeof Weather)['importWeather']>) =>
    (await weather()).importWeather(...of)

  /**
   * Takes a file in: weather by its ending, anything else as a new design. A damaged or foreign one is refused with its
   * faults, and nothing changes.
   */
  async function importFile(file: File): Promise<boolean> {
    if (/\.epw$/i.test(file.name)) return importWeather([file])
    const { looksLikeBackup } = await import('../../formats/backup-json')
    if (looksLikeBackup(await file.slice(0, 400).text())) return useBackup().restore(file)
    const { LARGEST_FILE, readDesign } = await format()
    const read =
      file.size > LARGEST_FILE
        ? {
            ok: false as const,
            faults: [
              { path: '', message: `The file is ${Math.round(file.size / 1e6)} MB`, allowed: 'designs up to 30 MB' },
            ],
          }
        : readDesign(await file.text())
    if (!read.ok) {
      notices.tell('error', `${file.name} was not taken in; nothing has changed.`, {
        lines: read.faults.slice(0, 20).map(faultLine),
      })
      return false
    }
    const { packBook } = await import('../../core/season/book')
    await keeping.add(read.design, {
      pinned: read.pinned,
      studies: read.rawStudies ?? undefined,
      book: read.book ? packBook(read.book) : undefined,
    })
    for (const { what, raw, faults } of read.leftOut) {
      const why = faults.map(faultLine)
      await keeping.putAside({ what, name: read.design.name, why, raw })
      notices.tell('warning', `Not read, and put apart in the list of designs: ${what}.`, { lines: why.slice(0, 5) })
    }
    notices.tell('info', `“${read.design.name}” is taken in.`)
    return true
  }

  /** Lets a person choose a file. */
  function chooseFile(): void {
    const input = document.createElement('input')
    input.type = 'file'
    input.accept = '.json,application/json'
    input.onchange = () => {
      if (input.files?.[0]) void importFile(input.files[0])
    }
    input.click()
  }

  return { exportDesign, importFile, importWeather, chooseFile }
}
