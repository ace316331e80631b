/** The woven frame with bare warp in it: stands where the garden will be while it is loaded, as the page's first markup does. */
export const Opening = () => (
  <>
    <div className="flex px-4 pt-2" aria-hidden="true">
      <div className="h-8 font-display text-xl font-bold tracking-tight">Kilim</div>
    </div>
    <div className="selvedge mx-4 mt-1" aria-hidden="true" />
    <p className="warp quiet mx-4" role="status">
      Opening the garden …
    </p>
  </>
)
