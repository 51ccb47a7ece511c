import { pontoonRig } from '@pozzo/core';
import { Api, ApiError } from './api';

interface Call {
  readonly url: string;
  readonly method: string;
  readonly body: unknown;
}

/** A server that answers every call alike, and what it was asked. */
function answering(status: number, body: unknown): { api: Api; calls: Call[] } {
  const calls: Call[] = [];
  globalThis.fetch = jest.fn(async (url: string, init: RequestInit) => {
    calls.push({ url, method: init.method!, body: init.body === undefined ? undefined : JSON.parse(init.body as string) });
    return { status, ok: status < 400, json: async () => (body === undefined ? Promise.reject(new Error('no body')) : body) };
  }) as unknown as typeof fetch;
  return { api: new Api(), calls };
}
const failure = async (work: Promise<unknown>): Promise<ApiError> =>
  work.then(
    () => Promise.reject(new Error('It did not fail.')),
    (e: unknown) => e as ApiError,
  );

test('each route is called as the server has it; ids are safe in an address', async () => {
  const { api, calls } = answering(200, {});
  const document = pontoonRig();
  await api.list();
  await api.get('a/b');
  await api.add('n', document);
  await api.save('a', 4, document);
  await api.restore('a');
  expect(calls.map((c) => `${c.method} ${c.url}`)).toEqual([
    'GET /api/v1/builds',
    'GET /api/v1/builds/a%2Fb',
    'POST /api/v1/builds',
    'PUT /api/v1/builds/a',
    'POST /api/v1/builds/a/restore',
  ]);
  expect(calls[2].body).toEqual({ id: 'n', document });
  expect(calls[3].body).toEqual({ version: 4, document });
  expect(calls[0].body).toBeUndefined();
});
test('an answer without a body is fine where none is meant', async () => {
  await expect(answering(204, undefined).api.remove('a')).resolves.toBeUndefined();
});
test('a refusal carries the server’s own sentence and what came with it', async () => {
  const e = await failure(answering(409, { error: { message: 'Saved elsewhere.' }, current: { version: 9 } }).api.save('a', 1, pontoonRig()));
  expect(e).toBeInstanceOf(ApiError);
  expect([e.status, e.message, e.offline]).toEqual([409, 'Saved elsewhere.', false]);
  expect(e.body['current']).toEqual({ version: 9 });
});
test('a refusal without a sentence still says something', async () => {
  expect((await failure(answering(418, undefined).api.list())).message).toBe('The server answered 418.');
});
test('a server that cannot be reached, or a gateway in its place, counts as away', async () => {
  globalThis.fetch = jest.fn(() => Promise.reject(new TypeError('failed to fetch'))) as unknown as typeof fetch;
  const e = await failure(new Api().list());
  expect([e.status, e.message, e.offline]).toEqual([0, 'The server is away.', true]);
  expect((await failure(answering(503, {}).api.list())).offline).toBe(true);
});
