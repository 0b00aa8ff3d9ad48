import { speak, speakOfAll } from "./messages";

await (location.pathname === "/" ? speak() : speakOfAll());
await import("./main");
// The other pages are gone to next.
void speakOfAll();
