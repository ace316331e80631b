/** Stands where the garden or a room will be while it is loaded. */
export const Opening = () => <p className="quiet p-8">Opening the garden …</p>
