/** Numbers of many members, one typed array under each name: what the daily steps read and write, all members of a name together. */
export type Columns<Name extends string> = { readonly [K in Name]: Float64Array }

/** Columns of zeros for so many members. */
export function columns<Name extends string>(names: readonly Name[], members: number): Columns<Name> {
  const made = {} as Record<Name, Float64Array>
  for (const name of names) made[name] = new Float64Array(members)
  return made
}

/** The columns of some members, in their order; a member may come more than once. */
export function pickColumns<Name extends string>(
  from: Columns<Name>,
  members: readonly number[],
): Columns<Name> {
  const picked = {} as Record<Name, Float64Array>
  for (const name in from) {
    const column = from[name]
    const some = new Float64Array(members.length)
    for (let i = 0; i < members.length; i++) some[i] = column[members[i]]
    picked[name] = some
  }
  return picked
}

/** Copies the members from `begin` up to `end` into the same places of other columns. */
export function copyColumns<Name extends string>(
  to: Columns<Name>,
  from: Columns<Name>,
  begin: number,
  end: number,
): void {
  for (const name in from) to[name].set(from[name].subarray(begin, end), begin)
}
