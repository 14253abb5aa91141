import { expose } from "comlink";
import { createWorkerApi } from "../../work/worker-api.ts";

expose(createWorkerApi());
