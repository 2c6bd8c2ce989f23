import fc from 'fast-check';
import {
  compileSchema,
  loadExpressions,
  makeCodec,
  makePlan,
  openForm,
  openPlan,
  type Expressions,
  type FormOptions,
  type HintsBeside,
  type Outcome,
} from '../src/index.js';

let expressions: Expressions;
beforeAll(async () => {
  expressions = await loadExpressions();
});
const accept = (): Promise<Outcome> => Promise.resolve({ kind: 'accepted', answer: undefined });
/** Until everything that was asked has been answered. */
const soon = (milliseconds = 10): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds));

const period = {
  type: 'object',
  required: ['from'],
  properties: {
    from: { type: 'string', pattern: '^\\d{4}$' },
    until: { type: 'string' },
    kind: { type: 'string' },
  },
};
const periodRule = {
  holds: 'value.until >= value.from',
  message: 'Ends before it begins.',
  tells: ['/until', '/from'],
};
const openWith = (rules: FormOptions['rules'], more: Partial<FormOptions> = {}) =>
  openForm({ schema: period, expressions, ...(rules ? { rules } : {}), ...more });

describe('a rule', () => {
  const open = (more: Partial<FormOptions> = {}) => openWith([{ at: '', ...periodRule }], more);
  it('is told at each of its places, listed once, and holds sending up', async () => {
    const form = open({ values: { from: '2025', until: '2024' } });
    expect(form.field('/until').problems.map(({ message }) => message)).toEqual(['Ends before it begins.']);
    expect(form.field('/from').problems).toEqual(form.field('/until').problems);
    expect(form.problems()).toHaveLength(1);
    expect(await form.submit(accept)).toMatchObject({ kind: 'invalid' });
    form.field('/until').report('2026');
    expect(form.problems()).toEqual([]);
    expect(await form.submit(accept)).toMatchObject({ kind: 'accepted' });
  });
  it('says nothing while what it looks at is missing or wrong by itself', () => {
    const form = open();
    expect(form.problems().map(({ keyword }) => keyword)).toEqual(['required']);
    form.field('/from').report('20');
    form.field('/until').report('1');
    expect(form.problems().map(({ keyword }) => keyword)).toEqual(['pattern']);
    form.field('/from').report('2020');
    expect(form.problems().map(({ keyword }) => keyword)).toEqual(['rule']);
  });
  it('is not told at a place that is out of force', () => {
    const conditions = [{ at: '/until', text: 'form.kind == "fixed"' }];
    const form = open({ conditions, values: { from: '2025', until: '2024', kind: 'fixed' } });
    expect(form.problems()).toHaveLength(1);
    form.field('/kind').report('open');
    expect(form.problems()).toEqual([]);
    form.field('/kind').report('fixed');
    expect(form.problems()).toHaveLength(1);
  });
  it('is asked at each entry of a list, also at those that come, move and go', () => {
    const schema = { properties: { legs: { type: 'array', items: period } } };
    const form = openForm({
      schema,
      expressions,
      rules: [{ at: '/legs/*', ...periodRule }],
      values: { legs: [{ from: '2025', until: '2024' }] },
    });
    const bad = () => form.problems().map(({ at }) => at);
    expect(bad()).toEqual(['/legs/0/until']);
    const list = form.list('/legs');
    list.add({ from: '2020', until: '2021' }, 0);
    expect(bad()).toEqual(['/legs/1/until']);
    list.move(1, 0);
    expect(bad()).toEqual(['/legs/0/until']);
    list.remove(0);
    expect(bad()).toEqual([]);
  });
  it('that gives neither true nor false is a trouble for the developer', () => {
    const form = openWith([{ at: '', holds: 'value.from', message: 'Never told.' }], { values: { from: '2025' } });
    expect(form.problems()).toEqual([]);
    expect(form.troubles.map(({ says }) => says)).toEqual([
      'The rule “value.from” has to give true or false; it gave something else.',
    ]);
  });
  it('law: whatever is written, it is told exactly where both are there and it does not hold', () => {
    const year = fc.option(fc.constantFrom('2019', '2020', '2021'), { nil: undefined });
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom('/from', '/until'), year), { maxLength: 12 }), (edits) => {
        const form = open();
        for (const [at, value] of edits) form.put(at, value);
        const { from, until } = form.sent() as { from?: string; until?: string };
        const isBroken = from !== undefined && until !== undefined && until < from;
        expect(form.problems().some(({ keyword }) => keyword === 'rule')).toBe(isBroken);
      }),
    );
  });
});

