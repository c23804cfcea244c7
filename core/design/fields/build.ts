import { choice, group, length, list, orNull, plain, share, text, thickness } from '../field'

export const STOCK_CHOICES = [
  { id: 'metric', name: 'metres' },
  { id: 'us', name: 'feet and inches' },
] as const

/** Foundations that a design may name; what each takes and is good for stands in `takeoff/foundations`. */
export const FOUNDATION_CHOICES = [
  { id: 'undecided', name: 'Not decided yet' },
  { id: 'slab', name: 'Slab' },
  { id: 'grade beam', name: 'Grade beam' },
  { id: 'insulated forms', name: 'Insulated forms, filled' },
  { id: 'rubble trench', name: 'Rubble trench with a beam' },
  { id: 'blocks', name: 'Blocks' },
  { id: 'piles', name: 'Screw piles' },
  { id: 'posts', name: 'Driven posts or pipes' },
  { id: 'sleepers', name: 'Sleepers on gravel' },
] as const
export type FoundationId = (typeof FOUNDATION_CHOICES)[number]['id']

/** What members are of. */
const FRAME_CHOICES = [
  { id: 'timber', name: 'timber' },
  { id: 'metal', name: 'metal' },
] as const
export type FrameMade = (typeof FRAME_CHOICES)[number]['id']

/** So many lines may have a word of the reader's own. */
const MOST_NOTES = 300

const WEEKDAYS = [
  { id: 'monday', name: 'Monday' },
  { id: 'tuesday', name: 'Tuesday' },
  { id: 'wednesday', name: 'Wednesday' },
  { id: 'thursday', name: 'Thursday' },
  { id: 'friday', name: 'Friday' },
  { id: 'saturday', name: 'Saturday' },
  { id: 'sunday', name: 'Sunday' },
] as const
/** In the order of a week. */
export const WEEKDAY_CHOICES = WEEKDAYS

/** A day of the calendar, such as 2027-04-05. */
const date = (label: string) =>
  text(10, {
    label,
    check: v => (isDate(v) ? null : [`“${v}” is not a day`, 'a day of the calendar such as 2027-04-05']),
  })
/** Whether a text is a day of the calendar as ISO 8601 writes it. */
export const isDate = (v: string): boolean => {
  const [year, month, day] = (/^(\d{4})-(\d{2})-(\d{2})$/.exec(v) ?? []).slice(1).map(Number)
  if (!year || !month || !day) return false
  const at = new Date(Date.UTC(year, month - 1, day))
  return at.getUTCMonth() === month - 1 && at.getUTCDate() === day
}

/** What a builder or an engineer says of how it is built. Spans and sections are said here, never worked out. */
export const BUILD = group(
  {
    stock: choice(STOCK_CHOICES, {
      start: 'metric',
      label: 'Lumber and sheets are sold in',
      about: 'lengths and sheets that lists are cut from',
    }),
    wasteShare: share(0, 0.5, {
      start: 0.1,
      label: 'Bought over what is needed',
      hint: 'For what is cut off, split or dropped.',
      about: 'of what is not cut from a list of its own',
    }),
    revision: text(12, { least: 0, start: '', label: 'Revision' }),
    foundation: group(
      {
        kind: choice(FOUNDATION_CHOICES, { start: 'undecided', label: 'Foundation' }),
        depthM: length(0, 3, { start: 0.6, label: 'It goes down' }),
        widthM: length(0.1, 1.5, { start: 0.3, label: 'It is wide' }),
        apartM: length(0.5, 4, { start: 1.8, label: 'Piles, posts and blocks apart' }),
        drain: orNull(length(0.1, 3, { none: 'no drain', label: 'Drain round the foot, deep' }), {
          start: null,
          about: 'a drain pipe in gravel along the foot of the house; `null`: none',
        }),
      },
      { label: 'Foundation' },
    ),
    frame: group(
      {
        made: choice(FRAME_CHOICES, { start: 'timber', label: 'Members are of' }),
        apartM: length(0.3, 3, {
          start: 0.6,
          label: 'Rafters and studs apart, at most',
          hint: 'From middle to middle.',
          about: 'bays are alike between the edges of sheets, and no wider',
        }),
        sheetM: orNull(length(0.4, 2.5, { none: 'as usually sold', label: 'Glazing sheets, wide' }), {
          start: null,
          about: 'every joint of sheets lies on a member; `null`: 1.05 m, or 48 in',
        }),
        filmM: orNull(length(0.4, 4, { none: 'as all members', label: 'Under film apart, at most' }), {
          start: null,
          about: 'by the load class that the film’s maker or an engineer gives; `null`: as all members',
        }),
        purlinM: orNull(length(0.2, 3, { none: 'none', label: 'Purlins apart' }), {
          start: null,
          about: 'from middle to middle up the slope; `null`: none',
        }),
        thickM: orNull(thickness(0.01, 0.3, { none: 'to be told by the engineer', label: 'Members, thick' }), {
          start: null,
          about: 'of the section; `null`: not told yet',
        }),
        deepM: orNull(thickness(0.02, 0.6, { none: 'to be told by the engineer', label: 'Members, deep' }), {
          start: null,
          about: 'of the section; `null`: not told yet',
        }),
      },
      { label: 'Frame', about: 'entered, or told by an engineer: nothing here is worked out for strength' },
    ),
    plan: group(
      {
        startOn: orNull(date('Begin on'), { start: null, about: '`null`: not decided' }),
        daysOff: list(choice(WEEKDAYS, {}), 0, 6, { start: ['sunday'], label: 'Days off in a week' }),
        holidays: list(date('Day off'), 0, 100, { start: [], label: 'Other days off' }),
        moved: list(group({ task: text(60, { label: 'Task' }), on: date('Not before') }), 0, 100, {
          start: [],
          label: 'Tasks that were moved',
          about: 'a task begins on that day, or as soon after it as what comes before it is done',
        }),
        done: list(text(60, { label: 'Task' }), 0, 100, { start: [], label: 'Tasks that are done' }),
      },
      { label: 'Order of work' },
    ),
    notes: list(
      group({
        line: text(80, { label: 'Line' }),
        supplier: text(80, { least: 0, start: '', label: 'Supplier' }),
        note: text(200, { least: 0, start: '', label: 'Note' }),
        mine: plain(0, 1e6, {
          unit: 'of the line',
          start: 0,
          label: 'Already mine',
          about: 'so much of the line, in its unit, is not bought',
        }),
      }),
      0,
      MOST_NOTES,
      {
        start: [],
        label: 'Notes',
        about: 'who supplies a line of the take-off, what is to be remembered, and what of it is there already',
      },
    ),
  },
  { label: 'Build' },
)
