const AND = new Intl.ListFormat('en-GB')

/** Names as a sentence has them: “spinach, chard and kale”; of more than `most` the first, and how many more. */
export function listed(names: readonly string[], most = Infinity): string {
  return AND.format(names.length > most ? [...names.slice(0, most), `${names.length - most} more`] : names)
}
