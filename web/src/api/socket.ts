import type { Batch, Reading, Tried } from "./types";

/** What comes along each of the server's lines. */
type Heard<Path> = Path extends "solve"
  ? Tried
  : Path extends "timber/batch"
    ? Batch
    : Path extends `instruments/${string}`
      ? Reading
      : never;

/** A line to the server, with what is done with each message that comes along it. */
export function openLine<Path extends string>(path: Path, onHeard: (heard: Heard<Path>) => void): WebSocket {
  const socket = new WebSocket(`${location.origin.replace(/^http/, "ws")}/api/${path}`);
  socket.onmessage = (event: MessageEvent<string>) => onHeard(JSON.parse(event.data));
  return socket;
}
