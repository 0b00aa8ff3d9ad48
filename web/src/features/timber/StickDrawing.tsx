import type { PointerEvent } from "react";

import type { CutStick, Piece } from "../../api/types";
import { gripped } from "../../ui/grip";
import { Measure } from "../../ui/Measure";
import { FlawMark } from "./FlawMark";
import { t } from "../../messages";

/** Thin things are drawn at least so thick, px: a rod of 5 mm would not be seen. */
const LEAST = 16;
const PAD = 2;
const READING = 15;
const LETTER = 6.3;

interface Props {
  stick: CutStick;
  /** Pixels per mm, the same for all sticks. */
  scale: number;
  picked?: string | null;
  /** Without it, pieces are only shown. */
  onPick?: (piece: string) => void;
  onDrag?: (piece: string, event: PointerEvent) => void;
}

/** A stick at true length with what is sawn from it, and its running marks as a tape reads them. */
export function StickDrawing({ stick, scale, picked, onPick, onDrag }: Props) {
  const tall = Math.max(stick.wide_mm * scale, LEAST);
  const up = tall / stick.wide_mm;
  const x = (mm: number) => PAD + mm * scale;
  const y = (mm: number) => tall - mm * up + 1;
  const lanes = new Set(stick.pieces.map(({ box }) => box.y0)).size;
  return (
    <svg
      ref={gripped}
      width={stick.long_mm * scale + 2 * PAD}
      height={tall + READING + 8}
      className="block max-w-none overflow-visible"
      role="group"
      aria-label={`${stick.name}, ${stick.long}`}
    >
      {/* What is no part yet is the same wood, paler. */}
      <rect x={x(0)} y={1} width={stick.long_mm * scale} height={tall} className="fill-wood/30 stroke-soft" />
      {stick.pieces.map((piece) => (
        <PieceShape
          key={piece.name}
          piece={piece}
          x={x(piece.box.x0)}
          y={y(piece.box.y1)}
          width={(piece.box.x1 - piece.box.x0) * scale}
          height={(piece.box.y1 - piece.box.y0) * up}
          plain={[x(piece.plain[0]), x(piece.plain[1])]}
          picked={piece.name === picked}
          onPick={onPick && (() => onPick(piece.name))}
          onDrag={onDrag && ((event) => onDrag(piece.name, event))}
        />
      ))}
      {stick.offcuts
        .filter(({ keeps, box }) => keeps && (box.y1 - box.y0) * up >= LEAST - 2)
        .map(({ box, long }, index) => (
          <text
            key={index}
            x={x((box.x0 + box.x1) / 2)}
            y={y((box.y0 + box.y1) / 2) + 4}
            textAnchor="middle"
            className="hand fill-ink text-reading"
          >
            {(box.x1 - box.x0) * scale > long.length * LETTER + 34 && (
              <Measure drawn text={t("timber.left", { long })} />
            )}
          </text>
        ))}
      {stick.flaws.map(({ x0, x1, back }, index) => (
        <FlawMark key={index} x0={x(x0)} x1={x(x1)} top={1} tall={tall} back={back} />
      ))}
      {lanes === 1 && <Marks stick={stick} x={x} below={tall + 1} />}
    </svg>
  );
}

function Marks({ stick, x, below }: { stick: CutStick; x: (mm: number) => number; below: number }) {
  const readings = spaced(stick.pieces.map(({ box, at }) => ({ at: x(box.x1), wide: at.length * LETTER })));
  return (
    <g aria-hidden>
      {stick.pieces.map(({ box, at, name }, index) => (
        <g key={name}>
          <line
            x1={x(box.x1)}
            x2={x(box.x1)}
            y1={below - 4}
            y2={below + 4}
            className="stroke-mark"
            strokeWidth={1.4}
          />
          {readings.has(index) && (
            <text
              x={Math.max(x(box.x1), (at.length * LETTER) / 2)}
              y={below + READING}
              textAnchor="middle"
              className="hand fill-mark text-reading"
            >
              <Measure drawn text={at} />
            </text>
          )}
        </g>
      ))}
    </g>
  );
}

/** Which of these readings stand clear of those before them. */
function spaced(readings: { at: number; wide: number }[]): Set<number> {
  const kept = new Set<number>();
  let end = -Infinity;
  readings.forEach(({ at, wide }, index) => {
    if (at - wide / 2 < end + 6) return;
    end = at + wide / 2;
    kept.add(index);
  });
  return kept;
}

interface ShapeProps {
  piece: Piece;
  x: number;
  y: number;
  width: number;
  height: number;
  /** Where its name is read, px. */
  plain: [number, number];
  picked: boolean;
  onPick: (() => void) | undefined;
  onDrag: ((event: PointerEvent) => void) | undefined;
}

function PieceShape({ piece, x, y, width, height, plain, picked, onPick, onDrag }: ShapeProps) {
  const both = `${piece.name}, ${piece.long}`;
  const fits = (text: string) => text.length * LETTER < plain[1] - plain[0] - 6;
  const words = [both, piece.name, piece.name.replace(/^.*\D(?=\d+$)/, "")].find(fits);
  return (
    <g
      role={onPick ? "button" : "img"}
      tabIndex={onPick ? 0 : undefined}
      aria-pressed={onPick && picked}
      aria-label={both}
      data-grip={onDrag ? "" : undefined}
      className={
        onPick && "cursor-grab outline-none [&:focus-visible>rect]:stroke-act [&:focus-visible>rect]:stroke-3"
      }
      onClick={onPick}
      onKeyDown={(event) => {
        if (event.key === "Enter" || event.key === " ") {
          event.preventDefault();
          onPick?.();
        }
      }}
      onPointerDown={onDrag}
    >
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        className={`fill-wood ${picked ? "stroke-act stroke-3" : "stroke-ink"}`}
        strokeWidth={1.5}
      />
      {height >= 13 && words && (
        <text
          aria-hidden
          x={(plain[0] + plain[1]) / 2}
          y={y + height / 2 + 4}
          textAnchor="middle"
          className="hand pointer-events-none fill-ink text-reading"
        >
          <Measure drawn text={words} />
        </text>
      )}
    </g>
  );
}
