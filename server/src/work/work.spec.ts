import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { emptyRig, LAYOUTS, pontoonRig } from '@pozzo/core';
import { named, openYard, silent } from '../testing/yard';
import { AppError } from '../errors';
import { JudgeYard } from './judge-yard';
import { inlineWork, type Work, WorkThread } from './work';

const built = pathToFileURL(resolve(__dirname, '../../dist/work/worker.js'));

describe('a thread of work', () => {
  test('gives the same answers as this thread, in the order asked', async () => {
    const thread = new WorkThread(built, 30_000);
    const asks = [3000, 2000, 1000].map((p) => ({ name: 'nozzle-flow', typed: { size: '4', pressure: `${p} psi` } }));
    const [there, here] = await Promise.all([Promise.all(asks.map((a) => thread.run('sum', a))), Promise.all(asks.map((a) => inlineWork.run('sum', a)))]);
    expect(there).toEqual(here);
    const document = JSON.stringify(pontoonRig());
    expect(await thread.run('judge', { document })).toMatchObject({ verdict: 'fed', sampled: false });
    await thread.stop();
    await expect(thread.run('sum', asks[0])).rejects.toMatchObject({ status: 503 });
  });
  test('a build whose day fills it at a tap and drives on too heavy is a stop, though it sets out light', async () => {
    const d = LAYOUTS.find((l) => l.id === 'big-tank')!.make();
    d.platform!.road = 'day';
    d.tanks.find((t) => t.id === 'water')!.startLevel = '3 in';
    d.platform!.gvwr = '2000 kg';
    const document = JSON.stringify(d);
    const straight = await inlineWork.run('judge', { document });
    expect(straight).not.toMatchObject({ verdict: 'stop' });
    expect(await inlineWork.run('sample', { document })).toMatchObject({ verdict: 'stop', scale: 'rating', sampled: true });
  });
  test('that takes too long is ended and told; a thread that dies is told; the next job is done', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'pozzo-work-'));
    const script = join(folder, 'w.mjs');
    writeFileSync(
      script,
      `import { parentPort } from 'node:worker_threads';
       parentPort.on('message', ({ id, ask }) => {
         if (ask.hang) for (;;) {}
         if (ask.die) process.exit(3);
         if (ask.fail) return parentPort.postMessage({ id, failed: { kind: 'YardError', message: 'in words', stack: '' } });
         parentPort.postMessage({ id, value: ask.x });
       });`,
    );
    const thread = new WorkThread(pathToFileURL(script), 1500) as { run(name: string, ask: object): Promise<unknown>; stop(): Promise<void> };
    const all = await Promise.allSettled([{ hang: true }, { x: 1 }, { die: true }, { x: 2 }, { fail: true }].map((ask) => thread.run('sum', ask)));
    expect(all.map((a) => (a.status === 'fulfilled' ? a.value : (a.reason as Error).message))).toEqual([
      'This took longer than 1.5 s and was stopped.',
      1,
      'The thread of the work ended with 3.',
      2,
      'in words',
    ]);
    await thread.stop();
    rmSync(folder, { recursive: true });
  });
});

test('what cannot be handed to a thread is told at once, and the thread does the next', async () => {
  const thread = new WorkThread(built, 30_000);
  thread.warm();
  let deep: unknown = {};
  for (let i = 0; i < 100_000; i++) deep = [deep];
  await expect(thread.run('read', { kind: 'build', document: deep })).rejects.toThrow(/call stack|could not be cloned/);
  await expect(thread.run('read', { kind: 'build', document: { a: () => 1 } })).rejects.toThrow(/could not be cloned/);
  expect(await thread.run('read', { kind: 'build', document: pontoonRig() })).toMatchObject({ ok: true });
  await thread.stop();
});

