// Samples days of a rig whenever asked, with the core that it is given: for the bench against another commit.
import { parentPort, workerData } from 'node:worker_threads';

const { dayModel, readRig, sampleChunk } = await import(workerData.core);
const model = dayModel(readRig(workerData.document).rig);
parentPort.on('message', ({ from, count, spins }) => {
  if (spins !== undefined) return parentPort.postMessage(spin(spins));
  const chunk = sampleChunk(model, 1, from, count);
  parentPort.postMessage(chunk, [chunk.figures.buffer, chunk.firstAt.buffer, chunk.lost.buffer, chunk.strength.buffer, chunk.levels.buffer]);
});

/** Arithmetic that needs no memory. */
function spin(count) {
  let sum = 0;
  for (let i = 0; i < count; i++) sum += Math.sqrt(i * 1.1) % 3;
  return sum;
}
