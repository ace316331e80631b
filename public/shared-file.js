// Takes a garden file that the machine's own sharing hands to the installed app, puts it by, and opens the Garden room.
self.addEventListener('fetch', (event) => {
  const { method, url } = event.request
  if (method !== 'POST' || new URL(url).href !== new URL('shared', self.registration.scope).href) return
  const put = async () => {
    const file = (await event.request.formData()).get('garden')
    if (file) {
      const cache = await caches.open('kilim-shared')
      await cache.put(
        new URL('shared-file', self.registration.scope),
        new Response(file, { headers: { 'x-file-name': encodeURIComponent(file.name) } }),
      )
    }
    return Response.redirect(new URL('garden?shared', self.registration.scope), 303)
  }
  event.respondWith(put())
})
