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
  MX: 'MXN',
  AR: 'ARS',
  CL: 'CLP',
  CO: 'COP',
  CN: 'CNY',
  KR: 'KRW',
  PL: 'PLN',
  CZ: 'CZK',
  HU: 'HUF',
  RO: 'RON',
  TR: 'TRY',
  IL: 'ILS',
  KE: 'KES',
  NG: 'NGN',
  PH: 'PHP',
  TH: 'THB',
  ID: 'IDR',
  MY: 'MYR',
  SG: 'SGD',
  IS: 'ISK',
}

/** The units and currency that people of a country (ISO 3166) usually have. */
export const usualIn = (country: string): { units: Units; currency: string } => ({
  units: IMPERIAL.includes(country) ? 'imperial' : 'metric',
  currency: CURRENCIES[country] ?? 'EUR',
})

/** The same for the browser's language and country. */
export function usualOf(language: string): { units: Units; currency: string } {
  try {
    return usualIn(new Intl.Locale(language).maximize().region ?? '')
  } catch {
    return usualIn('')
  }
}
