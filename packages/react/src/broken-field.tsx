import { reasonOf } from '@poietra/core';
import { Component, type ReactNode } from 'react';

interface Props {
  readonly label: string;
  readonly children: ReactNode;
}

/** An input that breaks breaks alone: its place says so, and the rest of the form works. */
export class BrokenField extends Component<Props, { readonly reason: string | undefined }> {
  override state: { readonly reason: string | undefined } = { reason: undefined };

  static getDerivedStateFromError(error: unknown): { reason: string } {
    return { reason: reasonOf(error) };
  }

  override render(): ReactNode {
    const { reason } = this.state;
    if (reason === undefined) return this.props.children;
    return (
      <p role="alert" className="poietra-error">
        {this.props.label}: broken ({reason}).{' '}
        <button type="button" onClick={() => this.setState({ reason: undefined })}>
          Try again
        </button>
      </p>
    );
  }
}
