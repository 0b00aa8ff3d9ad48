import { speakOfAll } from "./messages";

// Tests of the page read what it says.
await speakOfAll();
