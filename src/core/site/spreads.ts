import { kmBetween } from './places'

/** How far a place's daily means lie from their normal: standard deviations of the coldest and the hottest month, °C. */
type Anchor = { latitude: number; longitude: number; winterC: number; summerC: number }

/**
 * Latitude, longitude, winter and summer, by region: rounded from general knowledge of reanalyses of about 1991–2020 and not
 * verified against stations. Cold air comes far south over North America, less over the plains of eastern Asia; near the
 * equator hardly anything changes.
 */
const TABLE = `
61 -150 6.5 2.3
65 -148 9 3.2
49 -123 3.4 2.4
46 -123 3.6 3
37.8 -122.4 2.4 2.2
36.7 -119.8 3 3.2
34 -118.2 3 2.6
33.4 -112 3.4 2.4
43.6 -116 4.6 3.9
40.8 -112 4.8 3.5
39.7 -105 6.2 3.2
35 -106.6 3.8 2.4
51 -114 8.5 3.6
46.8 -100.8 8 3.8
50 -97 7.5 3.6
45 -93 7 3.3
41 -96 6.6 3.3
33 -97 5.8 2.2
30 -95 5.4 1.5
42 -88 6.2 3.5
38.6 -90 6.3 3
33.7 -84 5.4 2
30 -90 5.2 1.4
26 -80 3.9 1.1
30 -82 5 1.5
39 -77 5.2 3
41 -74 5.2 3.2
42.4 -71 5.4 3.6
45.5 -73.5 7.2 3.2
44.6 -63.5 5.6 2.8
21 -158 1.2 0.9
19.4 -99 1.9 1.3
25.7 -100.3 5 1.9
14 -90 1.4 1
18 -70 1 0.7
4.7 -74 1.1 1.1
-12 -77 1.1 1.3
-0.2 -78.5 1.1 1.1
-3 -60 1.2 1.2
-8 -35 0.8 0.8
-23.5 -46.6 3 2.4
-25 -57 4.6 2.6
-30 -51 3.8 2.4
-34.6 -58.4 3.7 3
-31 -64 4.3 3.2
-33 -70 2.8 2
-40 -73 2.6 2.8
-46 -67.5 3.2 3.4
-16.5 -68 1.8 1.4
64 -22 3.6 1.9
53 -6 3 2
51.5 0 3.7 2.8
56 -3 3.4 2.2
48.4 -4.5 3.1 2.2
48.9 2.3 4.2 3.4
52 5 4 2.8
53.5 10 4.3 3.2
52.5 13.4 5 3.6
48 11.6 5.2 3.6
48.2 16.4 4.6 3.3
52 21 5.5 3.4
59 18 5 2.8
60 10.7 5.5 2.8
60 5 3.8 2.8
60 25 6.3 3
50.5 30.5 6 3.4
55.7 37.6 6.6 3.8
44.4 26 5.4 3
40.4 -3.7 3 3
38.7 -9 2.5 2.8
37.4 -6 2.8 2.8
41.4 2 2.8 2
43.3 5.4 3.5 2.3
45.5 9 3.2 2.8
42 12.5 3.2 2.2
38 13 2.3 2
38 23.7 3.6 2.5
41 29 4 2.2
40 33 5 2.8
33.6 -7.6 2.2 1.9
36.7 3 2.6 2.4
30 31 2.2 1.8
32 34.8 2.6 1.2
24.6 46.7 3.3 1.8
35.7 51.4 3.5 2.3
14.7 -17.4 1.9 1
6.5 3.4 1.2 1
13.5 2 2.3 2.3
9 38.7 1.5 1.2
-1.3 36.8 1.2 1.2
-4.3 15.3 1.2 1.2
-15.4 28.3 1.8 1.8
-17.8 31 2.4 2
-26.2 28 2.8 2.3
-29.9 31 2.5 2
-34 18.4 2.6 2.6
-22.5 17 3 2.5
-18.9 47.5 1.6 1.3
28.6 77 2.6 2.4
19 73 1.6 1
13 77.6 1.2 1.4
22.6 88 1.9 1.4
31.5 74 2.6 2.8
27.7 85.3 1.8 1.2
7 80 0.9 0.8
13.7 100 1.9 1.1
1.3 104 1 1
-6 107 0.8 0.8
14.6 121 1.1 1.2
21 106 3.6 1.9
23 113 3.6 1.4
31 121.5 3.6 2.8
30.7 104 2.5 2.4
40 116 3.3 2.4
45.8 126.6 4.8 2.6
37.5 127 4.3 2.4
35.7 139.7 2.5 2.8
43 141 3 2.9
48 107 5 3.8
43 77 6 3.4
41 69 5.4 2.6
55 83 8.5 3.6
52 104 6 3.2
43 132 4.6 2.5
-32 116 2.4 4
-35 138.6 2.4 5.2
-37.8 145 2.3 4.6
-43 147 2.5 3.3
-33.9 151 2.3 3.2
-27.5 153 2.4 1.9
-17 145.8 1.8 1.2
-12.5 131 1.9 1.2
-23.7 133.9 3.8 3.2
-32.2 148.6 2.5 4
-36.8 174.8 2.3 1.9
-43.5 172.6 2.8 3.5
`

const ANCHORS: readonly Anchor[] = TABLE.trim()
  .split('\n')
  .map((line) => line.split(' ').map(Number))
  .map(([latitude, longitude, winterC, summerC]) => ({ latitude, longitude, winterC, summerC }))

/** An anchor this far off counts a sixteenth of one next door, km. */
const FADE_KM = 250
/** Daily highs vary more than daily means, whose night partly goes its own way (from the generator's correlations). */
const HIGHS_PER_MEAN = 1 / 0.86

const tenth = (value: number) => Math.round(value * 10) / 10

/**
 * How far single days of a place lie from its normals, by the anchors around it: standard deviations of daily highs in the
 * coldest and the hottest month, °C.
 */
export function spreadAt(where: { latitude: number; longitude: number }): {
  winterC: number
  summerC: number
} {
  const counted = ANCHORS.map((anchor) => ({
    anchor,
    weight: (1 + kmBetween(anchor, where) / FADE_KM) ** -4,
  }))
  const all = counted.reduce((sum, { weight }) => sum + weight, 0)
  const mean = (of: 'winterC' | 'summerC') =>
    tenth((HIGHS_PER_MEAN * counted.reduce((sum, { anchor, weight }) => sum + weight * anchor[of], 0)) / all)
  return { winterC: mean('winterC'), summerC: mean('summerC') }
}
