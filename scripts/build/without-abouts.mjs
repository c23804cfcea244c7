/** Tables of the document's fields. */
const TABLES = /\/core\/(design\/fields|beds|bodies|openings|people|sources|fans|air-stores)\/[^/]+\.ts$/
const WORDS = `'(?:[^'\\\\\\n]|\\\\.)*'`
const ABOUT = new RegExp(`\\babout:\\s*${WORDS}(?:\\s*\\+\\s*${WORDS})*,?`, 'g')

/**
 * What fields mean at length stands on the page of the format alone, which the command line writes: the browser is not
 * made to load it.
 */
export const withoutAbouts = () => ({
  name: 'without-abouts',
  enforce: 'pre',
  transform: (code, id) => (TABLES.test(id.split('?')[0]) ? { code: code.replace(ABOUT, ''), map: null } : null),
})
