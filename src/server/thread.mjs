import { parentPort, workerData } from "node:worker_threads";
import { tsImport } from "tsx/esm/api";

// Run by inThread.ts, in a thread: one function of one of the app's files, and word of how far it is.

const { file, name, data } = workerData;
const { [name]: work } = await tsImport(file, import.meta.url);
parentPort.postMessage({ result: await work(data, (done) => parentPort.postMessage({ done })) });
