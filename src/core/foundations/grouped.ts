const known = new WeakMap<readonly unknown[], Map<PropertyKey, ReadonlyMap<unknown, readonly unknown[]>>>()

/**
 * The entries of a list by the value of one of their fields, in the order of the list: grouped once for each list, so that a
 * look into a long one costs what it finds. A list that was grouped must not be changed any more.
 */
export function groupedBy<T, Field extends keyof T>(
  list: readonly T[],
  field: Field,
): ReadonlyMap<T[Field], readonly T[]> {
  let fields = known.get(list)
  if (!fields) known.set(list, (fields = new Map()))
  let groups = fields.get(field)
  if (!groups) {
    const made = new Map<unknown, T[]>()
    for (const entry of list) {
      const group = made.get(entry[field])
      if (group) group.push(entry)
      else made.set(entry[field], [entry])
    }
    fields.set(field, (groups = made))
  }
  return groups as ReadonlyMap<T[Field], readonly T[]>
}

const NONE: readonly never[] = []

/** The entries of a list with one value in a field, grouped as above. */
export const having = <T, Field extends keyof T>(
  list: readonly T[],
  field: Field,
  value: T[Field],
): readonly T[] => groupedBy(list, field).get(value) ?? NONE

/** A function of a list that is worked out once for each list, under the same condition. */
export function oncePerList<T, R>(work: (list: readonly T[]) => R): (list: readonly T[]) => R {
  const done = new WeakMap<readonly T[], { of: R }>()
  return (list) => {
    let answer = done.get(list)
    if (!answer) done.set(list, (answer = { of: work(list) }))
    return answer.of
  }
}
