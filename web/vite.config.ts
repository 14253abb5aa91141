import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig, type Plugin } from "vite";

/** The server has two entries: the server itself and the threads that compute fits. Each file is named as its entry. */
const serverEntries: Plugin = {
  name: "server-entries",
  enforce: "post",
  configEnvironment: (name) =>
    name === "ssr"
      ? {
          build: {
            rolldownOptions: {
              input: { index: "./server/main.ts", "fit-thread": "./server/fitting/fit-thread.ts" },
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
