// npm start: the application without demo data. Its database is the one that DATABASE_URL names, or one of its own.
import { keepRunning } from "./keep-running.mjs";
import { ownDatabase } from "./own-cluster.mjs";

await keepRunning({
  database: ownDatabase,
  demo: false,
  welcome: (port) => `Able Tide is at ${process.env.PUBLIC_ADDRESS ?? `http://127.0.0.1:${port}`}`,
});
