import { OfflineError, ProblemError } from "./client";
import { openLine } from "./socket";
import type { Brief, Design, Patch } from "./types";
import { t } from "../messages";

interface Waiting {
  resolve: (design: Design) => void;
  reject: (error: Error) => void;
}

/**
 * The line that previews go along: opened by the first, kept open, opened again after it broke. Answers come in
 * the order of the questions.
 */
class Line {
  private socket: WebSocket | null = null;
  private waiting: Waiting[] = [];

  solve(rack: string, brief: Brief, patch: Patch): Promise<Design> {
    const socket = (this.socket ??= this.open());
    const question = JSON.stringify({ rack, brief, patch });
    return new Promise((resolve, reject) => {
      this.waiting.push({ resolve, reject });
      if (socket.readyState === WebSocket.CONNECTING)
        socket.addEventListener("open", () => socket.send(question));
      else socket.send(question);
    });
  }

  private open(): WebSocket {
    const socket = openLine("solve", ({ design, problem }) => {
      const asked = this.waiting.shift();
      if (design) asked?.resolve(design);
      else if (problem) asked?.reject(new ProblemError(problem));
    });
    socket.onclose = () => {
      this.socket = null;
      for (const { reject } of this.waiting.splice(0))
        reject(new OfflineError(t("api.the-line-to-yardcliff-broke")));
    };
    return socket;
  }
}

export const line = new Line();