describe('the yard is judged beside the saves', () => {
  const settled = async (ready: () => Promise<boolean>): Promise<void> => {
    for (let i = 0; i < 400; i++) {
      if (await ready()) return;
      await new Promise((done) => setTimeout(done, 20));
    }
    throw new Error('It did not come to rest.');
  };
  const judged = async (yard: Awaited<ReturnType<typeof openYard>>) => (await yard.store.page({ from: 0, count: 100 })).lines;

  test('what was saved is "being judged" until it is, then stands with its chance; a new save asks anew', async () => {
    const yard = await openYard();
    await yard.store.add('a', named('A'));
    await yard.store.add('broken', { ...named('Broken'), machines: [{}] } as never);
    expect((await judged(yard)).map((l) => l.judged)).toEqual([null, null]);
    const judge = new JudgeYard(yard.judgements, inlineWork, silent);
    judge.start();
    await settled(async () => (await judged(yard)).every((l) => l.judged?.sampled));
    const [a, broken] = await judged(yard);
    // Its straight job is fed; more of its days go short than are allowed, and so it is not called fed.
    expect(a.judged).toMatchObject({
      verdict: 'tight',
      headline: { template: expect.stringContaining('of days go short') as string },
      chance: { tolerance: 0.02 },
    });
    expect(a.judged!.chance!.short.chance).toBeGreaterThan(0.02);
    expect(broken.judged).toMatchObject({ verdict: 'stop', chance: null });
    const weak = named('A');
    weak.spigots[0].readings[0].flow = '1 gpm';
    await yard.store.save('a', 1, weak);
    expect((await judged(yard))[0].judged).toBeNull();
    judge.wake('a');
    await settled(async () => (await judged(yard))[0].judged !== null);
    expect((await judged(yard))[0].judged?.verdict).toBe('starved');
    await judge.stop();
    await yard.end();
  });
  test('what a build weighs on the road is kept beside its verdict; unplaced things, and it is not', async () => {
    const yard = await openYard();
    const whole = LAYOUTS.find((l) => l.id === 'two-batch')!.make();
    await yard.store.add('whole', whole);
    await yard.store.add('loose', { ...whole, placements: whole.placements!.filter((p) => p.thing !== 'washer-a') });
    const judge = new JudgeYard(yard.judgements, inlineWork, silent);
    judge.start();
    await settled(async () => (await judged(yard)).every((l) => l.judged?.sampled));
    const [a, b] = await judged(yard);
    expect(a.judged!.verdict).toBe('stop');
    expect(a.judged!.weight!.heaviestKg).toBeGreaterThan(a.judged!.weight!.ratingKg);
    expect(a.judged!.weight!.ratingKg).toBeCloseTo(2000 * 0.45359237, 3);
    expect(b.judged!.weight).toBeNull();
    await judge.stop();
    await yard.end();
  });
  test('a build that nothing draws on has no day to judge: none of its days is called good', async () => {
    const yard = await openYard();
    await yard.store.add('empty', emptyRig('Empty'));
    const judge = new JudgeYard(yard.judgements, inlineWork, silent);
    judge.start();
    await settled(async () => (await judged(yard)).every((l) => l.judged?.sampled));
    expect((await judged(yard))[0].judged).toMatchObject({ verdict: 'tight', chance: null });
    await judge.stop();
    await yard.end();
  });
  test('another engine judges all anew', async () => {
    const yard = await openYard();
    await yard.store.add('a', named('A'));
    await yard.judgements.put([
      { id: 'a', version: 1, judgement: { verdict: 'stop', scale: 'feeding', headline: { template: 'old', values: {} }, chance: null, sampled: true } },
    ]);
    expect((await judged(yard))[0].judged?.verdict).toBe('stop');
    const { BuildStore } = await import('../store/builds');
    const { JudgementStore } = await import('../store/judgements');
    const newer = new JudgementStore(yard.db, 'newer');
    expect((await new BuildStore(yard.db, 'newer').page({ from: 0, count: 9 })).lines[0].judged).toBeNull();
    expect(await newer.waiting(9, false)).toHaveLength(1);
    await yard.end();
  });
  test('a thread that is ending judges nothing: the builds wait, and the loop does not run wild over them', async () => {
    const yard = await openYard();
    for (let i = 0; i < 40; i++) await yard.store.add(`b${i}`, named(`B${i}`));
    let asked = 0;
    const work: Work = { ...inlineWork, run: () => (asked++, Promise.reject(new AppError(503, 'stopping', '', '', 'The server is stopping.', 5))) };
    const judge = new JudgeYard(yard.judgements, work, silent);
    judge.start();
    await new Promise((done) => setTimeout(done, 300));
    expect(asked).toBe(1);
    await judge.stop();
    expect((await yard.store.page({ from: 0, count: 50 })).lines.every((l) => l.judged === null)).toBe(true);
    await yard.end();
  });
  test('a build whose reckoning stops is told as that and holds up no other', async () => {
    const yard = await openYard();
    await yard.store.add('a', named('A'));
    await yard.store.add('b', named('B'));
    const work: Work = {
      ...inlineWork,
      run: (name, ask) => ((ask as { document: string }).document.includes('"A"') ? Promise.reject(new Error('too long')) : inlineWork.run(name, ask)),
    };
    const judge = new JudgeYard(yard.judgements, work, silent);
    judge.start();
    await settled(async () => (await judged(yard)).every((l) => l.judged?.sampled));
    expect((await judged(yard)).map((l) => l.judged?.verdict)).toEqual(['stop', 'tight']);
    await judge.stop();
    await yard.end();
  });
});
