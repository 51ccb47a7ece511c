// Samples days of a rig whenever asked, with the core that it is given: for the bench against another commit.
import { parentPort, workerData } from 'node:worker_threads';

const { dayModel, readRig, sampleChunk } = await import(workerData.core);
const model = dayModel(readRig(workerData.document).rig);
/** Days of a slice that is timed. */
const SLICE = 50;

parentPort.on('message', ({ from, count, days, spins }) => {
  if (days !== undefined) return parentPort.postMessage(slices(days, (k) => sampleChunk(model, 1, k * SLICE, SLICE)));
  if (spins !== undefined) return parentPort.postMessage(slices(spins, spin));
  const chunk = sampleChunk(model, 1, from, count);
  parentPort.postMessage(chunk, [chunk.figures.buffer, chunk.firstAt.buffer, chunk.lost.buffer, chunk.strength.buffer, chunk.levels.buffer]);
});

/** Does the work over and over for so many ms; how long each time took, ms. */
function slices(ms, work) {
  const took = [];
  for (const until = performance.now() + ms; performance.now() < until;) {
    const from = performance.now();
    work(took.length);
    took.push(performance.now() - from);
  }
  return took;
}

/** Arithmetic that needs no memory and keeps all of a core busy: whoever shares the core is felt, as days feel it. */
function spin(seed) {
  let [a, b, c, d, e, f, g, h] = [seed, 2, 3, 4, 5, 6, 7, 8];
  for (let i = 0; i < 1.5e6; i++) {
    a = a * 1.0000001 + 1e-9;
    b = b * 1.0000001 + 1e-9;
    c = c * 1.0000001 + 1e-9;
    d = d * 1.0000001 + 1e-9;
    e = e * 1.0000001 + 1e-9;
    f = f * 1.0000001 + 1e-9;
    g = g * 1.0000001 + 1e-9;
    h = h * 1.0000001 + 1e-9;
  }
  return a + b + c + d + e + f + g + h;
}
