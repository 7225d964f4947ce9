import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const api = process.env.API_ADDRESS ?? 'http://127.0.0.1:4871';

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: 'script',
      manifest: {
        name: 'Yarnix',
        short_name: 'Yarnix',
        description: 'Maintenance rounds, judged as they are measured',
        theme_color: '#f3eee4',
        background_color: '#f3eee4',
        display: 'standalone',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      // A reload without a signal must still open the app; data comes from the device then, never from this cache.
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallbackDenylist: [/^\/api/, /^\/calendar\//, /^\/report\//, /^\/healthz/],
      },
    }),
  ],
  server: { host: '127.0.0.1', proxy: { '/api': api, '/calendar': api, '/report/': api, '/healthz': api } },
  build: {
    chunkSizeWarningLimit: 900,
    // What every place stands on is one file, and what nearly every place knows another: dozens of small ones would each
    // cost a slow phone its own asking.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            {
              name: 'frame',
              test: /node_modules\/(react|react-dom|react-router|scheduler|@tanstack\/(react-)?query[^/]*|idb)\//,
            },
            {
              name: 'core',
              test: /node_modules\/zod\/|packages\/core\/src\/(quantity|equipment|trade|verdict|readings|words|round|http)\//,
            },
          ],
        },
      },
    },
  },
});
