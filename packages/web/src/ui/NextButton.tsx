import type { ButtonHTMLAttributes } from 'react'
import { useLanding } from './useLanding.ts'

/** The button that leads on: the focus comes to it as it appears, so that Enter goes on. */
export function NextButton({ className = '', ...rest }: ButtonHTMLAttributes<HTMLButtonElement>) {
  const button = useLanding<HTMLButtonElement>('')
  return <button ref={button} type="button" className={`btn btn-primary h-12 ${className}`} {...rest} />
}
