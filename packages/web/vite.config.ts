import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

const api = process.env.API_ADDRESS ?? 'http://127.0.0.1:4871';

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    // Packed once as small as can be: what a phone waits for first is this, over its line.
    compression({
      include: /\.(js|css|svg)$/,
      threshold: 1024,
      algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip', { level: 9 })],
    }),
    VitePWA({
      registerType: 'autoUpdate',
      // The app registers it itself, once its first screen is there.
      injectRegister: null,
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
        skipWaiting: true,
        clientsClaim: true,
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallbackDenylist: [/^\/api/, /^\/calendar\//, /^\/report\//, /^\/healthz/],
      },
    }),
  ],
  server: { host: '127.0.0.1', proxy: { '/api': api, '/calendar': api, '/report/': api, '/healthz': api } },
  build: {
    chunkSizeWarningLimit: 900,
    // What every place stands on is one file, what nearly every place knows another, and what many are drawn with a third:
    // dozens of small ones would each cost a slow phone its own asking.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            {
              name: 'frame',
              test: /node_modules\/(react|react-dom|react-router|scheduler|@tanstack\/(react-)?query[^/]*|idb)\//,
            },
            // Days and units are wanted by the frame, which must not wait for all of the core.
            { name: 'quantity', test: /packages\/core\/src\/quantity\/|packages\/web\/src\/kit\/local-day/ },
            {
              name: 'core',
              test: /node_modules\/zod\/|packages\/core\/src\/(equipment|trade|verdict|readings|words|round)\//,
            },
            // What many places are drawn with: parts that know nothing of the core, and parts that draw what it says.
            { name: 'parts', test: /node_modules\/(@radix-ui|lucide-react)\/|web\/src\/kit\/button/, minShareCount: 4 },
            // What the first screens ask and are answered comes by itself; what all others do, together.
            { name: 'answers', test: /core\/src\/http\/(?!common|watch|refits|session|meters|refrigerants)/ },
            { name: 'drawn', test: /packages\/web\/src\/(kit|thread)\//, minShareCount: 3 },
          ],
        },
      },
    },
  },
});
