import { Component, type ReactNode } from 'react'

interface BoundaryProps {
  /** What stands there where drawing the rest failed. */
  fallback: ReactNode
  children: ReactNode
}

/** Catches what fails while its children are drawn, so that the page does not go blank. */
export class Boundary extends Component<BoundaryProps, { failed: boolean }> {
  override state = { failed: false }

  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true }
  }

  override render(): ReactNode {
    return this.state.failed ? this.props.fallback : this.props.children
  }
}
