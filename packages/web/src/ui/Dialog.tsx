import { useEffect, useId, useRef, useState, type HTMLAttributes, type ReactNode } from 'react'

interface DialogProps {
  /** What it is called: shown on top, or, with `hidesTitle`, said to screen readers alone. */
  title: string
  hidesTitle?: boolean
  /** Size and layout of its box. */
  layout?: string
  /** What else its box listens to, such as a drop or a paste. */
  box?: Pick<HTMLAttributes<HTMLDivElement>, 'onDragOver' | 'onDrop' | 'onPaste' | 'onKeyDown'>
  /** Is told when it is closed, also by Escape. */
  onClose: () => void
  children: ReactNode
}

/** A dialog that is open as long as it is drawn. The focus goes to what is marked as first, and back when it closes. */
export function Dialog({ title, hidesTitle = false, layout = '', box, onClose, children }: DialogProps) {
  const dialog = useRef<HTMLDialogElement>(null)
  const id = useId()
  // Read before anything in the dialog takes the focus.
  const [before] = useState(() => document.activeElement)
  useEffect(() => {
    const box = dialog.current
    if (box && !box.open) {
      box.showModal()
      // The browser takes the first button, which often is the one that closes.
      box.querySelector<HTMLElement>('[data-first]')?.focus()
    }
    return () => {
      if (before instanceof HTMLElement && before.isConnected) before.focus({ preventScroll: true })
    }
  }, [before])
  return (
    <dialog
      ref={dialog}
      className="modal"
      {...(hidesTitle ? { 'aria-label': title } : { 'aria-labelledby': id })}
      onClose={onClose}
    >
      <div className={`modal-box ${layout}`} {...box}>
        {!hidesTitle && (
          <h2 id={id} className="text-2xl" dir="auto">
            {title}
          </h2>
        )}
        {children}
      </div>
    </dialog>
  )
}
