import type { ReactNode } from 'react';
import type { PlannedFieldProps } from './drawing.js';
import { PlannedField } from './planned-field.js';
import { useRemoteChoices } from './remote.js';

/** A field whose choices come from a server. */
export function RemoteField(props: PlannedFieldProps): ReactNode {
  const { node, at } = props;
  return <PlannedField {...props} remote={useRemoteChoices(node.hints.remote, at)} />;
}
