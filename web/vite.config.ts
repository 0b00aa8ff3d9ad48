import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: {
    outDir: "../src/yardcliff/static",
    emptyOutDir: true,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 700,
  },
  server: { proxy: { "/api": { target: "http://127.0.0.1:8722", ws: true } } },
  test: { include: ["src/**/*.test.{ts,tsx}"] },
});
