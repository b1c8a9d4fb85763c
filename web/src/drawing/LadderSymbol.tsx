/** One element of a ladder: fuse, contact, motor, coil, capacitor, box, ground; and words of the drawing. */
import type { Schemas } from "../api/client";
import type { Tones } from "./Ladder";

type Symbol = Schemas["Symbol"];

export function LadderSymbol({ symbol, tones }: { symbol: Symbol; tones: Tones }) {
  const suspect = symbol.state === "suspect";
  const line = {
    fill: suspect ? tones.brickTint : tones.panel,
    stroke: suspect ? tones.brick : tones.ink,
    strokeWidth: symbol.state === "not-yet" ? 1.3 : 2.2,
  };
  return (
    <g>
      <Outline symbol={symbol} line={line} />
      {symbol.path && <path d={symbol.path} {...line} fill="none" />}
      {symbol.words.map((words, place) => (
        <LadderWords key={place} words={words} tones={tones} />
      ))}
    </g>
  );
}

interface Line {
  fill: string;
  stroke: string;
  strokeWidth: number;
}

/** What stands round it; a contact, a bar and the ground are lines alone. */
function Outline({ symbol, line }: { symbol: Symbol; line: Line }) {
  const { shape, x, y, w, h } = symbol;
  switch (shape) {
    case "motor":
    case "coil":
      return <circle cx={x} cy={y} r={w / 2} {...line} />;
    case "fuse":
    case "capacitor":
    case "box":
      return <rect x={x - w / 2} y={y - h / 2} width={w} height={h} {...line} />;
    case "contact":
    case "bar":
    case "ground":
      return null;
  }
}

const [SIZE, SMALLER] = [12, 3];

export function LadderWords({ words, tones }: { words: Schemas["Words"]; tones: Tones }) {
  const { text, x, y, anchor, faint, figure, small } = words;
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fill={faint ? tones.faint : tones.ink}
      className={figure ? "num" : undefined}
      style={{ fontSize: (figure ? SIZE + 2 : SIZE) - (small ? SMALLER : 0), fontWeight: figure ? 700 : 500 }}
    >
      {text}
    </text>
  );
}
