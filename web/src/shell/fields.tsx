/** What one types into: a text, several lines, a choice; each in a field with its label above and what is wrong beneath. */
import { chakra, Field as LibraryField, Input, NativeSelect, Textarea } from "@chakra-ui/react";
import type { ComponentProps, ReactNode } from "react";

export const TextInput = Input;
export const TextArea = Textarea;

type RootStyle = Pick<ComponentProps<typeof NativeSelect.Root>, "w" | "maxW" | "flex">;
type ChoiceProps = RootStyle & { disabled?: boolean } & Omit<
    ComponentProps<typeof NativeSelect.Field>,
    keyof RootStyle
  >;

/** A choice from a list: the phone's own wheel or the browser's own menu. */
export function Choice({ w, maxW, flex, disabled, ...field }: ChoiceProps) {
  const style = Object.fromEntries(
    Object.entries({ w, maxW, flex }).filter(([, value]) => value !== undefined),
  );
  return (
    <NativeSelect.Root {...style} disabled={disabled === true}>
      <NativeSelect.Field {...field} {...(disabled && { disabled })} />
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}

type FieldProps = ComponentProps<typeof LibraryField.Root> & {
  label: ReactNode;
  problem?: string | undefined;
};

/** A control, its label and its problem, tied together for eye and screen reader. */
export function Field({ label, problem, children, ...root }: FieldProps) {
  return (
    <LibraryField.Root invalid={Boolean(problem)} {...root}>
      <LibraryField.Label>{label}</LibraryField.Label>
      {children}
      {problem && <LibraryField.ErrorText role="alert">{problem}</LibraryField.ErrorText>}
    </LibraryField.Root>
  );
}

/** What is wrong where it is no single field's. */
export function Problem({ id, children }: { id?: string; children: ReactNode }) {
  return (
    <chakra.p id={id} role="alert" color="brick" fontWeight="600" mt="1">
      {children}
    </chakra.p>
  );
}
