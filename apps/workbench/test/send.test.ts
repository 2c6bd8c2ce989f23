import { methodFor } from '../src/store/ask.js';

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
