// Samples days of a rig in a thread of its own, for the bench.
import { parentPort, workerData } from 'node:worker_threads';
import { dayModel, parseRig, sampleChunk } from '../core/dist/index.js';

const { document, seed, from, count } = workerData;
const chunk = sampleChunk(dayModel(parseRig(document)), seed, from, count);
parentPort.postMessage(chunk, [chunk.figures.buffer, chunk.firstAt.buffer, chunk.lost.buffer, chunk.strength.buffer, chunk.levels.buffer]);
