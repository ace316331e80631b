/** Names of countries (ISO 3166) in a language, the browser's own where none is named; the code where there is no name for it. */
export function countryNamesIn(language?: string): (code: string) => string {
  const names = new Intl.DisplayNames(language, { type: 'region' })
  return (code) => {
    try {
      return names.of(code) ?? code
    } catch {
      return code
    }
  }
}
