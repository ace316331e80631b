import { useGarden } from '../../state/garden'

const STEPS: readonly (readonly [string, string])[] = [
  [
    'Beds',
    'Garden: place, beds in bulk, worst weeds. What stands there today: mark the beds that are alike, say it once.',
  ],
  [
    'Choose',
    'A bed’s bare weeks open it. Say what the cover is for and what follows; the list is grown through two hundred seasons here.',
  ],
  [
    'Sow',
    'Weigh what is printed for the bed. Throw it in two passes, the second across. Rake, tamp, keep it moist until it is up.',
  ],
  ['Watch', 'A one-minute check: photo, green, stage. Each one narrows the dates. None is needed in winter.'],
  [
    'End',
    'The safe ways first, each with its chance by the planting day. Do it, press Ended, count what stands again after 7, 14 and 21 days.',
  ],
  ['Plant', 'When all gates are open. Harvest tells how it did.'],
]

/** How to begin, on one page of paper for the shed door. */
export function StartPage() {
  const { data } = useGarden()
  return (
    <section className="max-w-3xl py-4">
      <h1>How to begin</h1>
      <p className="mt-1">
        {data.garden.name}. In the shed door or the pocket; all of it is in the app, which needs no network
        once opened.
      </p>
      <ol className="mt-3 divide-y divide-base-300 border-y border-base-300">
        {STEPS.map(([name, what], i) => (
          <li key={name} className="grid grid-cols-[2rem_6rem_1fr] gap-2 py-2">
            <span className="font-display text-lg">{i + 1}</span>
            <strong className="font-display text-lg">{name}</strong>
            <span>{what}</span>
          </li>
        ))}
      </ol>
      <h2 className="mt-4">Every day</h2>
      <p>
        Rounds on the phone: what is due, what to take along, how long. Press what you did; it is recorded as
        planned, and can be undone. Enter days away and the forecast you have heard there.
      </p>
      <h2 className="mt-3">Never lost</h2>
      <p>
        All is kept on the device. Garden, files: write a copy now and then; phone and table come together
        there, neither replaces the other.
      </p>
      <h2 className="mt-3">Mind</h2>
      <ul className="list-disc pl-5">
        <li>Treated seed is never eaten, fed or handled bare.</li>
        <li>
          Raw manure and animals on beds: the interval to the harvest is a rule; local rules may ask for more.
        </li>
        <li>Fire, blades and heavy sheets: as described for each method. Look up burning bans first.</li>
      </ul>
      <p className="quiet mt-3">Press ? over anything to read what it is.</p>
      <button className="btn no-print mt-3 h-11" onClick={() => window.print()}>
        Print
      </button>
    </section>
  )
}
