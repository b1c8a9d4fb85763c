/** Small pictures of a unit's photos, for where there is no signal. They go with everything else when somebody else signs in. */
import type { Schemas } from "../api/client";
import { useLive } from "./live";
import { store } from "./store";

const LONGEST = 480;
const MOST_OF_A_UNIT = 12;
const MOST = 400;

/** A picture at most so many pixels a side, as JPEG. Throws where this browser cannot open it. */
export async function smallerPicture(file: Blob, longest: number, quality: number): Promise<Blob> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, longest / Math.max(picture.width, picture.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  canvas.getContext("2d")?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return new Promise((done) => canvas.toBlob((blob) => done(blob ?? file), "image/jpeg", quality));
}

/** Keep small pictures of a unit's newest photos; of too many the oldest go. */
export async function keepThumbs(unit: string, photos: Schemas["PhotoShown"][]): Promise<void> {
  for (const { id } of photos.filter(({ removed }) => !removed).slice(0, MOST_OF_A_UNIT)) {
    if ((await store.thumbs.get(id)) !== undefined) continue;
    const answer = await fetch(`/api/v1/files/photos/${id}`);
    if (!answer.ok) continue; // taken off meanwhile
    const picture = await smallerPicture(await answer.blob(), LONGEST, 0.7);
    await store.thumbs.put({ id, unit, at: Date.now(), picture });
  }
  const extra = (await store.thumbs.count()) - MOST;
  if (extra > 0) await store.thumbs.bulkDelete(await store.thumbs.orderBy("at").limit(extra).primaryKeys());
}

const thumbOf = async (id: string): Promise<Blob | undefined> => (await store.thumbs.get(id))?.picture;

/** The small picture of a photo, where it is on this device. */
export const useThumb = (id: string): Blob | undefined => useLive(thumbOf, id, undefined);
