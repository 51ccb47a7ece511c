// Works with one core, a piece at a time as it is asked: for the bench against another commit. Each core has a thread of its
// own, as a page's worker has one core: in one thread they would share the engine's notes on the shapes of objects.
import { parentPort, workerData } from 'node:worker_threads';
import { produce } from 'immer';

const core = await import(workerData.core);
const { documents } = workerData;
const read = core.readRig(documents.crew);

const copy = (x) => JSON.parse(JSON.stringify(x));
const result = (steps) => {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
};

const hoseOf = (d, role) =>
  d.lines
    .filter((l) => l.role === role)
    .flatMap((l) => l.parts)
    .find((p) => p.kind === 'hose');
const valveOf = (d) => d.lines.flatMap((l) => l.parts).find((p) => p.is === 'metering-valve') ?? {};

/** Single fields as a builder edits them, with what each is called. */
const EDITS = {
  'a name': (d, i) => void (d.machines[0].name = `Washer ${i}`),
  'a nozzle': (d, i) => void (d.outlets[0].nozzle.size = String(5 + (i % 7) * 0.5)),
  'the trigger share': (d, i) => void (d.brief.triggerShare = `${60 + (i % 20)} %`),
  'the job': (d, i) => void (d.brief.job = `${60 + i} min`),
  'a pressure hose': (d, i) => void (hoseOf(d, 'pressure').length = `${80 + i} ft`),
  'a feed hose': (d, i) => void (hoseOf(d, 'feed').length = `${5 + i / 10} ft`),
  'a fill hose': (d, i) => void (hoseOf(d, 'fill').length = `${80 + i} ft`),
  'the customer': (d, i) => void (d.customer = `Depot ${i}`),
  'a metering valve': (d, i) => void (valveOf(d).setting = `${20 + (i % 40)} %`),
  'a pump’s height': (d, i) => void (d.machines[0].inletHeight = `${12 + i / 10} in`),
  'a spigot': (d, i) => void (d.spigots[0].readings[0].flow = `${(4 + i / 40).toFixed(3)} gpm`),
  'a tank’s height': (d, i) => void (d.tanks[0].shape.height = `${42 + i / 10} in`),
  'how high a tank stands': (d, i) => void (d.tanks[0].base = `${4 + i / 10} in`),
  'how far a tank is filled': (d, i) => void (d.tanks[0].fullLevel = `${30 + i / 20} in`),
  'a machine’s flow': (d, i) => void (d.machines[0].flow = `${(7 + i / 40).toFixed(3)} gpm`),
};

/**
 * An edit as the page makes it: what changed arrives, the rest is what was there; it is read and assessed. A core without
 * re-assessment was sent the whole document, as a copy.
 */
function editing(change) {
  const knows = 'reassess' in core;
  const edited = Array.from({ length: 90 }, (_, i) =>
    knows
      ? produce(documents.crew, (d) => change(d, i))
      : ((d) => {
          change(d, i);
          return d;
        })(copy(documents.crew)),
  );
  let k = 0;
  if (!knows) return () => core.assess(core.readRig(edited[++k % 90]).rig);
  let [last, assessed] = [read, core.reassess(read.rig)];
  return () => {
    last = core.reread(edited[++k % 90], last);
    assessed = core.reassess(last.rig, assessed);
  };
}

function advising(id) {
  const r = core.readRig(documents[id]);
  const assessment = core.assess(r.rig);
  const from = core.reassess?.(r.rig);
  // Earlier cores took what was read in pieces.
  return () => (core.adviseSteps.length > 2 ? core.adviseSteps(r.document, r.rig, assessment, from, r.plain) : core.adviseSteps(r, assessment, from));
}

function living() {
  const days = new core.Simulator(core.dayModel(read.rig));
  let day = 0;
  return () => days.run({ seed: 1, day: ++day % 400 });
}

/** Makes each kind of work ready. */
const WORKS = {
  read: () => () => core.readRig(documents.crew),
  fresh: () => () => core.assess(read.rig),
  edit: (name) => editing(EDITS[name]),
  fixes: (id) => {
    const steps = advising(id);
    return () => result(steps());
  },
  model: () => () => core.dayModel(read.rig),
  day: living,
  sizing: () => () => result(core.sizingSteps(documents.crew, 100, 1)),
};

let work = () => undefined;
const asked = {
  edits: () => Object.keys(EDITS),
  /** Changes tried for a rig: each step is one. */
  tries: ({ id }) => [...advising(id)()].length,
  /** Makes a kind of work ready and does it until everything is compiled. */
  warm: ({ kind, of, ms }) => {
    work = WORKS[kind](of);
    for (const until = performance.now() + ms; performance.now() < until;) work();
  },
  /** How long the work takes that was made ready, ms a time: done for so many ms, once at the least. */
  time: ({ ms }) => {
    const from = performance.now();
    let done = 0;
    let gone = 0;
    while (gone < ms) {
      work();
      done++;
      gone = performance.now() - from;
    }
    return gone / done;
  },
};
parentPort.on('message', (message) => parentPort.postMessage(asked[message.ask](message)));
