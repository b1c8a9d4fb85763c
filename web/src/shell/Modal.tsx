/** What covers the screen until it is answered. Escape closes it; the first button has the focus. */
import { Dialog, Portal } from "@chakra-ui/react";
import type { ComponentProps, ReactNode } from "react";

type Content = ComponentProps<typeof Dialog.Content>;

export function Modal({
  title,
  close,
  children,
  alert = false,
  ...content
}: Omit<Content, "title"> & { title: ReactNode; close: () => void; alert?: boolean }) {
  return (
    <Dialog.Root
      open
      onOpenChange={({ open }) => {
        if (!open) close();
      }}
      closeOnInteractOutside={!alert}
      role={alert ? "alertdialog" : "dialog"}
    >
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content {...content}>
            <Dialog.Title asChild>
              <h2>{title}</h2>
            </Dialog.Title>
            {children}
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
