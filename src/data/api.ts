/** Where the app lies on its host: `/`, or a sub-path with a slash at both ends; from Vite's `base`. */
export const BASE: string = import.meta.env?.BASE_URL ?? '/'

/** The address of something the server answers. */
export const apiUrl = (path: string): string => `${BASE}api/${path}`
