/** What checks a station's answers, and the years they are written into; loaded where there is a station to hear. */
export { forecastAnswer, stationAnswer } from '../core/site/stationApi'
export { weatherYear } from '../core/garden/weatherYear'
