import { z } from 'zod'
import { numberBetween } from './fields'

const monthly = (field: string, low: number, high: number) =>
  z.array(numberBetween(field, low, high)).length(12)

/**
 * Place and climate: latitude ±66°, elevation m, twelve monthly normals (°C, mm, days with ≥ 1 mm), and by how much the
 * place has grown warmer since they were taken, °C per decade. `daySpread` multiplies how far single
 * days lie from the normals.
 */
export const siteClimate = z
  .object({
    latitude: numberBetween('Latitude', -66, 66, 'degrees'),
    elevationM: numberBetween('Elevation', -400, 5000, 'm'),
    coastal: z.boolean(),
    tMaxC: monthly('Mean daily maximum', -50, 55),
    tMinC: monthly('Mean daily minimum', -60, 45),
    rainMm: monthly('Monthly rain', 0, 2000),
    wetDays: monthly('Wet days', 0, 31),
    warmingCPerDecade: numberBetween('Warming', -0.5, 1, '°C per decade'),
    daySpread: numberBetween('Spread of days', 0.5, 2),
  })
  .refine((site) => site.tMaxC.every((max, month) => max >= site.tMinC[month]), {
    error: 'A monthly minimum is above its maximum. Check the normals.',
    path: ['tMinC'],
  })
export type SiteClimate = z.infer<typeof siteClimate>