describe('a check', () => {
  const schema = { properties: { name: { type: 'string', minLength: 2 }, port: { type: 'string' } } };
  interface Call {
    readonly value: unknown;
    readonly signal: { readonly aborted: boolean };
    answer(words?: string): void;
    fail(): void;
  }
  const open = (more: Partial<NonNullable<FormOptions['checks']>[number]> = {}, options: Partial<FormOptions> = {}) => {
    const calls: Call[] = [];
    const form = openForm({
      schema,
      checks: [
        {
          at: '/name',
          patience: 0,
          ask: (value, { signal }) =>
            new Promise((answer, fail) =>
              calls.push({ value, signal, answer, fail: () => fail(new Error('no line')) }),
            ),
          ...more,
        },
      ],
      ...options,
    });
    return { form, calls, name: form.field('/name') };
  };
  it('asks about a sound value, shows that it does, and tells what comes back', async () => {
    const { name, calls } = open();
    name.report('H');
    await soon();
    expect([name.pending, calls.length]).toEqual([false, 0]);
    name.report('Ha');
    expect(name.pending).toBe(true);
    await soon();
    calls[0]?.answer('Is taken.');
    await soon();
    expect([name.pending, name.problems.map(({ message }) => message)]).toEqual([false, ['Is taken.']]);
  });
  it('drops the answer about a value that was typed over, and asks nothing twice', async () => {
    const { name, calls } = open();
    name.report('Ha');
    await soon();
    name.report('Hareby');
    await soon();
    calls[0]?.answer('Is taken.');
    calls[1]?.answer();
    await soon();
    expect([calls.length, calls[0]?.signal.aborted, name.problems]).toEqual([2, true, []]);
    name.report('Ha');
    await soon();
    expect([calls.length, name.problems.length]).toEqual([2, 1]);
  });
  it('is waited for by sending; what is found taken is not sent, not even the second time', async () => {
    const send = jest.fn(accept);
    const { form, name, calls } = open({ patience: 60_000 });
    name.report('Ha');
    const sent = form.submit(send);
    expect(form.status).toBe('sending');
    calls[0]?.answer('Is taken.');
    expect(await sent).toMatchObject({ kind: 'invalid', problems: [{ at: '/name', keyword: 'check' }] });
    expect(await form.submit(send)).toMatchObject({ kind: 'invalid' });
    expect([send.mock.calls.length, form.status, calls.length]).toEqual([0, 'open', 1]);
  });
  it('that cannot be answered lets the value pass and tells the developer, or holds sending up and is asked again', async () => {
    const passing = open();
    passing.name.report('Ha');
    await soon();
    passing.calls[0]?.fail();
    await soon();
    expect([passing.form.problems(), passing.form.troubles.length]).toEqual([[], 1]);

    const holding = open({ failing: 'hold' });
    holding.name.report('Ha');
    await soon();
    holding.calls[0]?.fail();
    await soon();
    expect(holding.form.problems().map(({ message }) => message)).toEqual(['Could not be checked: no line']);
    const sent = holding.form.submit(accept);
    holding.calls[1]?.answer();
    expect(await sent).toMatchObject({ kind: 'accepted' });
  });
  it('that goes on failing holds each attempt up once, and ends it', async () => {
    const ask = jest.fn(() => Promise.reject(new Error('no line')));
    const form = openForm({ schema, checks: [{ at: '/name', patience: 60_000, failing: 'hold', ask }] });
    form.field('/name').report('Ha');
    for (const times of [1, 2]) {
      expect(await form.submit(accept)).toMatchObject({ kind: 'invalid', problems: [{ keyword: 'check' }] });
      expect([ask.mock.calls.length, form.status]).toEqual([times, 'open']);
    }
  });
  it('whose value is typed over while sending waits keeps nobody waiting, though nobody answers', async () => {
    const { form, name, calls } = open({ patience: 60_000 });
    name.report('Ha');
    const sent = form.submit(accept);
    name.report('Hareby');
    await soon();
    calls[1]?.answer();
    expect(await sent).toMatchObject({ kind: 'accepted' });
  });
  it('leaves the values of a saved record alone until they are changed', async () => {
    const { name, calls } = open({}, { values: { name: 'Hareby' } });
    await soon();
    expect(calls).toEqual([]);
    name.report('Hareb');
    name.report('Hareby');
    await soon();
    expect(calls).toEqual([]);
    name.report('Lund');
    await soon();
    expect(calls.map(({ value }) => value)).toEqual(['Lund']);
  });
  it('asks again when what else it depends on has changed', async () => {
    const { form, name, calls } = open({ with: ({ form: whole }) => (whole as { port?: string }).port });
    name.report('Ha');
    await soon();
    calls[0]?.answer('Is taken.');
    await soon();
    form.field('/port').report('Torsund');
    await soon();
    expect([calls.length, name.problems]).toEqual([2, []]);
  });
  it('by a server: the address, the answer’s good and reason come from the hint', async () => {
    const asked: string[] = [];
    const hints: HintsBeside = {
      '/properties/name': {
        check: { from: '/company/free{?value,port}', good: '/free', reason: '/why', message: 'Is taken.' },
      },
    };
    const form = openPlan(makePlan(compileSchema(schema), hints), {
      ask: (address) => {
        asked.push(address);
        return Promise.resolve(address.includes('Ha&') ? { free: false, why: 'By Hareby.' } : { free: true });
      },
    });
    form.put('/port', 'Lund');
    form.field('/name').report('Ha');
    expect(await form.submit(accept)).toMatchObject({ kind: 'invalid', problems: [{ message: 'By Hareby.' }] });
    form.field('/name').report('Lo');
    expect(await form.submit(accept)).toMatchObject({ kind: 'accepted' });
    expect(asked).toEqual(['/company/free?value=Ha&port=Lund', '/company/free?value=Lo&port=Lund']);
  });
});

