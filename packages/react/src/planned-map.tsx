/** Members with names of one's own: each name can be changed where it stands. */
import { isObject, joinPointer, startOf, type PlanGroup, type Pointer } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { useDrawing } from './drawing.js';
import { useFollowed } from './follow.js';
import { useScope, useWords } from './scope.js';
import { memberWords } from './words/member-words.js';
import { Button } from './part.js';

/** Members with names of one's own: each with its name, and a box for another one. */
export function MoreMembers({ node, at }: { readonly node: PlanGroup; readonly at: Pointer }): ReactNode {
  const { form } = useScope();
  const { draw } = useDrawing();
  const words = useWords(memberWords);
  const named = new Set(node.children.map(({ name }) => name));
  const list = useFollowed(() => {
    const value = form.valueAt(at);
    return JSON.stringify(isObject(value) ? Object.keys(value).filter((name) => node.more?.(name)) : []);
  }, [form, at, node]);
  const names = JSON.parse(list) as string[];
  const [wanted, setWanted] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const check = (name: string): string | undefined =>
    name === ''
      ? words.nameNeeded
      : named.has(name) || names.includes(name)
        ? words.nameTaken(name)
        : node.more?.(name)
          ? undefined
          : words.nameNotAllowed(name);
  const rename = (from: string, to: string): void => {
    const reason = check(to);
    setTrouble(reason);
    const value = form.valueAt(at);
    if (reason !== undefined || !isObject(value)) return;
    form.put(at, Object.fromEntries(Object.entries(value).map(([name, one]) => [name === from ? to : name, one])));
  };
  const add = (): void => {
    const name = wanted.trim();
    const reason = check(name);
    setTrouble(reason);
    const plan = node.more?.(name);
    if (reason !== undefined || !plan) return;
    form.put(joinPointer(at, name), startOf(plan));
    setWanted('');
  };
  return (
    <div className="poietra-map">
      {names.map((name) => {
        const plan = node.more?.(name);
        return (
          plan && (
            <div key={name} className="poietra-item">
              <div className="poietra-item-head">
                <input
                  className="poietra-name"
                  aria-label={words.memberName(name)}
                  defaultValue={name}
                  onBlur={({ target }) => {
                    if (target.value.trim() !== name) rename(name, target.value.trim());
                  }}
                />
                <Button
                  type="button"
                  className="poietra-button"
                  aria-label={words.takeAwayMember(name)}
                  onClick={() => form.put(joinPointer(at, name), undefined)}
                >
                  {words.takeAway}
                </Button>
              </div>
              {draw(plan, joinPointer(at, name), { bare: plan.kind === 'group' })}
            </div>
          )
        );
      })}
      <div className="poietra-item-head">
        <input
          className="poietra-name"
          aria-label={words.newMember(node.label)}
          placeholder={words.namePlaceholder}
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            add();
          }}
        />
        <Button type="button" className="poietra-button" onClick={add}>
          {words.addMember}
        </Button>
        {trouble !== undefined && (
          <span role="alert" className="poietra-error">
            {trouble}
          </span>
        )}
      </div>
    </div>
  );
}
