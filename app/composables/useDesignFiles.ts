import { FAR_KM } from '../../core/advice/cautions'
import { distanceKm } from '../../core/climate/place-climate'
import { type Design, type HourlyClimate } from '../../core/design'
import { MOST_OTHER_YEARS } from '../../core/design/fields/climate'
import { faultLine } from '../../core/design/validate'
import { measuredYears, withYears } from '../../core/editing/measured-years'
import type { EpwYear } from '../../formats/epw'
import { readWeatherFile } from './readWeatherFile'
import { saveText } from './saveText'

/** What reads and writes files, loaded when the first is asked for. */
const format = () => import('../../formats/design-json')

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

  /**
   * Takes weather files in as the climate of the design on the bench: the first for the year that it is worked out in,
   * more of them as its other winters; or all beside the measured years that are there.
   */
  async function importWeather(picked: readonly File[], beside = false): Promise<boolean> {
    const read: EpwYear[] = []
    for (const file of picked) {
      const its = await readWeatherFile(file)
      if (!its.ok) {
        notices.tell('error', `${file.name} was not taken; nothing has changed.`, { lines: [its.message] })
        return false
      }
      read.push(its.epw)
    }
    const [epw, ...more] = read
    if (!epw) return false
    if (beside) {
      const away = read.find(r => distanceKm(r, bench.current.site) > FAR_KM)
      return addYears(
        read.map(r => r.climate),
        away && `${away.climate.source} is of ${away.place}, far from this site.`,
      )
    }
    const climate = withYears(
      epw.climate,
      more.map(r => measuredYears(r.climate)[0]!),
    )
    if (!climate) return tooMany()
    const { timeZoneOf } = await import('../../core/climate/zone-of-place')
    const refused = bench.edit(
      [
        ['site.climate', climate],
        ['site.place', epw.place.slice(0, 120)],
        ['site.latitudeDeg', epw.latitudeDeg],
        ['site.longitudeDeg', epw.longitudeDeg],
        ['site.elevationM', Math.round(epw.elevationM)],
        ['site.timeZone', timeZoneOf(epw.latitudeDeg, epw.longitudeDeg)],
      ],
      `epw ${epw.climate.source}`,
    )
    const { source, notes } = epw.climate
    if (refused) notices.tell('error', `${source} was not taken; nothing has changed.`, { lines: [refused] })
    else
      notices.tell('info', `${source}: a year of 8760 hours is in use.`, {
        lines: more.length > 0 ? [...notes, `With it, ${more.length} other winters.`] : notes,
      })
    return refused === null
  }

  function tooMany(): boolean {
    notices.tell('error', 'These are too many years; nothing has changed.', {
      lines: [`Up to ${MOST_OTHER_YEARS + 1} may stand beside each other.`],
    })
    return false
  }

  /** Takes more measured years in beside those that the design on the bench has. */
  function addYears(years: readonly HourlyClimate[], caution?: string): boolean {
    const { climate } = bench.current.site
    if (climate.kind !== 'hourly') return false
    const all = withYears(
      climate,
      years.map(y => measuredYears(y)[0]!),
    )
    if (!all) return tooMany()
    const refused = bench.edit([['site.climate', all]], 'more measured years')
    if (refused) notices.tell('error', 'They were not taken; nothing has changed.', { lines: [refused] })
    else
      notices.tell(
        caution ? 'warning' : 'info',
        `${measuredYears(all).length} measured winters stand beside each other.`,
        { lines: caution ? [caution] : [] },
      )
    return refused === null
  }

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

  return { exportDesign, importFile, importWeather, addYears, chooseFile }
}
