import type { GardenFileData } from './gardenFile'

/** Makes ids: the kind of record, and what it was called before. */
type Issue = (kind: 'bed' | 'stand' | 'check' | 'lot' | 'picture') => string

/** A garden with new ids for all its records, every reference among them following. Its own id and its weather stay. */
export function reissued(data: GardenFileData, issue: Issue): GardenFileData {
  const renamed = (kind: Parameters<Issue>[0], records: readonly { id: string }[]) =>
    new Map(records.map(({ id }) => [id, issue(kind)]))
  const ids = {
    bed: renamed('bed', data.beds),
    stand: renamed('stand', data.stands),
    check: renamed('check', data.checks),
    lot: renamed('lot', data.lots),
    picture: renamed('picture', data.pictures),
  }
  const to = (kind: keyof typeof ids, id: string) => ids[kind].get(id) ?? id
  const cutTo = <T extends { toBedId?: string } | null>(cut: T): T =>
    cut?.toBedId === undefined ? cut : { ...cut, toBedId: to('bed', cut.toBedId) }
  return {
    ...data,
    garden: {
      ...data.garden,
      mulchLaid: data.garden.mulchLaid.map((laid) => ({
        ...laid,
        bedId: to('bed', laid.bedId),
        ...(laid.after && { after: { ...laid.after, standId: to('stand', laid.after.standId) } }),
      })),
      // A job is named after its stand, then what is to be done.
      jobMarks: data.garden.jobMarks.map((mark) => {
        const [standId, ...rest] = mark.jobId.split(':')
        return { ...mark, jobId: [to('stand', standId), ...rest].join(':') }
      }),
    },
    beds: data.beds.map((bed) => ({ ...bed, id: to('bed', bed.id) })),
    stands: data.stands.map((stand) => ({
      ...stand,
      id: to('stand', stand.id),
      bedId: to('bed', stand.bedId),
      underStandId: stand.underStandId && to('stand', stand.underStandId),
      ...(stand.goesOnTo !== undefined && { goesOnTo: to('stand', stand.goesOnTo) }),
      cuts: stand.cuts.map(({ id, cut }) => ({
        id,
        cut: { plan: cutTo(cut.plan), actual: cutTo(cut.actual) },
      })),
    })),
    checks: data.checks.map((check) => ({
      ...check,
      id: to('check', check.id),
      standId: to('stand', check.standId),
      pictureIds: check.pictureIds.map((id) => to('picture', id)),
    })),
    lots: data.lots.map((lot) => ({ ...lot, id: to('lot', lot.id) })),
    pictures: data.pictures.map((picture) => ({
      ...picture,
      id: to('picture', picture.id),
      bedId: to('bed', picture.bedId),
      standId: picture.standId && to('stand', picture.standId),
    })),
  }
}
