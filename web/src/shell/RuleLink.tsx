/** A rule's name, which opens its page. */
import { Link } from "react-router";

export function RuleLink({ name }: { name: string }) {
  return (
    <Link to={`/rule/${name}`} style={{ textDecoration: "underline" }}>
      {name}
    </Link>
  );
}
