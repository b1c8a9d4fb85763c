/** What is folded away on the screen, and stands open on paper. */
import { chakra } from "@chakra-ui/react";
import { useEffect, useState, type ReactNode } from "react";

const Details = chakra("details");
const Summary = chakra("summary");

export function Fold({ title, children }: { title: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const unfold = () => setOpen(true);
    window.addEventListener("beforeprint", unfold);
    return () => window.removeEventListener("beforeprint", unfold);
  }, []);
  return (
    <Details
      open={open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
      borderTopWidth="1px"
      borderColor="edge"
      mt="5"
    >
      <Summary minH="48px" py="3" fontWeight="700" fontSize="lg" cursor="pointer">
        {title}
      </Summary>
      {children}
    </Details>
  );
}
