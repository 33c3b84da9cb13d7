import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { chunkSizeWarningLimit: 1000 },
  // a test reads ../docs
  server: { fs: { allow: [".."] }, proxy: { "/api": { target: "http://127.0.0.1:8420", ws: true } } },
  // machines that run tests are shared and at times very slow; a limit is there to end what hangs, not to time it
  // one thread after the other: workers that start side by side on a slow machine run into a limit of their own
  test: { pool: "threads", maxWorkers: 1, testTimeout: 60_000 },
});
