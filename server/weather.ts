import { Router, type Response } from 'express'
import type { z } from 'zod'
import { forecastAnswer, forecastQuery, stationAnswer, stationQuery } from '../src/core/site/stationApi'
import { stationDays, stationForecast } from '../src/demo/station'

/** The simulated weather station and forecast of the demo gardens. Real gardens have no station here. */
export const weatherRoutes = Router()

function answer<Query extends { fault?: 'silent'; garden: string }, Answer>(
  response: Response,
  asked: unknown,
  query: z.ZodType<Query>,
  shape: z.ZodType<Answer>,
  make: (query: Query) => Answer | null,
) {
  const parsed = query.safeParse(asked)
  if (!parsed.success) {
    const [issue] = parsed.error.issues
    response.status(400).json({ error: `${issue.path.join('.') || 'query'}: ${issue.message}` })
    return
  }
  if (parsed.data.fault === 'silent') {
    response.status(503).json({ error: 'The station does not answer.' })
    return
  }
  const made = make(parsed.data)
  if (!made) {
    response.status(404).json({ error: `There is no station for the garden ${parsed.data.garden}.` })
    return
  }
  response.set('Cache-Control', 'no-store').json(shape.parse(made))
}

weatherRoutes.get('/station', (request, response) =>
  answer(response, request.query, stationQuery, stationAnswer, ({ garden, from, to }) =>
    stationDays(garden, from, to),
  ),
)
weatherRoutes.get('/forecast', (request, response) =>
  answer(response, request.query, forecastQuery, forecastAnswer, ({ garden, issued }) =>
    stationForecast(garden, issued),
  ),
)
