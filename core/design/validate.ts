import { array, lazy, mixed, number, object, string, ValidationError, type AnySchema, type TestContext } from 'yup'
import { controlIn } from '../text/control'
import { HOURS } from '../climate/types'
import type { AnyField, GroupField, ListField, NumberField, OneOfField, TextField } from './field'
import { DESIGN, SCHEMA_VERSION, type Fault } from './types'

/** A message carries what is wrong and what is allowed through Yup as one string. */
const SPLIT = '\u0001'
const say = (message: string, allowed: string) => message + SPLIT + allowed

/** The check of a field. */
function schemaOf(field: AnyField): AnySchema {
  switch (field.kind) {
    case 'number':
      return numberSchema(field)
    case 'choice':
      return choiceSchema(field.choices.map(c => c.id))
    case 'flag':
      return mixed()
        .nullable()
        .test('flag', say('is not true or false', 'true or false'), v => typeof v === 'boolean')
    case 'text':
      return textSchema(field)
    case 'list':
      return listSchema(field)
    case 'group':
      return groupSchema(field)
    case 'or null':
      return nullableSchema(schemaOf(field.of))
    case 'optional': {
      const inner = schemaOf(field.of)
      return lazy(v => (v === undefined ? mixed() : inner)) as unknown as AnySchema
    }
    case 'one of':
      return oneOfSchema(field)
    case 'checked':
      return mixed()
        .nullable()
        .test('checked', (value, context) => {
          const found = field.check(value)
          return (
            found.length === 0 ||
            new ValidationError(
              found.map(f => context.createError({ path: context.path + f.at, message: say(f.message, f.allowed) })),
            )
          )
        })
  }
}

function numberSchema({ low, high, whole }: NumberField): AnySchema {
  const allowed = `a number from ${low} to ${high}`
  const within = number()
    .strict()
    .typeError(say('is not a number', allowed))
    .required(say('is missing', allowed))
    .test('range', say('is out of range', allowed), v => v !== undefined && Number.isFinite(v) && v >= low && v <= high)
  return whole ? within.test('whole', say('is not a whole number', 'a whole number'), v => Number.isInteger(v)) : within
}

function choiceSchema(ids: readonly string[]): AnySchema {
  const allowed = `one of ${ids.map(id => id || '“” (none)').join(', ')}`
  return mixed()
    .nullable()
    .test(
      'known',
      ({ value }) =>
        value === undefined || value === null
          ? say('is missing', allowed)
          : typeof value !== 'string'
            ? say('is not text', allowed)
            : say(`“${value.slice(0, 60)}” is not known`, allowed),
      v => ids.includes(v as unknown as string),
    )
}

/** Characters that steer machines are refused: files for other programs are made of these texts. */
function unseen(value: unknown, lines: boolean, context: TestContext): true | ValidationError {
  const found = typeof value === 'string' ? controlIn(value, { lines }) : null
  if (found === null) return true
  return context.createError({
    message: say(`holds a character that nobody sees (${found})`, 'letters, figures and signs'),
  })
}

function textSchema({ least, longest, check }: TextField): AnySchema {
  const allowed = `text of ${least} to ${longest} characters`
  if (least === 0)
    return mixed()
      .nullable()
      .test(
        'text',
        say('is not text', `text of up to ${longest} characters, or none`),
        v => typeof v === 'string' && (v as string).length <= longest,
      )
      .test('seen', (v, context) => unseen(v, true, context))
  return string()
    .strict()
    .typeError(say('is not text', allowed))
    .required(say('is missing or empty', allowed))
    .max(longest, say('is too long', `at most ${longest} characters`))
    .test('seen', (v, context) => unseen(v, false, context))
    .test('check', (value, context) => {
      const found = typeof value === 'string' && value.length > 0 ? check(value) : null
      return !found || context.createError({ message: say(...found) })
    })
}

/** A list is counted before its members are looked at: one that is too long costs nothing. */
function listSchema({ of, least, most }: ListField): AnySchema {
  const bounded = (inner: AnySchema | null) =>
    (inner ? array().of(inner) : array())
      .strict()
      .typeError(say('is not a list', `a list of ${least} to ${most}`))
      .required(say('is missing', `a list of ${least} to ${most}`))
      .min(least, say('has too few entries', `${least} to ${most}`))
      .max(most, say('has too many entries', `${least} to ${most}`))
  const whole = bounded(schemaOf(of))
  const counted = bounded(null)
  return lazy((v: unknown) => (Array.isArray(v) && v.length > most ? counted : whole)) as unknown as AnySchema
}

function groupSchema({ fields }: GroupField): AnySchema {
  const names = Object.keys(fields).join(', ')
  return object(Object.fromEntries(Object.entries(fields).map(([name, f]) => [name, schemaOf(f)])))
    .strict()
    .typeError(say('is not a group of fields', `an object with ${names}`))
    .required(say('is missing', `an object with ${names}`))
    .noUnknown(({ unknown }) => say(`has fields that are not known: ${String(unknown).slice(0, 200)}`, names))
}

