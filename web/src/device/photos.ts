/** Photos taken on this device, on their way to the server: they wait as entries do, and go after them. */
import { ApiProblem } from "../api/client";
import { queries } from "../api/queries";
import { upload } from "../api/upload";
import { memberNow } from "./entries";
import { useLive } from "./live";
import { tell } from "./reach";
import { store, type Photo } from "./store";

/** Keep a photo; it is sent when there is signal. */
export async function keepPhoto(unit: string, fields: Photo["fields"], photo: Blob): Promise<void> {
  await store.photos.add({ id: crypto.randomUUID(), unit, fields, photo, member: memberNow(), wrong: [] });
}

export const dropPhoto = (id: string): Promise<void> => store.photos.delete(id);

const photosOf = (unit: string): Promise<Photo[]> => store.photos.where({ unit }).toArray();
const NONE: Photo[] = [];

/** The photos of a unit that are on this device and not on the server. */
export const usePhotosHere = (unit: string): Photo[] => useLive(photosOf, unit, NONE);

const allPhotos = (): Promise<Photo[]> => store.photos.toArray();

/** Every photo on this device that is not on the server. */
export const useUnsentPhotos = (): Photo[] => useLive(allPhotos, undefined, NONE);

/** Send what waits, one after the other; false where the server cannot be reached. */
export async function sendPhotos(): Promise<boolean> {
  const member = memberNow();
  const waiting = (await store.photos.toArray()).filter(
    (one) => one.member === member && one.wrong.length === 0,
  );
  for (const { id, unit, fields, photo } of waiting) {
    try {
      await upload(`/api/v1/files/units/${unit}/photos`, { id, ...fields, photo });
      await store.photos.delete(id);
      await queries.invalidateQueries({ queryKey: ["photos", unit] });
    } catch (problem) {
      if (!(problem instanceof ApiProblem) || problem.status >= 500 || problem.status === 401) {
        tell(problem instanceof ApiProblem);
        return false;
      }
      await store.photos.update(id, { wrong: problem.errors });
    }
  }
  return true;
}
