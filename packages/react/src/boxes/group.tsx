/** Radio buttons and check marks as one value. */
import { groupAdapters } from '@poietra/core';
import { useId, type ReactNode } from 'react';
import { adaptGroup } from '../adapt-group.js';
import { adaptedBoxes, same, type BoxProps, type Boxes } from './box.js';

/** What is said of a group of inputs, given as properties to the element around them. */
interface GroupProps extends BoxProps {
  readonly required?: boolean;
  readonly invalid?: boolean;
  readonly labelledBy?: string | undefined;
  readonly describedBy?: string | undefined;
}
const aboutGroup = ({ id, disabled, invalid, labelledBy, describedBy }: GroupProps) => ({
  className: 'poietra-choices',
  id,
  'aria-labelledby': labelledBy,
  'aria-describedby': describedBy,
  'aria-invalid': invalid || undefined,
  'aria-disabled': disabled || undefined,
});

/** One of several, all in view. */
export function Radios(props: GroupProps): ReactNode {
  const { value, choices = [], onChange, disabled, name, required } = props;
  const own = useId();
  return (
    <div role="radiogroup" {...aboutGroup(props)} aria-required={required || undefined}>
      {choices.map((choice, i) => (
        <label key={i}>
          <input
            type="radio"
            name={name ?? own}
            // Where script runs, a hidden input carries the value.
            {...(name === undefined ? { form: '' } : { value: String(i) })}
            checked={same(choice.value, value)}
            disabled={disabled}
            onChange={() => onChange?.(choice.value)}
          />
          {choice.text}
        </label>
      ))}
    </div>
  );
}

/** Any number of several, all in view; the value is a list in the order of the choices. */
export function Checks(props: GroupProps): ReactNode {
  const { value, choices = [], onChange, disabled, name } = props;
  const chosen: readonly unknown[] = Array.isArray(value) ? value : [];
  const has = (one: unknown): boolean => chosen.some((other) => same(other, one));
  return (
    <div {...aboutGroup(props)} role={props.id === undefined ? undefined : 'group'}>
      {choices.map((choice, i) => (
        <label key={i}>
          <input
            type="checkbox"
            {...(name === undefined ? {} : { name, value: String(i) })}
            checked={has(choice.value)}
            disabled={disabled}
            onChange={({ target: { checked } }) => {
              const known = choices.flatMap((one) => ((one === choice ? checked : has(one.value)) ? [one.value] : []));
              const others = chosen.filter((one) => !choices.some((other) => same(other.value, one)));
              onChange?.([...known, ...others]);
            }}
          />
          {choice.text}
        </label>
      ))}
    </div>
  );
}

export const groupBoxes: Boxes = { radios: Radios, checks: Checks };
/** Radio buttons and check marks as adapted inputs. */
export const groupInputs = adaptedBoxes(groupBoxes, groupAdapters, adaptGroup);
