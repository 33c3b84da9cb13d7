import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { chunkSizeWarningLimit: 1000 },
  server: { proxy: { "/api": { target: "http://127.0.0.1:8420", ws: true } } },
  test: { environment: "jsdom" },
});
