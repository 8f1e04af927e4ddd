import { Component, type ReactNode } from 'react';

/** A page that broke says so; what was typed is kept in the visit's log. */
export class ErrorBoundary extends Component<{ children: ReactNode }, { isBroken: boolean }> {
  override state = { isBroken: false };

  static getDerivedStateFromError() {
    return { isBroken: true };
  }

  override render() {
    if (!this.state.isBroken) return this.props.children;
    return (
      <main className="mx-auto max-w-xl p-6">
        <h1 className="text-3xl font-bold">This page broke</h1>
        <p className="py-4">What you typed is kept. Open the page again to go on.</p>
        <button
          type="button"
          className="min-h-12 border-2 border-ink px-4 font-bold"
          onClick={() => window.location.reload()}
        >
          Open it again
        </button>
      </main>
    );
  }
}
