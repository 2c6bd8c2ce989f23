import { methodFor } from '@poietra/core';
import { recordsAddress, sendForm } from '../src/store/ask.js';

describe('the method for a purpose', () => {
  const send = { path: '/company/orders', key: 'number' };
  it('is the one that HTTP has for it', () => {
    expect(
      (['create', 'replace', 'change', 'delete'] as const).map((purpose) => methodFor(send, purpose).method),
    ).toEqual(['POST', 'PUT', 'PATCH', 'DELETE']);
  });
  it('may be another one', () =>
    expect(methodFor({ ...send, methods: { replace: 'PATCH' } }, 'replace')).toEqual({ method: 'PATCH', headers: {} }));
  it('goes by POST with a header, where only GET and POST pass', () => {
    const narrow = { ...send, methodHeader: 'X-HTTP-Method' };
    expect(methodFor(narrow, 'delete')).toEqual({ method: 'POST', headers: { 'X-HTTP-Method': 'DELETE' } });
    expect(methodFor(narrow, 'create')).toEqual({ method: 'POST', headers: {} });
  });
});

describe('what is sent', () => {
  const asked: { address: string; headers: Record<string, string> }[] = [];
  beforeEach(() => {
    asked.length = 0;
    globalThis.fetch = ((address: string, { headers = {} }: { headers?: Record<string, string> } = {}) => {
      asked.push({ address, headers });
      return Promise.resolve({ ok: true, status: 201, headers: new Map(), json: () => Promise.resolve({ number: 1 }) });
    }) as unknown as typeof fetch;
  });
  it.each(['/api/project', '//evil.example/company/', '/company/../api/project', '/orders'])(
    'goes nowhere but to the demo company: not to %s',
    async (path) => {
      const outcome = await sendForm({ path, key: 'id' }, 'create', undefined, {});
      expect(outcome.kind === 'failed' && outcome.message).toContain('is for your application');
      expect([asked, recordsAddress({ path, key: 'id' })]).toEqual([[], undefined]);
    },
  );
  it('fetches its token nowhere else, either', async () => {
    const token = { path: '/api/project', member: 'name', header: 'X-Token' };
    const outcome = await sendForm({ path: '/company/orders', key: 'number', token }, 'create', undefined, {});
    expect([outcome.kind, asked]).toEqual(['failed', []]);
  });
  it('says by a key which sending it is, and by a tag which record it saw', async () => {
    const send = { path: '/company/orders', key: 'number' };
    await sendForm(send, 'create', undefined, {}, { key: 'k-1' });
    await sendForm(send, 'replace', 'SO/1', {}, { match: '"t"' });
    expect(asked.map(({ address }) => address)).toEqual(['/company/orders', '/company/orders/SO%2F1']);
    expect(asked[0]?.headers).toMatchObject({ 'Idempotency-Key': 'k-1' });
    expect(asked[1]?.headers).toMatchObject({ 'If-Match': '"t"' });
  });
});
