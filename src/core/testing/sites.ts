import { USUAL_CLIMATE } from '../garden/fresh'
import type { SiteClimate } from '../garden/site'

/** Five places by round monthly normals, for tests and `npm run validate`. Approximate, from public station normals. */
export const TEST_SITES = {
  pennsylvania: {
    ...USUAL_CLIMATE,
    latitude: 40.8,
    elevationM: 350,
    coastal: false,
    tMaxC: [1, 3, 8, 16, 22, 26, 28, 27, 23, 16, 10, 3],
    tMinC: [-7, -6, -2, 4, 9, 14, 17, 16, 12, 5, 1, -4],
    rainMm: [75, 65, 85, 85, 90, 100, 95, 95, 95, 80, 85, 75],
    wetDays: [10, 9, 11, 11, 12, 11, 10, 9, 9, 9, 10, 10],
  },
  maryland: {
    ...USUAL_CLIMATE,
    latitude: 39,
    elevationM: 40,
    coastal: false,
    tMaxC: [6, 8, 13, 19, 24, 29, 31, 30, 26, 20, 14, 8],
    tMinC: [-4, -3, 1, 6, 11, 17, 19, 18, 14, 7, 2, -2],
    rainMm: [80, 70, 95, 85, 100, 90, 100, 90, 100, 85, 85, 85],
    wetDays: [9, 8, 10, 9, 10, 9, 9, 8, 8, 7, 8, 9],
  },
  alabama: {
    ...USUAL_CLIMATE,
    latitude: 32.6,
    elevationM: 200,
    coastal: false,
    tMaxC: [14, 16, 20, 25, 29, 32, 33, 33, 30, 25, 20, 15],
    tMinC: [1, 3, 6, 10, 15, 19, 21, 21, 18, 11, 6, 2],
    rainMm: [130, 135, 145, 110, 95, 110, 130, 100, 100, 85, 110, 125],
    wetDays: [10, 9, 9, 7, 8, 10, 11, 9, 7, 6, 8, 9],
  },
  netherlands: {
    ...USUAL_CLIMATE,
    latitude: 52,
    elevationM: 10,
    coastal: true,
    tMaxC: [6, 6, 10, 14, 18, 20, 23, 22, 19, 14, 9, 6],
    tMinC: [0, 0, 2, 4, 8, 11, 13, 13, 10, 7, 3, 1],
    rainMm: [67, 55, 60, 42, 60, 67, 80, 80, 75, 75, 75, 76],
    wetDays: [12, 10, 11, 9, 10, 10, 11, 11, 11, 12, 13, 13],
  },
  canterbury: {
    ...USUAL_CLIMATE,
    latitude: -43.6,
    elevationM: 20,
    coastal: true,
    tMaxC: [22, 22, 20, 17, 14, 11, 11, 12, 15, 17, 19, 21],
    tMinC: [11, 11, 9, 6, 4, 1, 1, 2, 4, 6, 8, 10],
    rainMm: [50, 45, 55, 50, 55, 60, 60, 60, 45, 50, 50, 50],
    wetDays: [7, 6, 7, 7, 8, 8, 8, 8, 7, 7, 7, 7],
  },
} satisfies Record<string, SiteClimate>
