import react from "@vitejs/plugin-react";
import { VitePWA } from "vite-plugin-pwa";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [
    react(),
    VitePWA({
      strategies: "injectManifest",
      srcDir: "src",
      filename: "sw.ts",
      injectRegister: false,
      injectManifest: { globPatterns: ["**/*.{js,css,html,svg,png,woff2}"], maximumFileSizeToCacheInBytes: 5_000_000 },
      manifest: {
        name: "Mossy Anvil",
        short_name: "Mossy Anvil",
        description: "Plans, measures and keeps the turning of difficult blanks.",
        display: "standalone",
        start_url: "/",
        background_color: "#f3f0e9",
        theme_color: "#20251f",
        icons: [
          { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
          { src: "/icon-512.png", sizes: "512x512", type: "image/png", purpose: "any maskable" },
          { src: "/mark.svg", sizes: "any", type: "image/svg+xml" },
        ],
      },
    }),
  ],
  build: { target: "es2022", assetsInlineLimit: 0 },
  // The libraries are read once for all files; src/testing/setup.ts and each file's cleanup leave nothing behind.
  test: { setupFiles: ["src/testing/setup.ts"], testTimeout: 30_000, isolate: false },
  server: { proxy: { "/api": "http://127.0.0.1:4380" } },
});
