import { speak, speakOfAll } from "./messages";

await (location.pathname === "/" ? speak() : speakOfAll());
await import("./main");
