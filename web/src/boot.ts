import { speak, speakOfAll } from "./messages";

// Not awaited: what comes then is made of what this file is made of, and would wait for its end.
void (location.pathname === "/" ? speak() : speakOfAll()).then(() => import("./main"));
