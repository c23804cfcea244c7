import { TASKS } from '../plan/tasks'
import { cutList } from '../takeoff/cuts'
import type { EndCut, Member } from '../frame/member'
import { sectionWords } from '../frame/section-words'
import { spacingWords } from '../frame/spacing'
import { broken, type Drawing, type Drawn } from './drawing'
import { linesBlock, withBlocks } from './blocks'
import { endWords } from './members'
import { bareSection } from './section'
import { nameIn } from '../units'

/** Capitals of the list, its lines apart, mm on paper, and so many letters on one. */
const HEIGHT_MM = 1.8
const LINE_MM = 3.3
const LETTERS = 62

/** What a builder looks up while the saw is running, and what is looked at before the work goes on. */
function list(drawn: Drawn): string[] {
  const { design, building, show } = drawn
  const { members, glazing, corners } = cutList(design, building)
  const length = (v: number) => show(v, 'cutLength')
  const end = (e: EndCut) => (e.cut === 'square' ? '' : endWords(drawn, e))
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
  const lines = list(drawn).flatMap(l => broken(l, LETTERS))
  // As many columns as the paper is high for.
  const most = Math.max(1, Math.floor(drawn.room.highMm / LINE_MM) - 2)
  const columns = Array.from({ length: Math.ceil(lines.length / most) }, (_, k) =>
    lines.slice(k * most, (k + 1) * most),
  )
  return {
    title: 'Sheet for the wall',
    items: withBlocks(
      drawn,
      bareSection(drawn),
      columns.map(c => linesBlock(c, HEIGHT_MM, LINE_MM)),
    ),
  }
}
