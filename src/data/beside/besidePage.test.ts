import { describe, expect, test } from '@jest/globals'
import { expose } from 'comlink'
import { marlpitLane } from '../../demo/marlpitLane'
import { writeGardenFile } from '../gardenFile'
import { besidePage } from './besidePage'
import { gardenWork } from './gardenWork'

const text = writeGardenFile(marlpitLane(), '2026-04-20T00:00:00.000Z')
const picked = () => new File([text], 'lane.kilim.json')

/** A worker that has been started: what is sent to one end of a channel is done at the other. */
function workerOf(work: object | null) {
  const { port1, port2 } = new MessageChannel()
  if (work) expose(work, port2)
  port1.start()
  const ended: string[] = []
  const worker = Object.assign(port1, {
    terminate() {
      ended.push('ended')
      for (const port of [port1, port2]) port.close()
    },
  }) as unknown as Worker
  return { worker, ended, fail: () => port1.dispatchEvent(new Event('error')) }
}

/** Reads the file with a worker that starts so; the name of the garden that came of it. */
async function nameRead(start: () => Worker, patienceMs = 5_000) {
  const read = await besidePage((work) => work.readPicked(picked()), start, patienceMs)
  return read.ok ? read.value.file.garden.name : read.problems
}

describe('a garden is read beside the page', () => {
  test('by a worker, which ends with its work', async () => {
    let asked = 0
    const counted = { ...gardenWork, readPicked: (file: File) => (asked++, gardenWork.readPicked(file)) }
    const { worker, ended } = workerOf(counted)
    expect(await nameRead(() => worker)).toBe('Marlpit Lane')
    expect([asked, ended]).toEqual([1, ['ended']])
  })
  test('by the page where no worker starts', async () =>
    expect(
      await nameRead(() => {
        throw new Error('Workers are not allowed here.')
      }),
    ).toBe('Marlpit Lane'))
  test('by the page where the worker breaks down', async () => {
    const { worker, fail, ended } = workerOf(null)
    setTimeout(fail, 10)
    expect(await nameRead(() => worker)).toBe('Marlpit Lane')
    expect(ended).toEqual(['ended'])
  })
  test('by the page where the worker is silent', async () => {
    const { worker, ended } = workerOf(null)
    expect(await nameRead(() => worker, 20)).toBe('Marlpit Lane')
    expect(ended).toEqual(['ended'])
  })
  test('what is refused there is refused in the same words', async () => {
    const { worker } = workerOf(gardenWork)
    const broken = new File(['{'], 'broken.json')
    const read = await besidePage(
      (work) => work.readPicked(broken),
      () => worker,
    )
    expect(read).toEqual(await gardenWork.readPicked(broken))
  })
})
