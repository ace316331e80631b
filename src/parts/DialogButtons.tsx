/** What a dialog's form ends with: leaving it, and storing it. */
export const DialogButtons = ({ store, onCancel }: { store: string; onCancel: () => void }) => (
  <div className="flex justify-end gap-2">
    <button type="button" className="btn h-11" onClick={onCancel}>
      Cancel
    </button>
    <button className="btn btn-primary h-11">{store}</button>
  </div>
)
