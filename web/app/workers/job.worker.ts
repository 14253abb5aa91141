import { expose } from "comlink";
import { createWorkerApi } from "../../jobs/worker-api.ts";

expose(createWorkerApi());
