import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'

export default defineConfig(({ isSsrBuild }) => ({
  plugins: isSsrBuild
    ? []
    : [
        react(),
        tailwindcss(),
        VitePWA({
          registerType: 'prompt',
          injectRegister: false,
          manifest: {
            name: 'Kilim',
            short_name: 'Kilim',
            description: 'Cover crops in beds, from choosing to planting.',
            theme_color: '#3b2a20',
            background_color: '#f4ede0',
            display: 'standalone',
            icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
          },
          workbox: {
            navigateFallback: '/index.html',
            navigateFallbackDenylist: [/^\/api\//],
            globPatterns: ['**/*.{js,css,html,svg,woff2}'],
          },
        }),
      ],
  build: { outDir: 'dist/client', emptyOutDir: !isSsrBuild, chunkSizeWarningLimit: 2000 },
  worker: { format: 'es' },
  server: { host: '127.0.0.1' },
}))
