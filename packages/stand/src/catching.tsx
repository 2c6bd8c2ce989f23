/** Hears of what fails while it is drawn, on a framework of before its roots tell of that themselves. */
import { Component, version, type ReactNode } from 'react';

interface CatchingProps {
  readonly children: ReactNode;
  readonly tell: (error: unknown) => void;
}

class Boundary extends Component<CatchingProps, { readonly hasFailed: boolean }> {
  override readonly state = { hasFailed: false };

  static getDerivedStateFromError(): { readonly hasFailed: boolean } {
    return { hasFailed: true };
  }
  override componentDidCatch(error: unknown): void {
    this.props.tell(error);
  }
  override render(): ReactNode {
    return this.state.hasFailed ? null : this.props.children;
  }
}

/** From React 19 on `createRoot` takes `onUncaughtError`, and what is thrown goes there as it is. */
const rootsTell = Number.parseInt(version) >= 19;

/** Around what is drawn by a root that is given the same listener as `onUncaughtError`. */
export function Catching({ children, tell }: CatchingProps): ReactNode {
  return rootsTell ? children : <Boundary tell={tell}>{children}</Boundary>;
}
