import { isObject, ownMember } from '@poietra/core';
import { BuildingsIcon } from '@phosphor-icons/react';
import { Popover } from 'radix-ui';
import { useEffect, useState, type ReactNode } from 'react';
import { SettingsForm } from '../../parts/settings-form.js';
import { Busy } from '../../parts/states.js';
import { ask } from '../../store/ask.js';

const schema = {
  type: 'object',
  properties: {
    delay: {
      title: 'Answers are held back',
      type: 'integer',
      minimum: 0,
      maximum: 20_000,
      'x-poietra': { suffix: 'ms' },
    },
    fail: { title: 'Every answer fails', type: 'boolean' },
    refuse: {
      title: 'A field is refused',
      type: 'object',
      dependentRequired: { pointer: ['detail'], detail: ['pointer'] },
      properties: {
        pointer: { title: 'Its place', type: 'string', pattern: '^/', examples: ['/consignor/name'] },
        detail: { title: 'What is said', type: 'string', minLength: 1, examples: ['Not known at the harbour office.'] },
      },
    },
  },
};

/** How the demo company's server behaves: slow, failing, or refusing one field. */
export function CompanySettings(): ReactNode {
  const [value, setValue] = useState<unknown>();
  const [trouble, setTrouble] = useState<string>();
  const [open, setOpen] = useState(false);
  useEffect(() => {
    if (!open) return;
    ask('/company/settings').then(
      (answer) => setValue(isObject(answer) ? { ...answer, refuse: answer['refuse'] ?? undefined } : {}),
      (error: unknown) => setTrouble(error instanceof Error ? error.message : String(error)),
    );
  }, [open]);
  const change = (next: unknown): void => {
    const refuse = ownMember(next, 'refuse');
    const isWhole = isObject(refuse) && refuse['pointer'] !== undefined && refuse['detail'] !== undefined;
    ask('/company/settings', {
      method: 'PUT',
      json: {
        delay: ownMember(next, 'delay') ?? 0,
        fail: ownMember(next, 'fail') ?? false,
        refuse: isWhole ? refuse : null,
      },
    }).then(
      () => setTrouble(undefined),
      (error: unknown) => setTrouble(error instanceof Error ? error.message : String(error)),
    );
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        title="Demo server"
        className="inline-flex min-h-7 items-center gap-1.5 rounded-sm px-2.5 hover:bg-mark"
      >
        <BuildingsIcon size={16} aria-hidden="true" />
        <span className="sr-only">Demo server</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          aria-label="How the demo server behaves"
          className="z-10 w-80 rounded-sm border border-edge bg-sheet p-3"
        >
          <h2 className="mb-2">How the demo server behaves</h2>
          {value === undefined && trouble === undefined && <Busy>Asking …</Busy>}
          {value !== undefined && <SettingsForm schema={schema} value={value} onChange={change} />}
          {trouble !== undefined && (
            <p role="alert" className="mt-2 text-fail">
              {trouble}
            </p>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
