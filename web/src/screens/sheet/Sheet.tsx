/** The visit sheet: what was found, done and left, to read and to print. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { Link, useParams } from "react-router";

import type { VisitShown } from "../../api/client";
import { useVisit } from "../../device/visits";
import { markWord } from "../../drawing/Mark";
import { Bar } from "../../shell/Bar";
import { Button } from "../../shell/controls";
import { Notice } from "../../shell/Notice";
import { COMPLAINT, POWER, capital, clock, dayAndClock } from "../../shell/words";
import { CustomerLink } from "./CustomerLink";
import { Fold } from "./Fold";
import { ForTheCustomer } from "./ForTheCustomer";
import { SheetLifted } from "./SheetLifted";
import { SheetPdf } from "./SheetPdf";
import { SheetPlate } from "./SheetPlate";
import { SheetReadings } from "./SheetReadings";
import { Sign } from "./Sign";

export default function Sheet() {
  const { visitId = "" } = useParams();
  const visit = useVisit(visitId);
  if (visit.isPending) return <Notice>Opening the sheet …</Notice>;
  if (visit.isError) return <Notice>{visit.error.message}</Notice>;
  return (
    <>
      <Bar title={`Sheet: ${visit.data.site}, ${visit.data.unit}`}>
        <Flex gap="5" align="center">
          <Link to={`/visits/${visitId}`}>
            <Text as="span" color="onBar" textDecoration="underline">
              Back to the round
            </Text>
          </Link>
        </Flex>
      </Bar>
      <Paper visit={visit.data} />
    </>
  );
}

function Paper({ visit }: { visit: VisitShown }) {
  const { round } = visit;
  const { assessment } = round;
  return (
    <Box
      as="main"
      maxW="62rem"
      mx="auto"
      my={{ base: "0", md: "6" }}
      p={{ base: "4", md: "8" }}
      bg="panel"
      borderWidth={{ md: "1px" }}
      borderColor="rule"
    >
      <Flex justify="space-between" gap="4" wrap="wrap" mb="4">
        <Box>
          <Text fontWeight="700">{visit.company}</Text>
          <Heading as="h1" fontSize="3xl">
            {visit.site}, {visit.unit}
          </Heading>
          <Text color="faint">
            {visit.address}
            {visit.serial && ` · serial ${visit.serial}`}
          </Text>
        </Box>
        <Box textAlign={{ md: "right" }}>
          <Text>{dayAndClock(visit.scheduled_for)}</Text>
          <Text>{visit.technician}</Text>
          <Text color="faint">
            {round.finished_at
              ? `finished ${dayAndClock(round.finished_at)} by ${round.finished_by}`
              : "not finished"}
          </Text>
        </Box>
      </Flex>
      <Heading
        as="h2"
        fontSize="2xl"
        borderTopWidth="2px"
        borderBottomWidth="1px"
        borderColor="ink"
        py="3"
        mb="4"
      >
        {round.customer.headline}
      </Heading>
      {round.finish_reason && (
        <Text borderWidth="2px" borderColor="brick" p="3" mb="4" fontWeight="700">
          Finished with lines not put back. Reason: {round.finish_reason}
        </Text>
      )}
      {(round.judged_otherwise || round.signed_otherwise) && (
        <Text borderWidth="1px" borderColor="ochre" bg="ochreTint" p="3" mb="4">
          {round.judged_otherwise &&
            "What it came to changed after it was finished: entries came later, or another version judged. "}
          {round.signed_otherwise && "What was read changed after it was signed."}
        </Text>
      )}
      <ForTheCustomer page={round.customer} />
      <Sign
        key={round.signature?.at}
        visit={visit.id}
        digest={round.digest}
        signed={round.signature ?? null}
      />
      {round.finished_at && <CustomerLink visit={visit.id} title={`${visit.company}: ${visit.site}`} />}
      <Fold title="For the trade: all readings, wiring and plate">
        <Text mb="4">
          Overall: <b>{markWord(assessment.overall)}</b>. Complaint:{" "}
          {COMPLAINT[visit.complaint] ?? "none recorded"}
          {visit.began && `, ${visit.began}`}. Power at the end:{" "}
          {(POWER[assessment.power.state] ?? "").toLowerCase()}.
        </Text>
        {round.diagnosis.accused.map(({ part, fault, why }) => (
          <Text key={part + fault} fontSize="lg" mb="3">
            <b>{capital(part)}.</b> {why}
          </Text>
        ))}
        {round.parts.length > 0 && (
          <Box as="section" aria-label="Done" mb="5">
            <Heading as="h2" fontSize="lg" mb="1">
              Done
            </Heading>
            {round.parts.map(({ id, at, by_whom, repair }) => (
              <Text key={id}>
                {repair.put_back ? `Old ${repair.part} put back` : `New ${repair.part} put in`},{" "}
                {dayAndClock(at)}, {by_whom}
                {repair.note && `: ${repair.note}`}.
              </Text>
            ))}
            <Text fontWeight="600">
              As found: {markWord(assessment.as_found)}. As left: {markWord(assessment.as_left)}.
            </Text>
          </Box>
        )}
        {round.notes.length > 0 && (
          <Box as="section" aria-label="Notes" mb="5">
            <Heading as="h2" fontSize="lg" mb="1">
              Notes
            </Heading>
            {round.notes.map((note) => (
              <Text key={note.id} whiteSpace="pre-wrap">
                {note.text} ({clock(note.at)}, {note.by_whom})
              </Text>
            ))}
          </Box>
        )}
        <SheetReadings visit={visit} />
        <SheetLifted lines={round.lifted} />
        <SheetPlate visit={visit} />
        <Text fontSize="sm" color="faint" mt="5">
          Judged by: {Object.values(visit.schools).join("; ")}. Readings tell what was measured on the day;
          work on live parts is for licensed people, under local code.
        </Text>
      </Fold>
      <Flex gap="3" mt="4" wrap="wrap" align="flex-start" className="no-print">
        <SheetLink href={`/api/v1/visits/${visit.id}/report`} look="next">
          Customer page
        </SheetLink>
        <SheetPdf visit={visit.id} />
        <Button onClick={() => window.print()}>Print this</Button>
        <SheetLink href={`/api/v1/visits/${visit.id}/file`}>Visit file (JSON)</SheetLink>
      </Flex>
    </Box>
  );
}

/** A file of this visit, opened beside the app. */
function SheetLink(props: { href: string; look?: "next"; children: string }) {
  return (
    <a href={props.href} target="_blank" rel="noreferrer">
      <Button as="span" look={props.look ?? "plain"} display="inline-flex" alignItems="center">
        {props.children}
      </Button>
    </a>
  );
}
