import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [tailwindcss(), reactRouter()],
  worker: { format: "es" },
  // The chart library is one chunk, fetched only where a chart is shown.
  build: { chunkSizeWarningLimit: 600 },
  environments: { ssr: { build: { rollupOptions: { input: "./server/main.ts" } } } },
});
