/** What the kept answers depend on besides their questions; set when the app is built. */
declare const __KILIM_MODEL__: string
