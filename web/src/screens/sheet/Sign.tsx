/** A signature drawn with a finger or a pen. Cleared, nothing is kept; kept, it prints on the sheet. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useRef, useState, type PointerEvent } from "react";

import { inWords, type Schemas } from "../../api/client";
import { useDraft } from "../../api/draft";
import { act } from "../../device/act";
import { sendNow } from "../../device/sync";
import { Button } from "../../shell/controls";
import { Field, Problem, TextInput } from "../../shell/fields";
import { say } from "../../shell/toast";
import { dayAndClock } from "../../shell/words";

type Point = [number, number];
const WIDE = 300;
const HIGH = 100;

interface Props {
  visit: string;
  digest: string;
  /** The signature that stands. */
  signed: Schemas["SignedShown"] | null;
}

export function Sign({ visit, digest, signed }: Props) {
  const [again, setAgain] = useState(false);
  if (signed && !again)
    return (
      <Box as="section" aria-label="Signature" mt="6">
        <Heading as="h2" fontSize="lg" mb="1">
          Signed
        </Heading>
        <Drawn strokes={signed.strokes} label={`Signature of ${signed.name}`} />
        <Text>
          {signed.name}, {dayAndClock(signed.at)}
        </Text>
        <Button look="quiet" className="no-print" onClick={() => setAgain(true)}>
          Sign again
        </Button>
      </Box>
    );
  return <ToSign visit={visit} digest={digest} />;
}

function Drawn({ strokes, label }: { strokes: readonly (readonly (readonly number[])[])[]; label: string }) {
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      role="img"
      aria-label={label}
      style={{ width: "100%", maxWidth: 320, display: "block", borderBottom: "1px solid currentColor" }}
    >
      <Strokes of={strokes} />
    </svg>
  );
}

const Strokes = ({ of }: { of: readonly (readonly (readonly number[])[])[] }) =>
  of.map((points, place) => (
    <polyline
      key={place}
      points={points.map(([x = 0, y = 0]) => `${x * WIDE},${y * WIDE}`).join(" ")}
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
    />
  ));

function ToSign({ visit, digest }: { visit: string; digest: string }) {
  const [strokes, setStrokes] = useState<Point[][]>([]);
  const [name, setName] = useDraft(`${visit} signed by`);
  const [problem, setProblem] = useState("");
  const drawing = useRef(false);
  const at = (event: PointerEvent<SVGSVGElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    const hold = (value: number) => Math.min(Math.max(value, 0), 1);
    return [
      hold((event.clientX - box.left) / box.width),
      hold((event.clientY - box.top) / box.height) * (HIGH / WIDE),
    ];
  };
  const begin = (event: PointerEvent<SVGSVGElement>) => {
    drawing.current = true;
    event.currentTarget.setPointerCapture(event.pointerId);
    setStrokes([...strokes, [at(event)]]);
  };
  const draw = (event: PointerEvent<SVGSVGElement>) => {
    if (!drawing.current) return;
    const point = at(event);
    setStrokes((all) => [...all.slice(0, -1), [...(all.at(-1) ?? []), point]]);
  };
  const keep = async () => {
    try {
      await act(visit, { kind: "signature", name, strokes, digest });
      await sendNow(); // the page to hand over is the server's
      say(`Signed by ${name}. It prints on the sheet.`);
      setProblem("");
      setStrokes([]);
    } catch (error) {
      setProblem(inWords(error, " The signature is still here."));
    }
  };
  return (
    <Box as="section" aria-label="Signature" className="no-print" mt="6">
      <Heading as="h2" fontSize="lg" mb="1">
        Signature
      </Heading>
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        role="img"
        aria-label={strokes.length > 0 ? "Signature drawn" : "Box to sign in"}
        onPointerDown={begin}
        onPointerMove={draw}
        onPointerUp={() => {
          drawing.current = false;
        }}
        style={{
          width: "100%",
          maxWidth: 480,
          border: "1px solid currentColor",
          touchAction: "none",
          display: "block",
        }}
      >
        <Strokes of={strokes} />
      </svg>
      <Flex gap="3" mt="2" wrap="wrap" align="end">
        <Field label="Signed by" flex="0 1 16rem">
          <TextInput maxLength={80} value={name} onChange={(event) => setName(event.target.value)} />
        </Field>
        <Button onClick={() => void keep()}>Save the signature</Button>
        <Button look="quiet" onClick={() => setStrokes([])}>
          Clear
        </Button>
      </Flex>
      {problem && <Problem id="signature-problem">{problem}</Problem>}
    </Box>
  );
}
