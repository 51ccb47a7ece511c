import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { pontoonRig } from '@pozzo/core';
import { Api, type ApiError } from './api';

const build = { id: 'a', version: 4, document: pontoonRig(), updatedAt: '2026-01-01T00:00:00.000Z' };

function setUp() {
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  return { api: TestBed.inject(Api), http: TestBed.inject(HttpTestingController) };
}
const failure = async (work: Promise<unknown>): Promise<ApiError> =>
  work.then(
    () => Promise.reject(new Error('It did not fail.')),
    (e: unknown) => e as ApiError,
  );
const refusal = (code: string, message: string) => ({ error: { code, path: '', bound: '', message } });

test('each route is called as the server has it; ids are safe in an address', async () => {
  const { api, http } = setUp();
  const ask = async (work: Promise<unknown>, method: string, url: string, answer: object, body?: object): Promise<void> => {
    const r = http.expectOne({ method, url });
    if (body) expect(r.request.body).toEqual(body);
    r.flush(answer);
    await work;
  };
  await ask(api.page({ from: 100, count: 50, find: 'quay & co' }), 'GET', '/api/v1/builds?from=100&count=50&find=quay+%26+co&deleted=0', {
    builds: [],
    from: 100,
    total: 0,
    all: 0,
  });
  await ask(api.get('build', 'a/b'), 'GET', '/api/v1/builds/a%2Fb', build);
  await ask(api.add('build', 'n', build.document), 'POST', '/api/v1/builds', build, { id: 'n', request: 'n', document: build.document });
  const sending = { request: 'r', unanswered: ['q'] };
  await ask(api.save('build', 'a', 4, build.document, sending), 'PUT', '/api/v1/builds/a', build, { version: 4, document: build.document, ...sending });
  await ask(api.restore('build', 'a'), 'POST', '/api/v1/builds/a/restore', build, {});
  await ask(api.revisions('build', 'a', 9), 'GET', '/api/v1/builds/a/revisions?before=9', { revisions: [], total: 0, deeds: [] });
  http.verify();
});
test('an answer without a body is fine where none is meant', async () => {
  const { api, http } = setUp();
  const done = api.remove('build', 'a');
  http.expectOne('/api/v1/builds/a').flush(null, { status: 204, statusText: 'No Content' });
  await expect(done).resolves.toBeUndefined();
});
test('a refusal carries the server’s own sentence and what came with it', async () => {
  const { api, http } = setUp();
  const e = failure(api.save('build', 'a', 1, build.document));
  http.expectOne('/api/v1/builds/a').flush({ ...refusal('stale', 'Saved elsewhere.'), current: build }, { status: 409, statusText: 'x' });
  expect(await e).toMatchObject({ status: 409, message: 'Saved elsewhere.', passing: false, code: 'stale', body: { current: { version: 4 } } });
});
test.each<[string, number, object | string, string, boolean]>([
  ['a full disk', 507, refusal('disk-full', 'The disk is full.'), 'The disk is full.', true],
  ['a busy server', 429, refusal('too-many', 'Wait.'), 'Wait.', true],
  ['a gateway in its place', 502, 'bad gateway', 'What answers at this address is not Pozzo. Is another program on its port?', true],
  ['another program’s 404', 404, { message: 'nope' }, 'What answers at this address is not Pozzo. Is another program on its port?', true],
  ['a bad request', 400, refusal('below', 'Too small.'), 'Too small.', false],
])('%s: %d is tried again or not', async (_what, status, body, message, passing) => {
  const { api, http } = setUp();
  const e = failure(api.get('build', 'a'));
  http.expectOne('/api/v1/builds/a').flush(body, { status, statusText: 'x' });
  expect(await e).toMatchObject({ status, message, passing });
});
test('what answers in a shape that is not ours is no “Saved”', async () => {
  const { api, http } = setUp();
  for (const odd of [{}, { id: 'a', version: '4' }, [], 'hello', { ok: true }]) {
    const e = failure(api.save('build', 'a', 1, build.document));
    http.expectOne('/api/v1/builds/a').flush(odd);
    expect(await e).toMatchObject({ code: 'not-ours', passing: true });
  }
});
test('a server that cannot be reached is away; one that never answers is given up', async () => {
  const { api, http } = setUp();
  const e = failure(api.get('build', 'a'));
  http.expectOne('/api/v1/builds/a').error(new ProgressEvent('error'));
  expect(await e).toMatchObject({ status: 0, message: 'The server is away.', passing: true });
  jest.useFakeTimers();
  const slow = failure(api.get('build', 'a'));
  http.expectOne('/api/v1/builds/a');
  await jest.advanceTimersByTimeAsync(16_000);
  expect(await slow).toMatchObject({ status: 0, message: 'The server does not answer.', passing: true });
  jest.useRealTimers();
});

test('a build kept by an older Pozzo arrives in the version that screens and edits know', async () => {
  const { api, http } = setUp();
  const { lines, ...rest } = build.document;
  // As version 1 had it: no use, and bulkheads told from what the tank stands on, 2 in below its bottom.
  const raised = (end: (typeof lines)[number]['from']) =>
    end.at === 'tank' && end.height !== undefined ? { ...end, height: `${Number.parseFloat(end.height) + 2} in` } : end;
  expect(rest.tanks.map((t) => t.base)).toEqual(['2 in']);
  const old = {
    ...rest,
    version: 1,
    lines: lines.map((l) => ({
      ...l,
      from: raised(l.from),
      to: raised(l.to),
      parts: l.parts.map(({ ...p }) => (delete (p as { use?: string }).use, p)),
    })),
  };
  const asked = api.get('build', 'a');
  http.expectOne('/api/v1/builds/a').flush({ ...build, document: old });
  expect((await asked).document).toEqual(build.document);
});
