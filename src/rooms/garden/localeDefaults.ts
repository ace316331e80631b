import type { Units } from '../../text/format'

/** Countries whose gardeners measure in feet and pounds. */
const IMPERIAL = ['US', 'LR', 'MM']
const CURRENCIES: Record<string, string> = {
  US: 'USD',
  CA: 'CAD',
  GB: 'GBP',
  AU: 'AUD',
  NZ: 'NZD',
  CH: 'CHF',
  SE: 'SEK',
  NO: 'NOK',
  DK: 'DKK',
  JP: 'JPY',
  BR: 'BRL',
  ZA: 'ZAR',
  IN: 'INR',
}

/** The units and currency that people of the browser's language and country usually have. */
export function usualOf(language: string): { units: Units; currency: string } {
  let region: string | undefined
  try {
    region = new Intl.Locale(language).maximize().region
  } catch {
    region = undefined
  }
  return {
    units: region !== undefined && IMPERIAL.includes(region) ? 'imperial' : 'metric',
    currency: CURRENCIES[region ?? ''] ?? 'EUR',
  }
}
