import { TASKS } from '../plan/tasks'
import { cutList } from '../takeoff/cuts'
import type { EndCut, Member } from '../frame/member'
import { sectionWords } from '../frame/section-words'
import { spacingWords } from '../frame/spacing'
import { extentOf, rectangle, words, type Drawing, type Drawn, type Item } from './drawing'
import { drawSection } from './section'
import { nameIn } from '../units'

/** The list beside the section: how wide it is, how far its lines stand apart, and how many letters go on one, mm. */
const LIST_MM = 112
const LINE_MM = 3.5
const LETTERS = 72
const HEIGHT_MM = 1.9
const CUTS: Record<EndCut['cut'], string> = { square: 'square', plumb: 'plumb', level: 'seat', mitre: 'mitre' }

/** Words in lines of so many letters at most, the second and on set in. */
export function broken(text: string, letters: number): string[] {
  const lines: string[] = []
  for (const word of text.split(' ')) {
    const last = lines.at(-1)
    if (last !== undefined && last.length + 1 + word.length <= letters) lines[lines.length - 1] = `${last} ${word}`
    else lines.push(lines.length === 0 ? word : `   ${word}`)
  }
  return lines
}

/** What a builder looks up while the saw is running, and what is looked at before the work goes on. */
function list(drawn: Drawn): string[] {
  const { design, building, show } = drawn
  const { members, glazing, corners } = cutList(design, building)
  const length = (v: number) => show(v, 'cutLength')
  const end = ({ cut, sawDeg }: EndCut) => (cut === 'square' ? '' : `${CUTS[cut]} ${show(sawDeg, 'angle')}`)
  const cutWords = (m: Member) =>
    m.bent ? ['on the jig'] : m.bevelDeg ? [`sides bevelled ${show(m.bevelDeg, 'angle')}`] : m.ends.map(end)
  // Members that differ in length alone share a line.
  const alike = new Map<string, Member[]>()
  for (const m of members) {
    const text = [m.member, m.part, ...cutWords(m)].filter(Boolean).join(', ')
    alike.set(text, [...(alike.get(text) ?? []), m])
  }
  return [
    `${spacingWords(design, building.outline, show).said};`,
    `${sectionWords(design.build, show)}; ends square unless said:`,
    ...[...alike].map(([text, its]) => `– ${text}: ${its.map(m => `${m.count} × ${length(m.lengthM)}`).join(', ')}`),
    ...corners.map(
      c => `– ${c.count} corners of the foot at ${show(c.angleDeg, 'angle')}: saw at ${show(c.sawDeg, 'angle')}`,
    ),
    'Glazing:',
    ...glazing.map(
      g =>
        `– ${nameIn(g.glazing.name, show)}: ` +
        (g.sheets.length > 0
          ? `${g.sheets.length} sheets`
          : g.rolls.length > 0
            ? `${g.rolls.length} lengths off a roll`
            : `${g.pieces.length} panes`) +
        (g.glazing.uvFace ? '; marked face to the sun' : ''),
    ),
    'Hold, until it is so:',
    ...TASKS.filter(t => t.hold && t.has({ design, building })).map(t => `– ${t.hold}`),
  ]
}

/** A sheet to hang on the wall of the workshop: the section, what is cut to which angle, and where to hold. */
export function drawWallSheet(drawn: Drawn): Drawing {
  const { scale } = drawn
  const items: Item[] = [...drawSection(drawn).items]
  const { x1, y0, y1 } = extentOf(items)
  const lines = list(drawn).flatMap(l => broken(l, LETTERS))
  const high = (lines.length + 2) * LINE_MM * scale
  const middle = (y0 + y1) / 2
  const [left, top] = [x1 + 6 * scale, Math.max(y1, middle + high / 2)]
  items.push(rectangle('words', left, top - high, left + LIST_MM * scale, top))
  lines.forEach((l, i) => {
    const y = top - (i + 1.5) * LINE_MM * scale
    items.push(words([left + 3 * scale, y], l, 'left', HEIGHT_MM))
  })
  return { title: 'Sheet for the wall', items }
}
