import { CROPS } from '../core/plants/crops'

/** The cash crops as choices of a select. */
export function CropOptions({ blank }: { blank?: string }) {
  return (
    <>
      {blank !== undefined && <option value="">{blank}</option>}
      {CROPS.map((crop) => (
        <option key={crop.id} value={crop.id}>
          {crop.name}
        </option>
      ))}
    </>
  )
}

/** How a crop is established, as choices of a select. */
export function EstablishmentOptions() {
  return (
    <>
      <option value="transplant">transplanted</option>
      <option value="seed">direct-seeded</option>
    </>
  )
}
