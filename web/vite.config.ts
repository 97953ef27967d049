import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** s that the server may take to answer for the page before the kept one is shown. */
const PAGE_WAIT_S = 4;

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    react(),
    tailwindcss(),
    // The page opens without the server too; what it shows then is up to the page. Jobs are not kept here.
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: false,
      manifest: false,
      workbox: {
        globPatterns: ['**/*.{html,js,css,woff2,svg}'],
        maximumFileSizeToCacheInBytes: 6 * 1_048_576,
        navigateFallback: null,
        clientsClaim: true,
        skipWaiting: true,
        inlineWorkboxRuntime: true,
        runtimeCaching: [
          {
            urlPattern: ({ request, url }) => request.mode === 'navigate' && !url.pathname.startsWith('/api/'),
            handler: 'NetworkFirst',
            options: {
              cacheName: 'page',
              networkTimeoutSeconds: PAGE_WAIT_S,
              cacheableResponse: { statuses: [] },
              precacheFallback: { fallbackURL: '/index.html' },
            },
          },
        ],
      },
    }),
  ],
  worker: { format: 'es' },
  build: { outDir: 'dist', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': process.env.JOULEMETRIC_API ?? 'http://127.0.0.1:4680' } },
});
