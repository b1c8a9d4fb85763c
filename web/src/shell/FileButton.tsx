/** A button that asks for a file of this device. The same file can be chosen again: it may have been mended meanwhile. */
import { useRef, type ReactNode } from "react";

import { Button } from "./controls";

interface FileButtonProps {
  /** What the file is, to whoever does not see the button. */
  label: string;
  /** As HTML's `accept`. */
  accept: string;
  chosen: (file: File) => void;
  disabled?: boolean;
  children: ReactNode;
}

export function FileButton({ label, accept, chosen, disabled = false, children }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        hidden
        accept={accept}
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) chosen(file);
          event.target.value = "";
        }}
      />
      <Button disabled={disabled} onClick={() => input.current?.click()}>
        {children}
      </Button>
    </>
  );
}
