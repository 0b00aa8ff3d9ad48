import { speak } from "./messages";

await speak();
await import("./main");
