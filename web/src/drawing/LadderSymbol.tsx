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

function Outline({ symbol, line }: { symbol: Symbol; line: Line }) {
  const { shape, x, y, w, h } = symbol;
  switch (shape) {
    case "motor":
    case "coil":
      return <circle cx={x} cy={y} r={w / 2} {...line} />;
    case "contact":
    case "bar":
      return <path d={blade(symbol)} {...line} fill="none" />;
    case "fuse":
      return (
        <>
          <rect x={x - w / 2} y={y - h / 2} width={w} height={h} {...line} />
          {symbol.closed && <path d={`M${x} ${y - h / 2}V${y + h / 2}`} stroke={line.stroke} />}
        </>
      );
    case "ground":
      return (
        <path
          d={`M${x} ${y - 8}v5M${x - 10} ${y - 3}h20M${x - 6} ${y + 1}h12M${x - 2.5} ${y + 5}h5`}
          {...line}
          fill="none"
        />
      );
    case "capacitor":
    case "box":
      return <rect x={x - w / 2} y={y - h / 2} width={w} height={h} {...line} />;
  }
}

/** A contact's blade, closed or open; along the rail where it stands upright. */
function blade({ x, y, w, h, upright, closed }: Symbol): string {
  if (upright)
    return closed ? `M${x} ${y - h / 2}v${h}` : `M${x} ${y + h / 2}v-6l-9 -${h - 14}M${x} ${y - h / 2}v4`;
  return closed ? `M${x - w / 2} ${y}h${w}` : `M${x - w / 2} ${y}h5l${w - 12} -9M${x + w / 2} ${y}h-4`;
}

const SIZE = 12;

export function LadderWords({ words, tones }: { words: Schemas["Words"]; tones: Tones }) {
  const { text, x, y, anchor, faint, figure } = words;
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fill={faint ? tones.faint : tones.ink}
      className={figure ? "num" : undefined}
      style={{ fontSize: figure ? SIZE + 2 : SIZE, fontWeight: figure ? 700 : 500 }}
    >
      {text}
    </text>
  );
}
