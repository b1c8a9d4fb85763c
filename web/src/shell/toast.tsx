/** A line at the foot of the screen that says what was done, and goes by itself. */
import { createToaster, Toast, Toaster as LibraryToaster } from "@chakra-ui/react";

const toaster = createToaster({ placement: "bottom", pauseOnPageIdle: true, max: 2 });

/** Say what was done; a screen reader says it too. */
export function say(words: string): void {
  toaster.create({ title: words, duration: 6000 });
}

export function Toaster() {
  return (
    <LibraryToaster toaster={toaster} className="no-print">
      {(toast) => (
        <Toast.Root>
          <Toast.Title>{toast.title}</Toast.Title>
        </Toast.Root>
      )}
    </LibraryToaster>
  );
}
