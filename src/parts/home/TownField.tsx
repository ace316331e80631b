import { Command } from 'cmdk'
import { useState } from 'react'
import { SMALLEST_TOWN, type Town } from '../../core/site/towns'
import { townName, useTowns } from '../../state/useTowns'

/** A town by its name, from a list that is fetched once the field is entered; nothing is asked outside. */
export function TownField({ picked, onPick }: { picked: string; onPick: (town: Town) => void }) {
  const [typed, setTyped] = useState(picked)
  const [before, setBefore] = useState(picked)
  // Picked, brought by a draft, or put away as another point was typed.
  if (picked !== before) {
    setBefore(picked)
    setTyped(picked)
  }
  const [entered, setEntered] = useState(false)
  const [open, setOpen] = useState(false)
  const { state, found } = useTowns(entered, typed)
  const looking = open && typed.trim().length > 1
  return (
    <Command shouldFilter={false} label="The town nearest to you" className="w-72 max-w-full">
      <div className="flex flex-col gap-1">
        <span className="text-sm font-semibold" aria-hidden="true">
          The town nearest to you
        </span>
        <Command.Input
          className="input h-11 w-full"
          value={typed}
          placeholder="such as Springfield, Illinois"
          onFocus={() => setEntered(true)}
          onValueChange={(text) => {
            setTyped(text)
            setOpen(true)
          }}
        />
      </div>
      {state === 'failed' && (
        <p role="alert" className="mt-1 text-sm font-semibold text-error">
          The list of towns could not be loaded. Type latitude and longitude instead.
        </p>
      )}
      <Command.List className={looking ? 'mt-1 border border-base-300' : undefined}>
        {looking && state === 'loading' && (
          <Command.Loading>
            <p className="px-3 py-2">Loading the towns …</p>
          </Command.Loading>
        )}
        {looking && state === 'ready' && found.length === 0 && (
          <p className="px-3 py-2">
            No town of that name with {SMALLEST_TOWN.toLocaleString()} people or more. Try a larger one
            nearby.
          </p>
        )}
        {looking &&
          found.map((town) => (
            <Command.Item
              key={`${townName(town)} ${town.latitude} ${town.longitude}`}
              value={`${townName(town)} ${town.latitude} ${town.longitude}`}
              className="min-h-11 cursor-pointer px-3 py-2 data-[selected=true]:bg-base-200 data-[selected=true]:underline"
              onSelect={() => {
                setTyped(townName(town))
                setOpen(false)
                onPick(town)
              }}
            >
              {townName(town)}
            </Command.Item>
          ))}
      </Command.List>
    </Command>
  )
}
