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

/**
 * Opens the connection first; then fetches beside the first script, and not after it has run: what a page to play is made of, of which every other station needs most, and the two fonts
 * that every page is written in.
 */
const beside: Plugin = {
  name: "beside",
  transformIndexHtml: {
    order: "post",
    handler(_, { bundle, chunk }) {
      const files = Object.values(bundle ?? {});
      const run = files.find((file) => file.type === "chunk" && file.name === "RunScreen");
      const scripts = run?.type === "chunk" ? [run.fileName, ...run.imports] : [];
      const fonts = files
        .map((file) => file.fileName)
        .filter((name) => /-latin-wght-normal.*\.woff2$/.test(name));
      const early = files.find((file) => file.type === "chunk" && file.isEntry && file.name === "early");
      const link = (attrs: Record<string, string | boolean>) => ({
        tag: "link",
        attrs,
        injectTo: "head" as const,
      });
      if (early === undefined) return [];
      return [
        {
          tag: "script",
          attrs: { type: "module", async: true, crossorigin: true, src: `/${early.fileName}` },
          injectTo: "head-prepend",
        },
        ...scripts
          .filter((file) => file !== chunk?.fileName && file !== early.fileName)
          .map((file) => link({ rel: "modulepreload", crossorigin: true, href: `/${file}` })),
        ...fonts.map((file) => link({ rel: "preload", as: "font", crossorigin: true, href: `/${file}` })),
      ];
    },
  },
};

export default defineConfig({
  build: { rollupOptions: { input: { index: "index.html", early: "src/live/early.ts" } } },
  plugins: [react(), tailwindcss(), compressed, beside],
  // a test reads ../docs
  server: { fs: { allow: [".."] }, proxy: { "/api": { target: "http://127.0.0.1:8420", ws: true } } },
  // machines that run tests are shared and at times very slow; a limit is there to end what hangs, not to time it
  // one thread after the other: workers that start side by side on a slow machine run into a limit of their own
  test: { pool: "threads", maxWorkers: 1, testTimeout: 60_000 },
});
