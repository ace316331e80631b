import { usualYear } from '../site/usualYear'
import type { SiteClimate } from '../garden/site'

const at = (latitude: number, longitude: number, elevationM: number, seaKm: number): SiteClimate =>
  usualYear({ latitude, longitude, elevationM, seaKm }).site

/** Usual years of twelve places of as many climates, as the first page would tell them: names stand for the country around. */
export const PLACES = {
  minnesota: at(45, -93.3, 260, 300),
  maine: at(44.3, -69.8, 60, 40),
  illinois: at(40.1, -88.2, 220, 300),
  kentucky: at(38, -84.5, 300, 300),
  florida: at(26, -80.2, 5, 10),
  oregon: at(44.6, -123.3, 70, 70),
  netherlands: at(52.1, 5.1, 5, 40),
  bavaria: at(48.4, 11.7, 450, 300),
  apulia: at(41.5, 15.6, 70, 30),
  kenya: at(-0.3, 36.1, 1850, 300),
  queensland: at(-26.2, 152.7, 70, 44),
  canterbury: at(-43.5, 172.6, 10, 8),
}