/** The check of the kind that a value says it is of. */
function oneOfSchema({ kinds }: OneOfField): AnySchema {
  const schemas = Object.fromEntries(Object.entries(kinds).map(([kind, fields]) => [kind, groupSchema(fields)]))
  const known = choiceSchema(Object.keys(kinds))
  const unknown = object({ kind: known })
    .strict()
    .typeError(say('is not a group of fields', 'an object with a kind'))
    .required(say('is missing', 'an object with a kind'))
  return lazy((v: unknown) => {
    const kind = typeof v === 'object' && v !== null ? (v as { kind?: unknown }).kind : undefined
    return typeof kind === 'string' && Object.hasOwn(schemas, kind) ? schemas[kind]! : unknown
  }) as unknown as AnySchema
}

function nullableSchema(inner: AnySchema): AnySchema {
  return mixed()
    .nullable()
    .test('or null', (value, context) => {
      if (value === null) return true
      try {
        inner.validateSync(value, { abortEarly: false, strict: true })
        return true
      } catch (error) {
        const all = (error as ValidationError).inner
        const path = (e: ValidationError) => (e.path ? `${context.path}.${e.path}` : context.path)
        return new ValidationError(
          (all.length > 0 ? all : [error as ValidationError]).map(e =>
            context.createError({ path: path(e), message: e.message }),
          ),
        )
      }
    })
}

let made: AnySchema | null = null
/** The check of a document, made when one is first checked: most starts of the app check none. */
const schema = (): AnySchema => (made ??= schemaOf(DESIGN))

/**
 * No document is deeper or holds more than this; nor is any list or text of it longer. An hourly year takes 90 000
 * values, and thirty may stand beside each other.
 */
const MOST = { depth: 8, values: 2_800_000, listed: HOURS, fields: 60, letters: 2000 }

/** Series of hours that are numbers throughout. */
const NUMBERS = new WeakSet<object>()

/**
 * What is too much of a document before its fields are looked at; null where nothing is. Goes no deeper and no further
 * than is allowed.
 */
function tooMuch(document: object): Fault | null {
  const waiting: { node: object; path: string; depth: number }[] = [{ node: document, path: '', depth: 1 }]
  let values = 0
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { node, path, depth } = next
    const listed = Array.isArray(node)
    const keys = listed ? node.length : Object.keys(node).length
    // What is longer than any list may be is not looked into: the list's own rule says how many it may hold.
    if (listed && keys > MOST.listed) continue
    if (!listed && keys > MOST.fields) return { path, message: `has ${keys} fields`, allowed: `at most ${MOST.fields}` }
    values += keys
    if (values > MOST.values)
      return { path: '', message: 'The document holds too much', allowed: `at most ${MOST.values} values` }
    // A series of hours is numbers throughout, and many years of them are looked at with each edit.
    if (listed && keys === HOURS) {
      if (!NUMBERS.has(node) && node.every(v => typeof v === 'number')) NUMBERS.add(node)
      if (NUMBERS.has(node)) continue
    }
    for (const [key, value] of Object.entries(node)) {
      const at = listed ? `${path}[${key}]` : path ? `${path}.${key}` : key
      if (typeof value === 'string' && value.length > MOST.letters)
        return { path: at.slice(0, 200), message: 'is too long', allowed: `text of at most ${MOST.letters} characters` }
      if (typeof value !== 'object' || value === null) continue
      if (depth === MOST.depth)
        return {
          path: at.slice(0, 200),
          message: 'lies too deep',
          allowed: `groups and lists within each other at most ${MOST.depth} deep`,
        }
      waiting.push({ node: value as object, path: at, depth: depth + 1 })
    }
  }
  return null
}

/**
 * Faults of a document's fields, each by itself; an empty list means that it is a {@link Design} as far as fields go.
 * Never throws, whatever it is given.
 */
export function fieldFaults(document: unknown): Fault[] {
  if (typeof document !== 'object' || document === null || Array.isArray(document)) {
    return [{ path: '', message: 'This is not a Tierra design', allowed: 'a design exported as JSON' }]
  }
  const version = (document as { schemaVersion?: unknown }).schemaVersion
  if (version !== SCHEMA_VERSION) {
    const newer = typeof version === 'number' && version > SCHEMA_VERSION
    return [
      {
        path: 'schemaVersion',
        message: newer
          ? `is ${version}, from a newer Tierra`
          : version === undefined
            ? 'is missing, so this is not a Tierra design'
            : `is ${JSON.stringify(version)}`,
        allowed: `${SCHEMA_VERSION}`,
      },
    ]
  }
  const much = tooMuch(document)
  if (much) return [much]
  return toldBy(schema(), document)
}

function toldBy(by: AnySchema, value: unknown): Fault[] {
  try {
    by.validateSync(value, { abortEarly: false, strict: true })
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    return flatten(error)
  }
  return []
}

/** A validator of values that another table of fields describes. */
export function validatorOf(field: AnyField): (value: unknown) => Fault[] {
  const by = schemaOf(field)
  return value => toldBy(by, value)
}

function flatten(error: ValidationError): Fault[] {
  const faults = error.inner.length > 0 ? error.inner.flatMap(flatten) : [toFault(error)]
  const seen = new Set<string>()
  return faults.filter(f => !seen.has(f.path) && seen.add(f.path))
}

function toFault(error: ValidationError): Fault {
  const [message, allowed] = error.message.split(SPLIT)
  return { path: error.path ?? '', message: message!, allowed: allowed ?? 'see docs/design-format.md' }
}

/** One line for a fault: path, what is wrong, what is allowed. */
export function faultLine(fault: Fault): string {
  return `${fault.path ? `${fault.path}: ` : ''}${fault.message}; allowed: ${fault.allowed}`
}
