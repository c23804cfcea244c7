import type { AnyField } from '../core/design/field'
import { DESIGN, SCHEMA_VERSION } from '../core/design/types'
import { siSymbol } from '../core/units'

const HEAD = `# The design document

Plain JSON, UTF-8, \`schemaVersion\` ${SCHEMA_VERSION}. SI units; angles in degrees and temperatures in °C; hours of
the clock in local standard time. \`npm run -s tierra -- check file.json\` says what is wrong, one line a fault: path,
what is wrong, what is allowed. Documents of earlier versions are brought forward on load: what came later stands at its
start.

This page is made from the tables in \`core/design/fields/\` by \`npm run format-page\`. A field without a start must be
given in a file of this version; what the app makes anew stands at the starts. In lists, \`[]\` stands for each member.
`

const TAIL = `
A file may carry \`studies\` beside these branches: the ladder, sweep, winters, plan and choices that were worked out of
the design, each with the digest of the state that it is of. They are no part of the design, and what of them can't be
read is left out.

What stands in the house must be able to stand there: through no roof, in nothing else (\`core/geometry/fit.ts\`); what
must hold between fields is in \`core/editing/faults.ts\`. Catalogue ids: \`core/catalog/*.ts\`. An hour \`h\` of a
series is the hour that begins \`h\` hours after 1 January 00:00 local standard time.
`

/** Longer choices are named by where they come from. */
const MOST_LISTED = 9

/** What a field may hold. */
function holds(field: AnyField): string {
  switch (field.kind) {
    case 'number': {
      const unit = field.quantity === null ? field.unit : siSymbol(field.quantity)
      const range = field.low === field.high ? `${field.low}` : `${field.low} to ${field.high}`
      return `${field.whole ? 'whole, ' : ''}${range}${unit && unit !== '0–1' ? ` ${unit}` : ''}`
    }
    case 'choice': {
      const ids = field.choices.map(c => (c.id === '' ? 'empty' : `\`${c.id}\``))
      if (ids.length <= MOST_LISTED) return ids.join(' ')
      return `an id of its catalogue, as ${ids.slice(0, 3).join(' ')} …`
    }
    case 'flag':
      return '`true` `false`'
    case 'text':
      return `text of ${field.least} to ${field.longest}`
    case 'list':
      return field.least === field.most ? `a list of ${field.least}` : `a list of ${field.least} to ${field.most}`
    case 'or null':
      return `${holds(field.of) || 'a group'} or \`null\``
    case 'optional':
      return `${holds(field.of)}, or left out`
    case 'group':
    case 'one of':
    case 'checked':
      return ''
  }
}

function started(field: AnyField): string {
  if (!('start' in field) || field.start === undefined) return ''
  const { start } = field
  if (typeof start === 'object') return `\`${JSON.stringify(start)}\``
  return start === '' ? 'empty' : `\`${String(start)}\``
}

const told = ({ label, hint, about }: AnyField): string =>
  [label.replace(' #', ''), about || hint].filter(Boolean).join(': ').replaceAll('|', '\\|')

function rows(field: AnyField, path: string): string[] {
  const inner = field.kind === 'optional' || field.kind === 'or null' ? field.of : field
  const words = told(field) || told(inner)
  const own = path === '' ? [] : [`| \`${path}\` | ${holds(field)} | ${started(field)} | ${words} |`]
  if (inner.kind === 'group')
    return [...own, ...Object.entries(inner.fields).flatMap(([k, f]) => rows(f, path === '' ? k : `${path}.${k}`))]
  if (inner.kind === 'list' && inner.of.kind === 'one of')
    return [
      ...own,
      ...Object.entries(inner.of.kinds).flatMap(([kind, g]) => [
        `| **\`${kind}\`** | | | ${g.label} |`,
        ...Object.entries(g.fields).flatMap(([k, f]) => rows(f, `${path}[].${k}`)),
      ]),
    ]
  if (inner.kind === 'list' && inner.of.kind === 'group')
    return [...own, ...Object.entries(inner.of.fields).flatMap(([k, f]) => rows(f, `${path}[].${k}`))]
  if (inner.kind === 'list') return [...own, ...rows(inner.of, `${path}[]`)]
  return own
}

/** The page of the format, `docs/design-format.md`. */
export function formatPage(): string {
  const table = ['| path | holds | start | meaning |', '|---|---|---|---|', ...rows(DESIGN, '')]
  return `${HEAD}\n${table.join('\n')}\n${TAIL}`
}
