import { Agenda } from './agenda'
import { jobs } from './jobs'
import { records } from './grown'
import type { ToWorker } from './protocol'

/** Lets the messages that wait be received: they stand in the same queue before this one. */
const channel = new MessageChannel()
let goOn = () => {}
channel.port1.onmessage = () => goOn()
const pause = () =>
  new Promise<void>((resolve) => {
    goOn = resolve
    channel.port2.postMessage(null)
  })

const agenda = new Agenda(jobs, records, (message) => postMessage(message), pause)
addEventListener('message', ({ data }: MessageEvent<ToWorker>) => agenda.receive(data))
