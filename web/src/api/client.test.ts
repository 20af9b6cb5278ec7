import { afterEach, expect, test, vi } from 'vitest';
import { ApiError, call, isPassing, setCsrf } from './client.ts';

const answer = (status: number, body: unknown) =>
  vi.fn(async () => new Response(typeof body === 'string' ? body : JSON.stringify(body), { status }));
const use = (fetcher: ReturnType<typeof answer>) => {
  vi.stubGlobal('fetch', fetcher);
  return fetcher as unknown as { mock: { calls: [string, RequestInit][] } };
};
afterEach(() => vi.unstubAllGlobals());

test('the path of the route is filled and encoded, the token and the body are sent', async () => {
  const { mock } = use(answer(200, { ok: 1 }));
  setCsrf('token');
  await call('recap.command', {
    params: { section: 'a b', lesson: 5, audience: 'staff' },
    body: { command: { kind: 'undo', of: '1' } },
  });
  const [address, request] = mock.calls[0] ?? ['', {}];
  expect(address).toBe('/api/sections/a%20b/lessons/5/recaps/staff/commands');
  expect(request).toMatchObject({
    method: 'POST',
    body: '{"command":{"kind":"undo","of":"1"}}',
    headers: { 'x-csrf-token': 'token' },
  });
});

test('a refusal of the server comes as it was put', async () => {
  use(answer(409, { code: 'stale', message: 'Changed since.', id: 'x', current: { version: 2 } }));
  const error = await call('course.list').catch((reason: unknown) => reason);
  expect(error).toBeInstanceOf(ApiError);
  expect((error as ApiError).body.current).toEqual({ version: 2 });
  expect(isPassing(error)).toBe(false);
});

test.each([
  ['no server at all', vi.fn(async () => Promise.reject(new TypeError('failed'))) as never],
  ['something else that answers', answer(502, '<html>bad gateway</html>')],
  ['a database that is away', answer(503, { code: 'database-away', message: 'Away.', id: 'x' })],
])('%s passes: it is worth trying again', async (_, fetcher) => {
  use(fetcher);
  const error = await call('course.list').catch((reason: unknown) => reason);
  expect(isPassing(error)).toBe(true);
});
