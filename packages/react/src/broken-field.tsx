import { reasonOf, type DrawnWords } from '@poietra/core';
import { Component, type ReactNode } from 'react';

interface Props {
  readonly label: string;
  readonly words: Pick<DrawnWords, 'broken' | 'tryAgain'>;
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
        {this.props.words.broken(this.props.label, reason)}{' '}
        <button type="button" onClick={() => this.setState({ reason: undefined })}>
          {this.props.words.tryAgain}
        </button>
      </p>
    );
  }
}
