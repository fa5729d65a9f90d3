import { Button, type ButtonProps } from 'antd'
import { useRef } from 'react'

/** A button that lets one file be chosen. */
export function FileButton({
  accept,
  onFile,
  ...button
}: { accept: string; onFile: (file: File) => void } & Omit<ButtonProps, 'onClick'>) {
  const chooser = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={chooser}
        type="file"
        accept={accept}
        hidden
        onChange={(e) => {
          const file = e.target.files?.[0]
          if (file) onFile(file)
          // the same file may be chosen again
          e.target.value = ''
        }}
      />
      <Button {...button} onClick={() => chooser.current?.click()} />
    </>
  )
}
