import { describe, expect, test } from '@jest/globals'
import ICAL from 'ical.js'
import { dayNumber } from '../../core/foundations/day'
import { calendarFile, type Entry, type Written } from './calendar'

const day = dayNumber('2026-05-12')
const entries: Entry[] = [
  { id: 'stand-1:end', day, title: 'End rye in L4', detail: 'By tarp, as planned.' },
  {
    id: 'stand-2:look',
    day: day + 3,
    title: 'Look at vetch; row 2, with a comma',
    detail: 'Not seen since 1 May.',
  },
]
/** Writes a file and reads it back with another parser. */
function written(list: Entry[], before: Written = {}) {
  const outcome = calendarFile('garden', list, before)
  if (!outcome.ok) throw new Error(outcome.problems[0].message)
  const calendar = new ICAL.Component(ICAL.parse(outcome.value.text))
  return {
    next: outcome.value.written,
    events: calendar.getAllSubcomponents('vevent').map((component) => {
      const event = new ICAL.Event(component)
      return {
        uid: event.uid,
        title: event.summary,
        date: event.startDate.toString(),
        allDay: event.startDate.isDate,
        sequence: Number(component.getFirstPropertyValue('sequence') ?? 0),
        status: component.getFirstPropertyValue('status'),
        alarms: component.getAllSubcomponents('valarm').length,
      }
    }),
  }
}

describe('calendar file', () => {
  const first = written(entries)
  test('is read back by another parser: days, titles, alarms', () => {
    expect(first.events).toEqual([
      {
        uid: 'stand-1:end@garden.kilim',
        title: 'End rye in L4',
        date: '2026-05-12',
        allDay: true,
        sequence: 0,
        status: 'CONFIRMED',
        alarms: 1,
      },
      {
        uid: 'stand-2:look@garden.kilim',
        title: 'Look at vetch; row 2, with a comma',
        date: '2026-05-15',
        allDay: true,
        sequence: 0,
        status: 'CONFIRMED',
        alarms: 1,
      },
    ])
  })
  test('a moved job keeps its id and counts up; one that did not move does not', () => {
    const again = written([{ ...entries[0], day: day + 4 }, entries[1]], first.next)
    expect(again.events.map((event) => [event.uid, event.date, event.sequence])).toEqual([
      ['stand-1:end@garden.kilim', '2026-05-16', 1],
      ['stand-2:look@garden.kilim', '2026-05-15', 0],
    ])
  })
  test('a job that is gone is cancelled once', () => {
    const fewer = written([entries[0]], first.next)
    expect(fewer.events.find((event) => event.uid.startsWith('stand-2'))).toMatchObject({
      status: 'CANCELLED',
      sequence: 1,
    })
    expect(written([entries[0]], fewer.next).events).toHaveLength(1)
  })
  test('nothing to write is said', () => {
    expect(calendarFile('garden', [], {})).toMatchObject({ ok: false })
  })
})
