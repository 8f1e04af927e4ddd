import { Component, type ReactNode } from 'react';
import { BrokenPage, NotHereYet } from './BrokenPage';
import { PartMissing } from './later';

interface Props {
  children: ReactNode;
  /** Which page stands within: another one is tried anew. */
  at?: string;
  /** Whether the page may be opened again by itself: nothing waits here to be sent. */
  mayOpenAgain: boolean;
}

interface State {
  /** What broke; none while nothing has. */
  error: unknown;
}

/** A page that broke, or did not come, says so; what was typed is kept in the visit's log. */
export class ErrorBoundary extends Component<Props, State> {
  override state: State = { error: null };

  static getDerivedStateFromError(error: unknown) {
    return { error };
  }

  override componentDidUpdate(before: Props) {
    if (before.at !== this.props.at && this.state.error !== null) this.setState({ error: null });
  }

  override render() {
    const { error } = this.state;
    if (error === null) return this.props.children;
    if (error instanceof PartMissing) return <NotHereYet mayOpen={this.props.mayOpenAgain} />;
    return <BrokenPage />;
  }
}
