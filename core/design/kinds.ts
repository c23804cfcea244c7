import { oneOf, startOf, type GroupField, type Value } from './field'

/** What every kind of a list says of itself. */
interface Kind {
  kind: string
  /** As the reader calls one. */
  name: string
  fields: GroupField
}
type FieldsOf<K> = { [I in keyof K]: K[I] extends { fields: infer F extends GroupField } ? F : never }

/**
 * The kinds that things of a list of the document may be of: their field for the table, and all that is asked of a kind
 * by a thing of it. `Interface` is what the rest of the program knows of such a kind.
 */
export function kindsOf<Interface extends Kind>() {
  return <const K extends Record<string, Kind>>(kinds: K, label: string) => {
    const fields = Object.fromEntries(Object.entries(kinds).map(([kind, k]) => [kind, k.fields])) as FieldsOf<K>
    const of = (thing: { kind: string }): Interface => kinds[thing.kind] as unknown as Interface
    return {
      field: oneOf(fields, { label }),
      all: Object.values(kinds) as unknown as readonly Interface[],
      /** All that a thing's kind says of it. */
      of,
      /** What the reader calls one of a list: by its kind, numbered where there are several of it. */
      name: (things: readonly { kind: string }[], index: number): string => {
        const { kind } = things[index]!
        const { name } = of(things[index]!)
        if (things.filter(t => t.kind === kind).length < 2) return name
        return `${name} ${things.slice(0, index + 1).filter(t => t.kind === kind).length}`
      },
      /** One as it stands before anybody has chosen, with what is chosen. */
      fresh: <I extends keyof K & string>(
        kind: I,
        chosen: Partial<Value<FieldsOf<K>[I]>> = {},
      ): Value<FieldsOf<K>[I]> =>
        ({ ...(startOf(kinds[kind]!.fields) as object), kind, ...chosen }) as Value<FieldsOf<K>[I]>,
    }
  }
}