describe('a place', () => {
  const digits = { properties: { code: { type: 'string', allOf: [{ minLength: 4 }, { pattern: '^\\d*$' }] } } };
  it('tells its problems in the order that is asked for', () => {
    const told = (tells?: readonly string[]) => {
      const form = openForm({ schema: digits, settingsAt: () => ({ tells }) });
      form.field('/code').report('ab');
      return form.field('/code').problems.map(({ keyword }) => keyword);
    };
    expect(told()).toEqual(['minLength', 'pattern']);
    expect(told(['required', 'pattern'])).toEqual(['pattern', 'minLength']);
  });
  it('is looked up for that only where there is something to order', () => {
    const settingsAt = jest.fn(() => ({}));
    const form = openForm({ schema: digits, settingsAt });
    settingsAt.mockClear();
    form.field('/code').report('1234');
    expect([form.field('/code').problems, settingsAt.mock.calls.length]).toEqual([[], 0]);
  });
  it('has its problems told with those around it, and no others', () => {
    const form = openForm({
      schema: {
        properties: {
          one: { type: 'object', required: ['a'], properties: { a: {} } },
          two: { type: 'object', required: ['b'], properties: { b: {} } },
        },
      },
      begin: { one: {}, two: {} },
    });
    expect(form.tellWithin('/one').map(({ at }) => at)).toEqual(['/one/a']);
    expect([form.field('/one/a').shownProblems.length, form.field('/two/b').shownProblems.length]).toEqual([1, 0]);
    form.restart();
    expect(form.field('/one/a').shownProblems).toEqual([]);
  });
  it('shows its normal form on leaving, or already while it is typed', () => {
    const typed = (normal: 'leaving' | 'typing', ...texts: string[]) => {
      const form = openForm({
        schema: { properties: { slug: { type: 'string' } } },
        codecs: { '/slug': makeCodec({ kind: 'slug' }) },
        settingsAt: () => ({ normal }),
      });
      const field = form.field('/slug');
      const seen = texts.map((text) => {
        field.report(text);
        return field.shown;
      });
      field.leave();
      return [...seen, field.shown];
    };
    expect(typed('leaving', 'Ny Havn')).toEqual(['Ny Havn', 'ny-havn']);
    expect(typed('typing', 'Ny', 'ny ', 'ny-H')).toEqual(['ny', 'ny-', 'ny-h', 'ny-h']);
  });
  it('may be named with * for each entry of a list, where codecs are given by place', () => {
    const form = openForm({
      schema: { properties: { codes: { type: 'array', items: { type: 'string' } } } },
      codecs: { '/codes/*': makeCodec({ kind: 'steps', options: { steps: [{ do: 'upper' }] } }) },
      begin: { codes: ['a'] },
    });
    form.field('/codes/0').report('ab');
    expect(form.sent()).toEqual({ codes: ['AB'] });
  });
});

