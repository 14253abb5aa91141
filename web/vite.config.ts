import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig, type Plugin } from "vite";

/**
 * The server has three entries: the server itself, the threads that compute fits, and what the build runs to work out the
 * library ahead. Each file is named as its entry.
 */
const serverEntries: Plugin = {
  name: "server-entries",
  enforce: "post",
  configEnvironment: (name) =>
    name === "ssr"
      ? {
          build: {
            rolldownOptions: {
              input: {
                index: "./server/main.ts",
                "fit-thread": "./server/fitting/fit-thread.ts",
                "write-library-ahead": "./app/movements/write-library-ahead.server.ts",
              },
              output: { entryFileNames: "[name].js" },
            },
          },
        }
      : undefined,
};

export default defineConfig({
  plugins: [tailwindcss(), reactRouter(), serverEntries],
  worker: { format: "es" },
  // The chart library is one chunk, fetched only where a chart is shown.
  build: { chunkSizeWarningLimit: 600 },
});
