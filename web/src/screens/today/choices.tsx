/** What a visit is for, and how it began, as a person chooses them. */
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
