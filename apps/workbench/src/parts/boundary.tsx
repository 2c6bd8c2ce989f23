import { Component, type ReactNode } from 'react';
import { Failed } from './states.js';

interface Props {
  /** What broke, as a heading. */
  readonly title: string;
  readonly children: ReactNode;
}

/** What breaks inside breaks alone: the rest of the page goes on, and it is said in its place. */
export class Boundary extends Component<Props, { readonly reason?: string }> {
  override state: { readonly reason?: string } = {};
  static getDerivedStateFromError(error: unknown): { reason: string } {
    return { reason: error instanceof Error ? error.message : String(error) };
  }
  override render(): ReactNode {
    const { reason } = this.state;
    return reason === undefined ? this.props.children : <Failed title={this.props.title} message={reason} />;
  }
}