describe('a developer is told', () => {
  const told = (
    hints: HintsBeside,
    schema: unknown = { properties: { name: { type: 'string' }, list: { type: 'array' } } },
  ) => makePlan(compileSchema(schema), hints).troubles.map(({ says }) => says);
  it('of rules and checks that lead nowhere', () => {
    expect(told({ '': { rules: [{ holds: 'true', message: 'x', tells: ['/nam', 'name'] }] } })).toEqual([
      'A rule is told at “/nam”, but there is nothing below this place of that name.',
      'A rule is told at “name”, which is no pointer: it has to begin with “/”.',
    ]);
    expect(told({ '': { rules: [{ holds: 'true' }] as never } })).toEqual([
      '“rules” has to be a list of rules, each with “holds” and “message”. It is left out.',
    ]);
    expect(told({ '/properties/name': { check: { from: '/free' } } })).toEqual([
      '“check” asks the same of every value: its address has no {value}.',
    ]);
  });
  it('of keywords that no problem has', () =>
    expect(told({ '/properties/name': { tells: ['requird'], messages: { patern: 'x', required: 'y' } } })).toEqual([
      '“messages” names the keyword “patern”, which no problem has. Did you mean “pattern”?',
      '“tells” names the keyword “requird”, which no problem has. Did you mean “required”?',
    ]));
  it('of layouts that are not for what they stand at', () => {
    expect(told({ '/properties/list': { layout: 'steps' } })).toEqual([
      'The layout “steps” is not for entries: stack, table, tabs are.',
    ]);
    expect(told({ '': { layout: 'table' } })).toEqual([
      'The layout “table” is not for members here: stack, row, grid, tabs, steps are.',
    ]);
    expect(told({ '/properties/name': { layout: 'grid' } })).toEqual([
      '“layout” is for members and for entries; this has neither.',
    ]);
  });
  it('of options that a codec does not know', () =>
    expect(
      makePlan(
        compileSchema({ properties: { size: { type: 'number' } } }),
        { '/properties/size': { field: 'size' } },
        {
          fields: { size: { adapter: 'native:text', codec: 'size' } },
          codecs: { size: { kind: 'number', options: { lokale: 'nb-NO' } } },
        },
      ).troubles.map(({ says }) => says),
    ).toEqual(['The codec “number” has no option “lokale”. Did you mean “locale”?']));
});
