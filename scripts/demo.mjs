// npm run demo: everything needed, the demo data, the application, its address. Ctrl-C stops all of it.

import { keepRunning } from "./keep-running.mjs";
import { clusterFolder } from "./own-cluster.mjs";

await keepRunning({
  database: () => ({ folder: clusterFolder("postgres"), name: "able_tide_demo" }),
  demo: true,
  welcome: (port) => `
Able Tide is at   http://127.0.0.1:${port}
sign in with      ines@kittiwake.example
password          low-water-mark`,
});
