import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defaultClientConditions, defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import vuetify from 'vite-plugin-vuetify'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  root: here('.'),
  plugins: [
    vue(),
    vuetify({ autoImport: true }),
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: false,
      manifest: {
        name: 'Pledge',
        short_name: 'Pledge',
        start_url: '/phone',
        scope: '/phone',
        display: 'standalone',
        background_color: '#FBF8F2',
        theme_color: '#FBF8F2',
        icons: [{ src: '/pledge.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        // Only what the phone needs; the clinic's pages are never served from a cache.
        globPatterns: [
          'phone.html',
          'pledge.svg',
          'assets/*.{js,css}',
          'assets/*latin-wght-normal*.woff2',
          'assets/hand-*.bin',
        ],
        globIgnores: [
          'assets/{clinic,ChoiceInput,TextInput,VBtn,VIcon,display,browser}-*',
          'assets/*{Step,Page}-*',
          'assets/V*',
        ],
        // The stills of the program stand in where nothing can be drawn, also without signal.
        runtimeCaching: [
          {
            urlPattern: /\/stills\/[0-9a-f]+-\d+\.webp$/,
            handler: 'CacheFirst',
            options: { cacheName: 'stills', expiration: { maxEntries: 400 } },
          },
        ],
        navigateFallback: '/phone.html',
        navigateFallbackAllowlist: [/^\/phone/],
      },
    }),
  ],
  resolve: { conditions: ['pledge-source', ...defaultClientConditions] },
  build: {
    outDir: 'dist',
    emptyOutDir: true,
    rollupOptions: { input: { clinic: here('./index.html'), phone: here('./phone.html') } },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8080' } },
})
