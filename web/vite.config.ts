/// <reference types="node" />
import { gzipSync } from "node:zlib";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import type { Plugin } from "vite";
import { defineConfig } from "vitest/config";

/** Writes scripts and styles a second time, compressed: a third of the way over a wireless network, and no work for the server. */
const compressed: Plugin = {
  name: "compressed",
  generateBundle: {
    order: "post",
    handler(_, bundle) {
      for (const file of Object.values(bundle)) {
        if (!/\.(js|css)$/.test(file.fileName)) continue;
        const text = file.type === "chunk" ? file.code : file.source;
        this.emitFile({
          type: "asset",
          fileName: `${file.fileName}.gz`,
          source: gzipSync(text, { level: 9 }),
        });
      }
    },
  },
};

export default defineConfig({
  plugins: [react(), tailwindcss(), compressed],
  // a test reads ../docs
  server: { fs: { allow: [".."] }, proxy: { "/api": { target: "http://127.0.0.1:8420", ws: true } } },
  // machines that run tests are shared and at times very slow; a limit is there to end what hangs, not to time it
  // one thread after the other: workers that start side by side on a slow machine run into a limit of their own
  test: { pool: "threads", maxWorkers: 1, testTimeout: 60_000 },
});
