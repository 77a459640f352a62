/** What is said to those who don't see it; it is there before it says something, or nobody would hear of the change. */
export function Said({ children }: { children: string }) {
  return (
    <p role="status" className="sr-only">
      {children}
    </p>
  )
}
