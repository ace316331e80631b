// Records are checked by code that is there, not by code made on the spot: the page's rules forbid the latter, and
// asking whether they do is a breach of them. Read by zod before any schema is made, so first of all that the page
// loads; set where zod looks for it, for its own `config` would bring all of zod to the first page.
Object.assign(globalThis, { __zod_globalConfig: { jitless: true } })
