/** Files on their way to the server: as forms, with the CSRF token, answered like everything else. */
import { csrf, refuse, type FieldError } from "./client";

export async function upload<Answer>(path: string, fields: Record<string, string | Blob>): Promise<Answer> {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.append(name, value);
  const answer = await fetch(path, {
    method: "POST",
    body: form,
    headers: { "X-CSRFToken": csrf() },
  });
  const body = (await answer.json()) as Answer & { errors?: FieldError[] };
  if (!answer.ok)
    return refuse(answer.status, body.errors ?? [{ field: "", message: "The server refused the file." }]);
  return body;
}
