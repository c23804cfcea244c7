import { existsSync, readFileSync } from 'node:fs'

const read = (path: string) => readFileSync(path, 'utf8')

test('the notices name every package that the app carries, as it is installed', () => {
  const own = JSON.parse(read('package.json')) as { license: string; dependencies: Record<string, string> }
  const notices = read('THIRD-PARTY-NOTICES.md')
  for (const [name, version] of Object.entries(own.dependencies))
    expect(notices).toMatch(new RegExp(`(\\| ${name} \\| ${version} \\|| ${name} ${version} \\()`))
  expect(own.license).toBe('MIT')
  expect(read('LICENSE')).toMatch(/^MIT License/)
})

test('pictures and pages that the readme leads to are there', () => {
  const links = [...read('README.md').matchAll(/\]\(([^)#]+)\)/g)].map(m => m[1]!)
  expect(links.length).toBeGreaterThan(15)
  for (const link of links) expect(existsSync(link)).toBe(true)
})
