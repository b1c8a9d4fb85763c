/** A unit's photos. They are made smaller here before they leave, and made anew by the server, without where they were taken. */
import { Box, Flex, Heading, SimpleGrid, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import { api, data, type Schemas } from "../../api/client";
import { useDraft } from "../../api/draft";
import { queries, usePhotos } from "../../api/queries";
import { dropPhoto, keepPhoto, usePhotosHere } from "../../device/photos";
import type { Photo as PhotoHere } from "../../device/store";
import { sendSoon } from "../../device/sync";
import { smallerPicture, useThumb } from "../../device/thumbs";
import { useAttempt } from "../../shell/attempt";
import { Button } from "../../shell/controls";
import { Field, Problem, TextInput } from "../../shell/fields";
import { FileButton } from "../../shell/FileButton";
import { day } from "../../shell/words";

type Photo = Schemas["PhotoShown"];
const LONGEST = 2000;

/** Made smaller; what the browser cannot open goes as it is, and the server says why not. */
const smaller = (file: File): Promise<Blob> => smallerPicture(file, LONGEST, 0.85).catch(() => file);

/**
 * `about` given, only photos of that are shown and taken; `part` given, all those of a part that was put in, or with `only`
 * just those of it that show `about`.
 */
export function Photos(props: {
  unit: string;
  visit?: string;
  part?: string;
  about?: string;
  only?: boolean;
  title?: string;
}) {
  const { unit, visit, part, about: given, only = false, title } = props;
  const photos = usePhotos(unit);
  const [about, setAbout] = useDraft(`${unit} photo of`);
  const [problem, attempt] = useAttempt();
  const [gone, setGone] = useState<Photo | null>(null);
  const change = (ask: () => Promise<Photo>, then: (photo: Photo) => void) =>
    attempt(async () => {
      then(await ask());
      await queries.invalidateQueries({ queryKey: ["photos", unit] });
    });
  const add = async (chosen: File) => {
    const photo = await smaller(chosen);
    await keepPhoto(unit, { about: given ?? about, ...(visit && { visit }), ...(part && { part }) }, photo);
    setAbout("");
    sendSoon();
  };
  const path = (photo: Photo) => ({ params: { path: { photo_id: photo.id } } });
  const belongs = (photo: { part?: string | null; about: string }) =>
    (part === undefined || photo.part === part) &&
    (given === undefined || (part !== undefined && !only) || photo.about === given);
  const shown = (photos.data ?? []).filter(belongs);
  const here = usePhotosHere(unit).filter(({ fields }) => belongs(fields));
  return (
    <Box as="section" aria-label={title ?? "Photos"}>
      <Heading as="h2" fontSize="md" mb="1">
        {title ?? "Photos"}
      </Heading>
      <SimpleGrid columns={2} gap="2" mb="2">
        {here.map((photo) => (
          <Here key={photo.id} photo={photo} />
        ))}
        {shown.map((photo) => (
          <Box as="figure" key={photo.id}>
            <Picture photo={photo} />
            <Flex justify="space-between" align="center" fontSize="sm">
              <Text as="figcaption">{[photo.about, day(photo.at)].filter(Boolean).join(", ")}</Text>
              <Button
                look="quiet"
                aria-label={`Remove the photo: ${photo.about || day(photo.at)}`}
                onClick={() =>
                  void change(() => data(api.DELETE("/api/v1/files/photos/{photo_id}", path(photo))), setGone)
                }
              >
                off
              </Button>
            </Flex>
          </Box>
        ))}
      </SimpleGrid>
      {gone && (
        <Flex role="status" gap="2" align="center" mb="2">
          <Text>Photo removed.</Text>
          <Button
            onClick={() =>
              void change(
                () => data(api.POST("/api/v1/files/photos/{photo_id}/back", path(gone))),
                () => setGone(null),
              )
            }
          >
            Put it back
          </Button>
        </Flex>
      )}
      <Flex gap="2" wrap="wrap" align="end">
        {given === undefined && (
          <Field label="Of what" flex="1 1 9rem">
            <TextInput maxLength={60} value={about} onChange={(event) => setAbout(event.target.value)} />
          </Field>
        )}
        <FileButton
          label="Photo file"
          accept="image/jpeg,image/png,image/webp"
          chosen={(file) => void add(file)}
        >
          Add a photo
        </FileButton>
      </Flex>
      <Text fontSize="sm" color="faint" mt="1">
        JPEG, PNG or WebP up to 12 MB. Its location data is removed.
      </Text>
      {problem && <Problem id="photo-problem">{problem}</Problem>}
    </Box>
  );
}

const FILLED = { width: "100%", height: "auto", display: "block" };

/** A photo of the server's; without signal the small one that was taken along. */
function Picture({ photo }: { photo: Photo }) {
  const thumb = useThumb(photo.id);
  const [missing, setMissing] = useState(false);
  const alt = photo.about || `Photo of ${day(photo.at)}`;
  if (missing) return thumb ? <Small picture={thumb} alt={alt} /> : <Text>{alt}: needs signal.</Text>;
  const address = `/api/v1/files/photos/${photo.id}`;
  return (
    <a href={address} target="_blank" rel="noreferrer">
      <img
        src={address}
        alt={alt}
        width={photo.width}
        height={photo.height}
        loading="lazy"
        onError={() => setMissing(true)}
        style={FILLED}
      />
    </a>
  );
}

/** A picture that is on this device. */
function Small({ picture, alt }: { picture: Blob; alt: string }) {
  const [source] = useState(() => URL.createObjectURL(picture));
  useEffect(() => () => URL.revokeObjectURL(source), [source]);
  return <img src={source} alt={alt} style={FILLED} />;
}

/** A photo that is on this device and not on the server yet. */
function Here({ photo }: { photo: PhotoHere }) {
  const { about } = photo.fields;
  return (
    <Box as="figure">
      <Small picture={photo.photo} alt={about || "Photo taken here"} />
      <Flex justify="space-between" align="center" fontSize="sm">
        <Text as="figcaption">
          {[about, photo.wrong.length === 0 && "stored here, not sent yet"].filter(Boolean).join(", ")}
        </Text>
        {photo.wrong.length > 0 && <Button onClick={() => void dropPhoto(photo.id)}>Remove</Button>}
      </Flex>
      {photo.wrong.length > 0 && <Problem>Not saved: {photo.wrong[0]?.message}</Problem>}
    </Box>
  );
}
