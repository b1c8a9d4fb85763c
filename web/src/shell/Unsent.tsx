/** The line that says there is no signal, and what waits for it; a tap lists every entry, since when, and what is wrong with it. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Link } from "react-router";

import { dropEntries, isRefused, memberNow, useEntries } from "../device/entries";
import { entryWords } from "../device/entryWords";
import { useReached } from "../device/reach";
import { dropPhoto, useUnsentPhotos } from "../device/photos";
import type { Entry, Photo } from "../device/store";
import { sendSoon } from "../device/sync";
import { Button } from "./controls";
import { Modal } from "./Modal";
import { Sure } from "./Sure";
import { dayAndClock } from "./words";

const Line = chakra("button", {
  base: {
    display: "block",
    w: "100%",
    minH: "32px",
    px: "3",
    bg: "ochreTint",
    color: "ink",
    borderBottomWidth: "1px",
    borderColor: "ochre",
    fontSize: "sm",
    fontWeight: "600",
    textAlign: "start",
    cursor: "pointer",
  },
});

const unlessNone = (count: number, what: string): string => (count === 0 ? "" : `${count} ${what}`);

export function Unsent() {
  const entries = useEntries();
  const reached = useReached();
  const [open, setOpen] = useState(false);
  const photos = useUnsentPhotos();
  const refused = entries.filter(isRefused).length + photos.filter(({ wrong }) => wrong.length > 0).length;
  const waiting = entries.length + photos.length - refused;
  // With signal an entry is gone in a moment: only what stays is told.
  if (reached && refused === 0) return null;
  const words = [
    reached ? "" : "No signal",
    unlessNone(reached ? 0 : waiting, "waiting"),
    unlessNone(refused, "not saved"),
  ];
  return (
    <>
      <Box role="status" className="no-print">
        <Line type="button" onClick={() => setOpen(true)}>
          {words.filter(Boolean).join(" · ")}
        </Line>
      </Box>
      {open && (
        <Modal title={reached ? "Not saved" : "No signal"} close={() => setOpen(false)}>
          <Text mb="3">
            {waiting > 0
              ? "What waits is stored on this device and sent by itself when there is signal."
              : "Everything done on this device is on the server."}
          </Text>
          {entries.map((entry) => (
            <EntryLine key={entry.id} entry={entry} close={() => setOpen(false)} />
          ))}
          {photos.map((photo) => (
            <PhotoLine key={photo.id} photo={photo} close={() => setOpen(false)} />
          ))}
          <Flex gap="3" mt="4">
            <Button look="next" onClick={sendSoon}>
              Try now
            </Button>
            <Button onClick={() => setOpen(false)}>Close</Button>
          </Flex>
        </Modal>
      )}
    </>
  );
}

function EntryLine({ entry, close }: { entry: Entry; close: () => void }) {
  const wrong = isRefused(entry) ? (entry.wrong[0]?.message ?? "") : undefined;
  return (
    <Unsaved
      what={entryWords(entry)}
      at={dayAndClock(entry.at)}
      wrong={wrong}
      member={entry.member}
      to={`/visits/${entry.visit}`}
      link="Its visit"
      close={close}
      remove={() => void dropEntries([entry.id])}
    />
  );
}

function PhotoLine({ photo, close }: { photo: Photo; close: () => void }) {
  return (
    <Unsaved
      what={photo.fields.about ? `Photo, ${photo.fields.about}` : "Photo"}
      at=""
      wrong={photo.wrong[0]?.message}
      member={photo.member}
      to={`/units/${photo.unit}`}
      link="Its unit"
      close={close}
      remove={() => void dropPhoto(photo.id)}
    />
  );
}

interface UnsavedProps {
  what: string;
  at: string;
  wrong: string | undefined;
  member: string;
  to: string;
  link: string;
  close: () => void;
  remove: () => void;
}

/** One thing that is on this device alone: what it is, since when, and what is wrong with it where something is. */
function Unsaved({ what, at, wrong, member, to, link, close, remove }: UnsavedProps) {
  const refused = wrong !== undefined;
  return (
    <Box borderTopWidth="1px" borderColor="rule" py="2">
      <Flex gap="2" align="baseline">
        <Text flex="1" fontWeight="600">
          {what}
        </Text>
        <Text className="num" fontSize="sm" color="faint" whiteSpace="nowrap">
          {at}
        </Text>
      </Flex>
      {refused && <Text color="brick">Not saved: {wrong}</Text>}
      {!refused && member !== memberNow() && (
        <Text color="faint">By {member}; sent when they sign in here.</Text>
      )}
      <Flex gap="3" align="center" wrap="wrap">
        <Link to={to} onClick={close}>
          <Text as="span" color="copper" textDecoration="underline">
            {link}
          </Text>
        </Link>
        {refused && <Sure ask="Remove it for good?" yes="Remove" onYes={remove} />}
      </Flex>
    </Box>
  );
}
