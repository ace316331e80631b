import { z } from 'zod'
import { numberBetween } from './fields'

const monthly = (field: string, low: number, high: number) =>
  z.array(numberBetween(field, low, high)).length(12)

/**
 * Place and climate: latitude ±66°, elevation m, twelve monthly normals (°C, mm, days with ≥ 1 mm), and by how much the
 * place has grown warmer since they were taken, °C per decade. `spreadC` is how far single days lie from the normals in the
 * coldest and the hottest month: standard deviations of daily highs, °C; null where nobody said it, then by how far winters
 * and summers lie apart. `daySpread` multiplies it.
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
    spreadC: z
      .object({
        winterC: numberBetween('Spread of winter days', 0.3, 15, '°C'),
        summerC: numberBetween('Spread of summer days', 0.3, 15, '°C'),
      })
      .nullable(),
    daySpread: numberBetween('Spread of days', 0.5, 2),
  })
  .refine((site) => site.tMaxC.every((max, month) => max >= site.tMinC[month]), {
    error: 'A monthly minimum is above its maximum. Check the normals.',
    path: ['tMinC'],
  })
export type SiteClimate = z.infer<typeof siteClimate>

const frost = z
  .string()
  .regex(/^(none|\d\d-\d\d)$/, 'A frost is a day such as 04-27, or none.')
  .nullable()

/**
 * Where a garden lies: town, country (ISO 3166; empty where none was picked), degrees east and km to the sea (null where nobody
 * said it); and what its
 * grower corrects of the usual year of the table: winters and summers, °C, rain as a share. What is known is null where the table
 * is left to say it: frosts as MM-DD or none, the coldest night and the hottest month's usual high and low, °C.
 */
export const home = z.object({
  town: z.string().max(160),
  country: z.string().max(2),
  longitude: numberBetween('Longitude', -180, 180, 'degrees').nullable(),
  seaKm: numberBetween('Distance to the sea', 0, 300, 'km').nullable(),
  winterC: numberBetween('Winters', -12, 12, '°C'),
  summerC: numberBetween('Summers', -12, 12, '°C'),
  rain: numberBetween('Rain', 0.2, 4, 'times'),
  lastFrost: frost,
  firstFrost: frost,
  coldestC: numberBetween('The coldest night', -60, 40, '°C').nullable(),
  hottestHighC: numberBetween('The high of the hottest month', 0, 55, '°C').nullable(),
  hottestLowC: numberBetween('The low of the hottest month', -20, 45, '°C').nullable(),
})
export type Home = z.infer<typeof home>
