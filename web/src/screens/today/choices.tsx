/** What a visit is for, how it began and whose it is, as a person chooses them. */
import type { Schemas } from "../../api/client";
import { COMPLAINT } from "../../shell/words";

export const ComplaintOptions = () => (
  <>
    {Object.entries(COMPLAINT).map(([code, words]) => (
      <option key={code} value={code}>
        {words}
      </option>
    ))}
  </>
);

export const BeganOptions = () => (
  <>
    <option value="">not stated</option>
    <option value="suddenly">suddenly</option>
    <option value="slowly">slowly worse</option>
  </>
);

export const PeopleOptions = ({ people }: { people: Schemas["PersonChoice"][] }) => (
  <>
    {people.map(({ key, name }) => (
      <option key={key} value={key}>
        {name}
      </option>
    ))}
  </>
);
